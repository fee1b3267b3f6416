module Routes
  # The house: all projects, and beginning a new one.
  module House
    def self.registered(app)
      app.get("/") do
        @projects = Project.includes(:artworks, :sources, uses: {palette: {groups: :swatches}}).order(:id).to_a
        @title = "Projects"
        erb :"house/projects"
      end

      app.post("/projects") do
        project = Changes::StartProject.perform(name: params[:name], client: params[:client])
        redirect to("/projects/#{project.id}/gather"), 303
      end

      app.get("/projects/:project") { redirect to(at("gather")), 303 }

      app.post("/projects/:project/surround") do
        project.update!(surround: params[:surround]) if Project::SURROUNDS.key?(params[:surround])
        go_back
      end

      # Nobody logs in; a name signs the changes that are made under it.
      app.post("/projects/:project/who") do
        Visitor.name!(visitor, Magpie::Text.name(params[:who], longest: 60).presence)
        go_back
      end

      # The list of changes, asked for when it is opened: what stands on what is looked up.
      app.get("/projects/:project/changes") do
        @listed = RecordedChange.where(project:).order(id: :desc).limit(30).to_a
        @standing = Following::Standing.new(@listed)
        erb :"shared/changes_listed", layout: false
      end

      app.post("/projects/:project/undo") do
        change = Changes::History.undo(project, params[:change] && number(params[:change]), saw: params[:saw] && number(params[:saw]))
        tell "Undone: #{change.words}"
        go_back
      end

      app.post("/projects/:project/redo") do
        tell "Done again: #{Changes::History.redo(project, saw: params[:saw] && number(params[:saw])).words}"
        go_back
      end
    end
  end
end
