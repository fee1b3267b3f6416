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
        slots = palette.grid(chips)
        @columns, @rows = Magpie::Palette::Grid.size(slots, palette.columns, palette.rows)
        @taken, @by_id = slots.invert, chips.index_by(&:id)
      end

      def small? = @page.small?

      # @return [Array<Cell>] row by row; those that are empty only where they are few
      def cells
        all = (0...rows).flat_map { |down| (0...columns).map { |across| Cell.new(across, down, @by_id[@taken[[across, down]]]) } }
        (all.size > MOST) ? all.select(&:swatch) : all
      end
    end
  end
end
