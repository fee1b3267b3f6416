module Places
  module Palettes
    # A palette on its grid, where chips lie anywhere.
    class Grid
      # Empty cells can be dropped on while there are no more cells than that.
      MOST = 1500

      # @!attribute swatch [Chip, nil]
      Cell = Struct.new(:across, :down, :swatch)

      attr_reader :columns, :rows

      # @param palette [Palette]
      # @param chips [Array<Chip>]
      # @param page [Page]
      def initialize(palette, chips, page)
        @page = page
        @slots, @chips = palette.grid(chips), chips
        @columns, @rows = Magpie::Palette::Grid.size(@slots, palette.columns, palette.rows)
      end

      def small? = @page.small?

      # @return [Array<Cell>] row by row; those that are empty only where they are few
      def cells
        taken = @chips.map { |chip| Cell.new(*@slots.fetch(chip.id), chip) }
        return taken.sort_by { |cell| cell.down * columns + cell.across } if columns * rows > MOST
        by_place = taken.index_by { |cell| [cell.across, cell.down] }
        (0...rows).flat_map { |down| (0...columns).map { |across| by_place[[across, down]] || Cell.new(across, down) } }
      end
    end
  end
end
