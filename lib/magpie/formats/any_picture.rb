module Magpie
  module Formats
    # Any picture: all its colours where there are few, its main colours where there are
    # many. Written is a strip of the palette.
    class AnyPicture < Format
      FEW = 64 # colours that a picture may have to be taken for a palette

      declare key: "picture", title: "Colour strip", in_words: "a picture", endings: [".strip.png"], media_type: "image/png", rank: 85, brief: "to look at", carries: [], largest: Picture::File::LARGEST_BYTES,
        options: [Option.new("height", "Height of a chip", 8..400, 120), Option.new("width", "Width of a chip", 8..400, 120)]

      class << self
        # @param source [Source]
        def fits(source)
          format = Picture::File.format(source.bytes)
          (format && format.loader != :svg) ? 70 : 0
        end

        # @return [Result]
        def read(source)
          builder = Builder.new(source)
          picture = Painters.picture(source.bytes, name: source.name)
          few = few(picture)
          few ? all(builder, few) : main(builder, picture)
          format = Picture::File.format(source.bytes).name
          builder.result(words: "#{(format == "AVIF") ? "An" : "A"} #{format} picture of #{picture.width} × #{picture.height} px: #{few ? "all its colours" : "its main colours"}")
        end

        # @return [String]
        def write(palette, options = {})
          width, height = options.fetch("width", 120), options.fetch("height", 120)
          rows = palette.groups.map(&:swatches)
          Strip.of(rows.flat_map { |row| row.each_slice(Strip::ACROSS).to_a }, width, height)
        end

        # A strip has no numbers to read back: what is in it is what is seen.
        def carried(palette, options)
          super.tap { |carried| carried.groups.each { |group| group.swatches.each { |swatch| swatch.colour = Notation.hex(swatch.colour.hex) } } }
        end

        private

        # {colour of 8 bits => pixels}, where there are no more than FEW.
        def few(picture) = picture.few_colours(FEW)

        def all(builder, counts)
          counts.sort_by { |(_, times)| -times }.each { |(red, green, blue, alpha), times| builder.add(builder.source.stem, name: "", colour: Color.srgb8(red, green, blue, alpha / 255.0), note: Text.count(times, "pixel")) }
        end

        def main(builder, picture)
          Picture::MainColours.new(Picture::Cells.new(picture)).to_a.each do |found|
            builder.add(builder.source.stem, name: ColorName.suggest(found.colour), colour: found.colour, note: "#{Notation::Forms.short(found.share * 100, 1)} % of the picture")
          end
        end
      end
    end
  end
end
