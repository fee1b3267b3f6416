module Places
  module Gather
    # Pictures: bringing them in, what they are called, their main colours.
    module Pictures
      module Helpers
        def source = @source ||= project.sources.find(number(params[:source]))

        def kind = (params[:as] == "screen") ? "screen" : "picture"

        # Main colours, if they are what the form showed: another window may have chosen
        # another number of them.
        # @raise [Magpie::Error]
        def as_shown(colours)
          return colours if params[:saw].nil? || params[:saw] == colours.map { |each| each.colour.hex }.join(",")
          raise Magpie::Error, "Another window has chosen other main colours meanwhile. Nothing was kept. Look, and do it again"
        end

        def better = Import.where(project_id: project.id).find(number(params[:better]))
      end

      def self.registered(app)
        app.helpers Helpers

        app.post("/projects/:project/sources") do
          came, failed = bring_in(Changes::BringInSource, kind:)
          sentences = ["Brought in #{Magpie::Text.list(came.map(&:name))}"] if came.any?
          tell_what_came(sentences, failed, came.any? && at("gather", source: came.last.id))
        end

        # One of several files that are brought in one after the other; the page that
        # follows tells of all of them.
        app.post("/projects/:project/sources.json") do
          content_type :json
          came, failed = bring_in(Changes::BringInSource, kind:)
          JSON.generate(came: came.map { |each| {id: each.id, name: each.name} }, failed:)
        end

        app.get("/projects/:project/sources/arrived") do
          came = project.sources.where(id: params[:came].to_s.split(",").map { |id| number(id) }).to_a
          sentences = ["Brought in #{Magpie::Text.list(came.map(&:name))}"] if came.any?
          failed = Array(params[:failed]).map { |words| Magpie::Text.name(words, longest: 300) }
          tell_what_came(sentences, failed, at("gather", source: came.last&.id))
        end

        app.post("/projects/:project/sources/:source") do
          as_seen source.name, name: source.name, note: source.note
          Changes::EditSource.perform(project, actor:, source:, name: params[:name], note: params[:note])
          go_back
        end

        app.post("/projects/:project/sources/:source/move") do
          order = project.sources.ids
          to = params[:before] ? order.without(source.id).index(number(params[:before])) || order.size : order.index(source.id) + number(params[:by])
          Changes::MoveSource.perform(project, actor:, source:, to:)
          go_back
        end

        app.post("/projects/:project/sources/:source/remove") do
          Changes::RemoveSource.perform(project, actor:, source:)
          tell "Removed #{source.name}. Its finds stay; Undo brings it back"
          redirect to(at("gather")), 303
        end

        app.post("/projects/:project/sources/:source/better") do
          name, bytes = uploads(:files).first
          raise Magpie::Error, "No file came in. Choose one" unless name
          picture = Magpie::Painters.picture(bytes, name:)
          sha256 = Blob.keep(bytes, Magpie::Picture::File.format(bytes).media_type)
          raise Magpie::Error, "#{name} is the very same file as #{source.name} has" if sha256 == source.sha256
          PictureCache.keep(sha256, picture)
          better = Import.create!(project:, name:, sha256:, created_at: Time.now)
          redirect to(at("sources/#{source.id}/better/#{better.id}")), 303
        end

        app.get("/projects/:project/sources/:source/better/:better") do
          @better = better
          @picture = PictureCache.picture(@better.sha256, @better.name) { Blob.bytes(@better.sha256) }
          @rereads = Changes::ReplacePicture.preview(source, @picture)
          @sources = project.sources.to_a
          place_page "gather", :better
        end

        app.get("/projects/:project/sources/:source/better/:better/picture") do
          content_type "image/png"
          PictureCache.picture(better.sha256, better.name) { Blob.bytes(better.sha256) }.on_screen
        end

        app.post("/projects/:project/sources/:source/better/:better") do
          Changes::ReplacePicture.perform(project, actor:, source:, file: better)
          tell "#{source.name} has its better picture now"
          redirect to(at("gather", source: source.id)), 303
        end

        app.get("/projects/:project/:kind/:readable/picture") do
          cache_control :private, :immutable, max_age: 31_536_000
          etag "#{readable.key}-screen"
          type, bytes = readable.on_screen
          content_type type
          bytes
        end

        app.get("/projects/:project/:kind/:readable/thumbnail") do
          cache_control :private, :immutable, max_age: 31_536_000
          etag "#{readable.key}-small"
          send_file readable.thumbnail, type: "image/jpeg"
        end

        # Asked for by the page when they are not found yet.
        app.get("/projects/:project/:kind/:readable/main") do
          @looked = readable
          begin
            main_colours_of(readable).to_a
          rescue Magpie::Error => error
            @problem = error.message
          end
          erb :main_colours, layout: false
        end

        app.get("/projects/:project/:kind/:readable/main/:number.png") do
          cache_control :private, max_age: 3600
          content_type "image/png"
          main_colours_of(readable).highlight(number(params[:number]))
        end

        app.post("/projects/:project/:kind/:readable/main/:number") do
          main = main_colours_of(readable).to_a[number(params[:number])] or raise Magpie::Error, "There is no such main colour any more"
          as_shown [main]
          taken Changes::TakeColour.perform(project, actor:, colour: main.colour, way: "main", readable:, share: main.share, x: main.at[0], y: main.at[1])
        end

        app.post("/projects/:project/:kind/:readable/main") do
          palette = palette_for_groups
          colours = as_shown(main_colours_of(readable).to_a)
          group = Changes::KeepMainColours.perform(project, actor:, palette:, readable:, colours:)
          session[:group] = group.id
          tell "Kept #{group.name} in #{palette.name}: #{count(group.swatches.size, "swatch")}"
          go_back
        end
      end
    end
  end
end
