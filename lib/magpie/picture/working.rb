module Magpie
  class Picture
    # A picture in three bands of 8 bits, for work on all of its pixels: sRGB as it
    # is, anything with a profile of its own as Lab (L × 2.55, a + 128, b + 128).
    # Readings go back to the original pixels; only the choice of pixels is made here.
    class Working
      CUBES = {} # of each kind, computed when first asked for

      attr_reader :image

      # @return [Vips::Image, nil] 255 where a pixel has a colour; nil when all have
      attr_reader :visible

      # @param image [Vips::Image] as File gives it
      def initialize(image)
        colours, opacity = Pixels.split(image)
        @lab = colours.interpretation == :lab
        @image = @lab ? colours.linear([2.55, 1, 1], [0.5, 128.5, 128.5]).cast(:uchar) : eight_bits(colours)
        @visible = opacity && (opacity > 0)
      end

      # @param columns [Array<Numo::DFloat>] three, in the units of the image's bands
      # @return [Array<Numo::DFloat>] linear light, see Bulk
      def linear(columns)
        return Bulk.lab_to_linear([columns[0] / 2.55, columns[1] - 128, columns[2] - 128]) if @lab
        Bulk.srgb_to_linear(columns.map { |c| c / 255.0 })
      end

      # The same as CIE Lab.
      def lab(columns) = Bulk.linear_to_lab(linear(columns))

      # The middles of the coarse lattice's cells as CIE Lab: the same for all pictures
      # of a kind.
      def cube = CUBES[@lab] ||= lab(Lattice.coarse.middles)

      # @return [Array<Float>] the three bands of a pixel
      def at(x, y) = @image.getpoint(x, y)

      private

      def eight_bits(colours)
        colours = colours.colourspace(:srgb) if colours.interpretation == :scrgb
        colours = (colours / 257.0).rint.cast(:uchar) if colours.format == :ushort
        (colours.bands < 3) ? colours.bandjoin([colours.extract_band(0)] * 2).extract_band(0, n: 3) : colours.extract_band(0, n: 3)
      end
    end
  end
end
