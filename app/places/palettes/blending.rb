module Places
  module Palettes
    # Making several swatches one.
    class Blending
      SHOWN = 24

      # @param chosen [Array<Swatch>]
      def initialize(actor, chosen)
        @chosen = chosen
        @reach = Reach.of(actor, chosen.map(&:id))
      end

      # Places that will follow the one that stays.
      def places = @reach.values.sum

      def places_of(swatch) = @reach.fetch(swatch.id, 0)

      def strip = @chosen.first(SHOWN)

      # The colour in the middle of all.
      def colour = @colour ||= Magpie::Making::Blend.of(@chosen.map(&:colour))

      # Which can stay, the most used first.
      def keepers = @chosen.sort_by { |swatch| -places_of(swatch) }
    end
  end
end
