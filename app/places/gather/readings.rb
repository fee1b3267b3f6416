module Places
  module Gather
    # What is read, and readings.
    module Readings
      def self.registered(app)
        app.get("/projects/:project/gather") do
          @page = Page.new(desk, params)
          place_page "gather", :page
        end

        app.post("/projects/:project/:kind/:readable/readings") do
          taken Changes::TakeReading.perform(project, actor:, readable:, aim: Aim.of_request(params))
        end

        # What a part is painted with, whatever lies over it.
        app.post("/projects/:project/artworks/:readable/paints") do
          params[:kind] = "artworks"
          of = PartColour.new(readable, params[:part].to_s, role)
          taken Changes::TakeColour.perform(project, actor:, colour: of.colour, way: role, readable:, part: of.part.label, x: number(params[:x]), y: number(params[:y])), stack: params[:stack].to_s[0, 400]
        end

        # A colour that the browser's own sampler gave, or the practice screen.
        app.post("/projects/:project/samples") do
          taken Changes::TakeColour.perform(project, actor:, colour: Magpie::Notation.parse(params[:colour]), way: "screen")
        end

        # What a patch would cover, while the tolerance is adjusted.
        app.get("/projects/:project/:kind/:readable/patch.json") do
          content_type :json
          picture = Seen.new(readable).picture
          patch = Aim.of_request(params.merge("probe" => "patch")).region(picture)
          JSON.generate(outline: Outline.path(patch.outline), pixels: patch.count, hex: picture.read(patch).average&.hex)
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
          take_in_hand Hand::Content.of_find(changed) if hand.content&.find_id == changed.id || params[:chosen]
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
          Seen.new(find.readable).picture.crop(find.x, find.y, 60, 36, scale: 3)
        end
      end
    end
  end
end
