module Places
  module Gather
    # Pictures: bringing them in, what they are called, their main colours.
    module Pictures
      def self.registered(app)
        app.post("/projects/:project/sources") do
          came, failed, before = bring_in_sources
          sentences = ["Brought in #{Magpie::Text.list(came.map(&:name))}"] if came.any?
          last = (came.last || before.last)&.id
          tell_what_came([*sentences, *what_was_there(before)], failed, last && at("gather", source: last))
        end

        # One of several files that are brought in one after the other; the browser tells of
        # all of them.
        app.post("/projects/:project/sources.json") do
          content_type :json
          came, failed, before = bring_in_sources
          JSON.generate(came: came.map { |each| {id: each.id, name: each.name} }, failed:, before: before.map(&:id), told: what_was_there(before))
        end

        app.post("/projects/:project/sources/:source") do
          as_seen source.name, name: source.name, note: source.note
          Changes::EditSource.perform(project, actor:, source:, name: param[:name], note: param[:note])
          go_back
        end

        app.post("/projects/:project/sources/:source/move") do
          Changes::MoveSource.perform(project, actor:, source:, before: (param.id(:before) if param.given?(:before)), by: param.whole(:by, -10_000..10_000, 0))
          go_back
        end

        # A second source from the same file, with finds of its own.
        app.post("/projects/:project/sources/:source/again") do
          again = Changes::BringInSource.perform(project, actor:, name: "#{source.name}.file", bytes: Blob.bytes(source.sha256), kind: source.kind)
          tell "Brought in #{again.name} once more"
          redirect to(at("gather", source: again.id, about: 1)), 303
        end

        app.post("/projects/:project/sources/:source/remove") do
          Changes::RemoveSource.perform(project, actor:, source:)
          tell "Removed #{source.name}. Its finds stay; Undo brings it back"
          redirect to(at("gather")), 303
        end

        app.post("/projects/:project/sources/:source/better") do
          name, bytes = uploads(:files).first
          raise Magpie::Error, "No file came in. Choose one" unless name
          opened = Changes::OpenFile.picture(project, actor:, source:, name:, bytes:)
          redirect to(at("sources/#{source.id}/better/#{opened.id}")), 303
        end

        app.get("/projects/:project/sources/:source/better/:better") do
          @page = Page.new(desk, param)
          @better = Better.new(source, project.imports.find(param.id(:better)))
          place_page "gather", :better
        end

        app.get("/projects/:project/sources/:source/better/:better/picture") do
          content_type "image/png"
          Better.new(source, project.imports.find(param.id(:better))).picture.on_screen
        end

        app.post("/projects/:project/sources/:source/better/:better") do
          Changes::ReplacePicture.perform(project, actor:, source:, file: project.imports.find(param.id(:better)))
          tell "#{source.name} has its better picture now"
          redirect to(at("gather", source: source.id)), 303
        end

        app.get("/projects/:project/:kind/:readable/picture") do
          kept_under seen.version
          etag "#{seen.key}-screen"
          type, bytes = seen.on_screen
          content_type type
          bytes
        end

        app.get("/projects/:project/:kind/:readable/thumbnail") do
          kept_under seen.listed
          etag "#{seen.key}-#{Seen::MADE}-small"
          send_file seen.thumbnail, type: "image/jpeg"
        end

        # Asked for by the page when they are not found yet.
        app.get("/projects/:project/:kind/:readable/main") do
          @main = MainStrip.new(readable, seen, choices)
          @main.find
          erb :main_colours, layout: false, locals: {main: @main}
        end

        app.get("/projects/:project/:kind/:readable/main/:number.png") do
          cache_control :private, max_age: 3600
          content_type "image/png"
          MainColours.new(seen, choices.main_colours).highlight(param.whole(:number, 0..100))
        end

        app.post("/projects/:project/:kind/:readable/main/:number") do
          main = MainColours.new(seen, choices.main_colours).to_a[param.whole(:number, 0..100)] or raise Magpie::Error, "There is no such main colour any more"
          as_shown [main]
          taken Changes::TakeColour.perform(project, actor:, colour: main.colour, way: "main", readable:, share: main.share, x: main.at[0], y: main.at[1])
        end

        app.post("/projects/:project/:kind/:readable/main") do
          palette = desk.palette_for_groups
          colours = as_shown(MainColours.new(seen, choices.main_colours).to_a)
          group = Changes::KeepMainColours.perform(project, actor:, palette:, readable:, colours:)
          desk.keep_in group
          tell "Kept #{group.name} in #{palette.name}: #{count(group.swatches.size, "swatch")}"
          go_back
        end
      end
    end
  end
end
