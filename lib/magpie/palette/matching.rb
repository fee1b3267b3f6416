module Magpie
  class Palette
    # Which swatch of another palette takes the place of each colour: the one that is called
    # as it is, the one that stands where it does, or the nearest.
    class Matching
      WAYS = %w[name order nearest].freeze

      # @param colours [Array<#name, #colour>] in their order; one without a name has nil
      # @param swatches [Array<#name, #colour>] in theirs
      # @param plain [Array] those of them that have one colour: nothing has the colour of a
      #   gradient or pattern
      def initialize(colours, swatches, plain: swatches)
        @colours, @swatches, @plain = colours, swatches, plain
      end

      # @param way [String] one of WAYS
      # @return [Array<Object, nil>] a swatch for each colour, nil where none takes its place
      # @raise [Magpie::Error]
      def by(way)
        raise Error, "#{way[0, 40]} is no way to match: expected #{Text.list(WAYS).sub(" and ", " or ")}" unless WAYS.include?(way)
        send(way)
      end

      private

      # Of several that are called alike, the first.
      def name
        named = @swatches.reverse.to_h { |swatch| [swatch.name.downcase, swatch] }
        @colours.map { |each| each.name && named[each.name.downcase] }
      end

      def order = @colours.each_index.map { |index| @swatches[index] }

      def nearest
        index = Library::Nearest.of(@plain)
        @colours.map { |each| index.nearest(each.colour)&.first }
      end
    end
  end
end
