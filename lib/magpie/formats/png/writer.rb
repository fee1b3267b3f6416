module Magpie
  module Formats
    class Png < Format
      # A picture of the palette, its groups one above the other, with an sPLT for each.
      class Writer
        MOST = 65_535 # a frequency; the same for all, since none is used more than another
        WIDE = 24 # pixels of a chip

        # @param palette [Palette]
        # @param options [Hash] depth and height
        def initialize(palette, options)
          @groups = palette.groups
          @depth, @height = options.fetch("depth", "16").to_i, options.fetch("height", 64)
        end

        # @return [String]
        def bytes
          ours = %w[sRGB gAMA cHRM iCCP] # what a file has one of
          header, *rest = Chunks.new(picture).map { |type, data| [type, data] }
          chunks = [header, ["sRGB", "\x01"], *suggested, *rest.reject { |chunk| ours.include?(chunk.first) }]
          SIGNATURE + chunks.map { |type, data| Chunks.write(type, data) }.join
        end

        private

        # A PNG has no two palettes of the same name.
        def suggested
          @groups.group_by { |group| Png.name(group.name, {}) }.map do |name, groups|
            ["sPLT", "#{name.encode(Encoding::ISO_8859_1)}\0".b + @depth.chr.b + entries(groups.flat_map(&:swatches).map(&:colour))]
          end
        end

        def entries(colours)
          most, form = 2**@depth - 1, (@depth == 8) ? "CCCCn" : "n5"
          Screen.srgb(colours).zip(colours).map { |row, colour| [*row.map { |value| (value * most).round }, (colour.alpha * most).round, MOST].pack(form) }.join
        end

        def picture = Strip.of(@groups.flat_map { |group| group.swatches.each_slice(Strip::ACROSS).to_a }, WIDE, @height)
      end
    end
  end
end
