module Places
  module Dress
    # The part that is picked, and what it is painted with.
    class Picked
      TITLES = {"fill" => "Fill of the picked part", "line" => "Line", "stop" => "Stop"}.freeze

      # @!attribute shown [String] what the drop shape shows, as CSS
      # @!attribute detail [String, nil] opacity, and whether it follows
      Paint = Struct.new(:role, :title, :name, :shown, :detail, :painted, keyword_init: true) do
        def shape = (role == "line") ? "line" : "fill"
      end

      attr_reader :part

      # @param part [Part] with its places and their swatches
      def initialize(part) = @part = part

      def key = part.key

      def label = part.label

      # @return [Array<Paint>]
      def paints = TITLES.filter_map { |role, title| part.places.find { |each| each.role == role }&.then { |place| paint(place, title) } }

      private

      def paint(place, title)
        swatch = place.swatch
        colour = swatch&.colour || place.colour || place.paint&.colour
        Paint.new(
          role: place.role, title:, painted: colour || place.reference,
          name: swatch&.name || colour&.hex || (place.reference ? "Gradient or pattern" : "None"),
          shown: swatch ? "var(#{swatch.variable})" : (colour&.hex || "transparent"),
          detail: ("#{(place.opacity * 100).round}%, #{swatch ? "shared" : "stray"}" if colour)
        )
      end
    end
  end
end
