module Places
  module House
    # The house: all projects, and beginning a new one.
    class Application < Frame::Application
      lies_in "house"
      helpers Helpers

      get("/health") do
        Record.connection.select_value("SELECT 1")
        "ok"
      end

      get("/") do
        @page = Page.new(actor)
        @title = "Projects"
        erb :projects
      end

      post("/projects") do
        project = Changes::StartProject.perform(actor:, name: param[:name], client: param[:client])
        redirect to("/projects/#{project.id}/gather"), 303
      end

      get("/projects/:project") { redirect to(at("gather")), 303 }

      post("/projects/:project/surround") do
        Changes::SetSurround.perform(project, actor:, surround: param[:surround])
        go_back
      end

      # Nobody logs in; a name signs the changes that are made under it.
      post("/projects/:project/who") do
        Visitor.name!(visitor, Magpie::Text.name(param[:who], longest: 60).presence)
        go_back
      end

      # Which keys are shortcuts; the list of them comes back as it is then.
      post("/projects/:project/keys") do
        kept = Visitor.keys(visitor)
        kept = if param[:reset] then {}
        elsif param[:off] then kept.merge("off" => param.on?(:off))
        else
          Frame::Shortcuts.new(kept).give(param.text(:shortcut), param.text(:key))
        end
        Visitor.keys!(visitor, kept)
        erb :"shared/keys", layout: false, locals: {shortcuts: Frame::Shortcuts.new(kept), place: param.text(:place), mixing: param.on?(:mixing)}
      rescue Magpie::Error => error
        halt 422, {"content-type" => "text/plain; charset=utf-8"}, error.message
      end

      # Whether anybody did anything since: pages ask, and follow.
      get("/projects/:project/version.json") do
        content_type :json
        JSON.generate(version: desk.version)
      end

      # The list of changes, asked for when it is opened: what stands on what is looked up.
      get("/projects/:project/changes") do
        @lines = ListedChanges.new(project).lines
        erb :changes, layout: false
      end

      post("/projects/:project/undo") do
        change = Changes::History.undo(project, (param.id(:change) if param.given?(:change)), actor:, saw: seen_version)
        tell "Undone: #{change.words}"
        go_back
      end

      post("/projects/:project/redo") do
        tell "Done again: #{Changes::History.redo(project, actor:, saw: seen_version).words}"
        go_back
      end
    end
  end
end
