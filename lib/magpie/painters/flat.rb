module Magpie
  module Painters
    # Self-standing, plain colours.
    class Flat < Svg
      # An artwork as it came.
      # @param artwork [Artwork]
      def self.of(artwork) = new(artwork.template, artwork.paints).to_s

      private

      def ink(colour, _) = Ink.new(colour.with(alpha: 1).hex, colour.alpha)
    end
  end
end
