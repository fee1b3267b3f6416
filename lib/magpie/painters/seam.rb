require "vips"

module Magpie
  module Painters
    # Where one repeat of a pattern meets the next: does it show?
    class Seam
      SIDE = 192 # px of the longer side of the tile that is looked at
      # How much more than within the tile pixels may differ across the seam, and are not seen to.
      MORE, BESIDES = 1.6, 1.0

      # @!attribute across [Boolean] where left meets right; where top meets bottom otherwise
      # @!attribute difference [Float] mean CIEDE2000 of the pixels that meet
      # @!attribute usual [Float] the same of neighbours within the tile, in all but the sharpest
      #   twentieth of it
      Edge = Struct.new(:across, :difference, :usual) do
        def seen? = difference > usual * MORE + BESIDES
      end

      # @param tile [Palette::Tile] in its own colours
      # @return [String] SVG of one repeat
      def self.svg(tile, width, height)
        shown = tile.layers { |name, number, share| %( #{name}="#{tile.colours[number].hex}" #{name.delete_suffix("-color")}-opacity="#{share}") }
        %(<svg xmlns="http://www.w3.org/2000/svg" width="#{width}" height="#{height}" viewBox="0 0 #{tile.width} #{tile.height}" preserveAspectRatio="none">#{shown.join}</svg>)
      end

      # @param tile [Palette::Tile] that was brought in
      def initialize(tile) = @tile = tile

      # @return [Array<Edge>] left to right, and top to bottom
      def edges = [edge(true, image), edge(false, image.rot90)]

      private

      # On white.
      # @return [Vips::Image] in CIELAB
      def image
        @image ||= begin
          sides = [@tile.width, @tile.height]
          size = sides.map { |side| [(side / sides.max * SIDE).round, 2].max }
          Vips::Image.svgload_buffer(Seam.svg(@tile, *size)).flatten(background: 255).colourspace(:lab)
        end
      end

      def edge(across, image)
        column = ->(at) { image.crop(at, 0, 1, image.height) }
        within = image.crop(0, 0, image.width - 1, image.height).dE00(image.crop(1, 0, image.width - 1, image.height)).project[0]
        usual = within.to_a.flatten.sort.then { |sums| sums[(sums.size * 0.95).floor] } / image.height
        Edge.new(across, column.call(image.width - 1).dE00(column.call(0)).avg, usual)
      end
    end
  end
end
