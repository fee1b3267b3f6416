module Places
  module Gather
    # Gather: what is read, and readings.
    module Readings
      # Side by side; more could not be told apart.
      MOST_COMPARED = 3

      module Helpers
        # The find that is shown: the one asked for, or what is in hand.
        def shown_find
          id = params[:find] || hand.content&.find_id
          project.finds.includes(:source, :artwork).find_by(id: number(id))
        end

        # What stands in the middle: what is asked for, what the find came from, or the first.
        def looked_at
          asked = @artworks.find { |each| each.id == number(params[:artwork]) } || @sources.find { |each| each.id == number(params[:source]) }
          asked || [*@sources, *@artworks].find { |each| each == @find&.readable } || @sources.first
        end

        # The others beside it.
        def compared
          ids = params[:with].to_s.split(",").map { |id| number(id) }
          @sources.select { |each| ids.include?(each.id) && each != @looked }.first(MOST_COMPARED - 1)
        end

        # Finds of all pictures that are shown: beside each other they share their pins.
        def pins
          finds = project.finds.includes(:source).where.not(x: nil)
          (@looked.is_a?(Source) ? finds.where(source: [@looked, *@compared]) : finds.where(artwork: @looked)).to_a
        end

        # What the same place holds in the other pictures: [[source, colour, ΔE00]].
        def beside(find)
          return [] unless find.pixels? && find.source && @compared.any?
          aim = Aim.of_find(find)
          ([@looked, *@compared] - [find.source]).map do |other|
            average = aim.scaled([other.width.fdiv(find.source.width), other.height.fdiv(find.source.height)]).read(other.picture).average
            [other, average, average && Magpie::Difference.de2000(average, find.average)]
          end
        end

        # A reading was taken: hold it, or keep it at once in the chosen group.
        def taken(find, **shown)
          hand.hold(Hand::Content.of_find(find))
          drop(find) if choices[:release] == "drop" && params[:group]
          with = params[:with].to_s[/\A[\d,]+\z/]
          looked = with ? {source: number(params[:looked])} : find.readable&.parameter.to_h
          redirect to(at("gather", **looked, find: find.id, with:, **shown)), 303
        end

        def drop(find)
          group = groups.find { |each| each.id == number(params[:group]) } or raise Magpie::Error, "Choose a group to drop into"
          session[:group] = group.id
          kept = Changes::KeepColour.perform(project, actor:, group:, name: "", colour: find.colour, find:)
          hand.hold(Hand::Content.of_swatch(kept))
          tell "Kept #{kept.name} in #{group.name}"
        end

        def find = @asked ||= project.finds.find(number(params[:find]))
      end

      def self.registered(app)
        app.helpers Helpers

        app.get("/projects/:project/gather") do
          @sources = project.sources.to_a
          @artworks = project.artworks.to_a.tap { |artworks| Artwork.keys(artworks) }
          @find = shown_find
          @looked = looked_at
          @compared = @looked.is_a?(Source) ? compared : []
          @pins = @looked ? pins : []
          @find_counts = project.finds.reorder(nil).group(:source_id).count
          @remarks = Consistency.new(project, groups.to_h { |group| [group, chips[group.id]] }).remarks
          place_page "gather", :page
        end

        app.post("/projects/:project/choices") do
          choices.take(params)
          go_on
        end

        app.post("/projects/:project/:kind/:readable/readings") do
          taken Changes::TakeReading.perform(project, actor:, readable:, aim: Aim.of_request(params))
        end

        # What a part is painted with, whatever lies over it.
        app.post("/projects/:project/artworks/:readable/paints") do
          params[:kind] = "artworks"
          role = (params[:role] == "line") ? "line" : "fill"
          part = readable.parts.includes(places: :swatch).find_by(key: params[:part].to_s) or raise Magpie::Error, "#{readable.name} has no such part"
          place = part.places.find { |each| each.role == role }
          colour = place&.swatch ? (place.swatch.colour unless place.swatch.paint) : place&.colour
          raise Magpie::Error, "#{part.label} has no #{role} of one colour: it is #{(place && place.kind != "colour") ? place.kind : "none"}. Read it as seen" unless colour
          taken Changes::TakeColour.perform(project, actor:, colour:, way: role, readable:, part: part.label, x: number(params[:x]), y: number(params[:y])), stack: params[:stack].to_s[0, 400]
        end

        # A colour that the browser's own sampler gave, or the practice screen.
        app.post("/projects/:project/samples") do
          taken Changes::TakeColour.perform(project, actor:, colour: Magpie::Notation.parse(params[:colour]), way: "screen")
        end

        # What a patch would cover, while the tolerance is adjusted.
        app.get("/projects/:project/:kind/:readable/patch.json") do
          content_type :json
          aim = Aim.of_request(params.merge("probe" => "patch"))
          patch = aim.region(readable.picture)
          JSON.generate(outline: path_of(patch.outline), pixels: patch.count, hex: readable.picture.read(patch).average&.hex)
        end

        app.post("/projects/:project/finds/:find/again") do
          aim = Aim.of_find(find)
          aim = aim.moved(number(params[:x]), number(params[:y])) if params[:x]
          aim.tolerance = Float(params[:tolerance], exception: false) || 0.0 if params[:tolerance] && aim.way == "patch"
          taken Changes::ReadAgain.perform(project, actor:, find:, aim:)
        end

        app.post("/projects/:project/finds/:find") do
          as_seen find.name, name: find.name
          changed = Changes::ChangeFind.perform(project, actor:, find:, chosen: params[:chosen], name: params[:name], pinned: params[:pinned] && params[:pinned] == "yes")
          hand.hold(Hand::Content.of_find(changed)) if hand.content&.find_id == changed.id || params[:chosen]
          go_back
        end

        app.post("/projects/:project/finds") do
          finds = project.finds.reorder(nil).where(pinned: false)
          finds = project.finds.reorder(nil).where(id: number(params[:only])) if params[:only]
          finds = finds.where(source_id: number(params[:source])) if params[:source]
          Changes::ClearFinds.perform(project, actor:, finds:)
          go_on
        end

        app.get("/projects/:project/finds/:find/crop.png") do
          raise ActiveRecord::RecordNotFound unless find.readable && find.x
          cache_control :private, max_age: 60
          content_type "image/png"
          find.readable.picture.crop(find.x, find.y, 60, 36, scale: 3)
        end
      end
    end
  end
end
