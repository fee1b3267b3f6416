module Places
  module Gather
    # What is read, and readings.
    module Readings
      PIXELS = 0..1_000_000

      def self.registered(app)
        app.get("/projects/:project/gather") do
          @page = Page.new(desk, param)
          place_page "gather", :page
        end

        app.post("/projects/:project/:kind/:readable/readings") do
          taken Changes::TakeReading.perform(project, actor:, readable:, aim: Aim.of_request(param))
        end

        # What a part is painted with, whatever lies over it.
        app.post("/projects/:project/artworks/:readable/paints") do
          params[:kind] = "artworks"
          of = PartColour.new(readable, param.whole(:part, 0..Magpie::Limits::ELEMENTS), role)
          taken Changes::TakeColour.perform(project, actor:, colour: of.colour, way: role, readable:, part: of.part.label, **[:x, :y].to_h { |axis| [axis, param.whole(axis, PIXELS, 0)] }), stack: param.text(:stack)[0, 400]
        end

        # A colour that the browser's own sampler gave, or the practice screen.
        app.post("/projects/:project/samples") do
          taken Changes::TakeColour.perform(project, actor:, colour: Magpie::Notation.parse(param.text(:colour)), way: "screen")
        end

        # What a patch would cover, while the tolerance is adjusted.
        app.get("/projects/:project/:kind/:readable/patch.json") do
          content_type :json
          picture = Seen.new(readable).picture
          patch = Aim.of_request(param.with(probe: "patch")).region(picture)
          JSON.generate(outline: Outline.path(patch.outline), pixels: patch.count, hex: picture.read(patch).average&.hex)
        end

        app.post("/projects/:project/finds/:find/again") do
          aim = Aim.of_find(find)
          aim = aim.moved(*[:x, :y].map { |axis| param.whole(axis, PIXELS) }) if param.given?(:x)
          aim.tolerance = param.number(:tolerance, 0, 0..1000) if param.given?(:tolerance) && aim.way == "patch"
          taken Changes::ReadAgain.perform(project, actor:, find:, aim:)
        end

        app.post("/projects/:project/finds/:find") do
          as_seen find.name, name: find.name
          changed = Changes::ChangeFind.perform(project, actor:, find:, chosen: param[:chosen], name: param[:name], pinned: param[:pinned] && param[:pinned] == "yes")
          take_in_hand Hand::Content.of_find(changed) if hand.content&.find_id == changed.id || param[:chosen]
          go_back
        end

        app.post("/projects/:project/finds") do
          finds = project.finds.reorder(nil).where(pinned: false)
          finds = project.finds.reorder(nil).where(id: param.id(:only)) if param[:only]
          finds = finds.where(source_id: param.id(:source)) if param[:source]
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
