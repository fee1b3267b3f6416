module Magpie
  class CommandLine
    # What is nearest among the colours of files, and a whole palette matched to them.
    class Matches
      MOST = 1000
      WITHIN = 2.5

      # A colour of a file, and the name of the library that it is in.
      Entry = Struct.new(:of, :library) do
        def colour = of.colour
      end

      # Nothing has the colour of a gradient or pattern.
      # @param palettes [Array<Palette>]
      # @raise [Magpie::Error] where none of them has a colour
      def initialize(palettes)
        entries = palettes.flat_map { |palette| palette.swatches.reject(&:compound).map { |one| Entry.new(one, palette.name) } }
        raise Error, "there is no colour in #{Text.list(palettes.map(&:name))}" if entries.empty?
        @index = Library::Nearest.of(entries)
      end

      # @return [Array<Hash>] for printing, nearest first
      def nearest(colour, top) = @index.to(colour, most: top).map { |entry, difference| described(entry, difference) }

      # @param within [Float] ΔE00 up to which an entry counts as a match
      # @return [Hash] for printing
      def of(palette, within)
        pairs = palette.swatches.reject(&:compound).map { |swatch| [swatch, *@index.nearest(swatch.colour)] }
        taken = pairs.select { |_, _, difference| difference <= within }.group_by { |_, entry, _| entry.object_id }
        {within:, matched: taken.sum { |_, some| some.size }, pairs: pairs.map { |pair| row(*pair, within, taken) }}
      end

      private

      def row(swatch, entry, difference, within, taken)
        others = taken.fetch(entry.object_id, []).map { |other, _, _| other.name } - [swatch.name] if difference <= within
        {name: swatch.name, hex: swatch.colour.hex, entry: described(entry, difference), is: Difference::Words.of(difference), within: difference <= within, also_of: others.to_a}
      end

      def described(entry, difference) = {name: entry.of.name, code: entry.of.code, library: entry.library, hex: entry.colour.hex, de2000: difference.round(4)}
    end
  end
end
