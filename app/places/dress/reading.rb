module Places
  module Dress
    # A colour is read off the artwork and put in hand: what a part is painted with, or
    # what is seen at a place, which is a find from then on.
    module Reading
      SHARE = 0.0..1.0 # of the drawing's sides

      def self.registered(app)
        app.post("/projects/:project/artworks/:artwork/read") do
          if param.given?(:part)
            number, role = param.whole(:part, 0..Magpie::Limits::ELEMENTS), (param[:role] == "line") ? "line" : "fill"
            paint = PartColour.new(artwork, number, role)
            take_in_hand paint.swatch ? Hand::Content.of_swatch(paint.swatch) : Hand::Content.new(name: Magpie::ColorName.suggest(paint.colour), colour: paint.colour)
          else
            picture = Seen.new(artwork).picture
            x, y = {across: picture.width, down: picture.height}.map { |share, side| (param.number(share, 0, SHARE) * (side - 1)).round }
            take_in_hand Hand::Content.of_find(Changes::TakeReading.perform(project, actor:, readable: artwork, aim: Aim.new(way: "square", x:, y:, size: 1)))
          end
          touches "changes", "rack", "hand", *("side" if came_from.to_s.include?("colour="))
          back_to_stage
        end
      end
    end
  end
end
