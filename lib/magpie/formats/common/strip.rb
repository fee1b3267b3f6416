module Magpie
  module Formats
    # A picture of swatches: chips that touch each other, in rows.
    module Strip
      ACROSS = 40 # chips of a row
      NOTHING = "\0\0\0\0".b
      MOST = 8_000_000 # pixels

      module_function

      # @param rows [Array<Array<Palette::Swatch>>] those that are shorter leave nothing behind them
      # @param width, height [Integer] pixels of a chip
      # @return [String] PNG, 8 bits, sRGB
      def of(rows, width, height)
        require "vips"
        rows = rows.reject(&:empty?)
        rows = [[nil]] if rows.empty?
        across = rows.map(&:size).max
        scale = [1.0, Math.sqrt(MOST / (across * width * rows.size * height).to_f)].min
        shown = Screen.bytes(rows.flatten.compact.map(&:colour)).each
        pixels = rows.map { |row| Array.new(across) { |index| row[index] ? shown.next.pack("C4") : NOTHING }.join }.join
        Picture::Vips.call("the palette") do
          small = ::Vips::Image.new_from_memory_copy(pixels, across, rows.size, 4, :uchar).copy(interpretation: :srgb)
          small.zoom([(width * scale).floor, 1].max, [(height * scale).floor, 1].max).pngsave_buffer(compression: 6, strip: true)
        end
      end
    end
  end
end
