module Magpie
  module Formats
    # SVG 2 both ways. Written is a sheet of swatches: a group for each group, a rectangle
    # with a title for each swatch. Read are such sheets, and any drawing: its colours,
    # gradients and patterns with counts.
    class Svg < Format
      declare key: "svg", title: "SVG sheet", in_words: "SVG", endings: [".svg"], media_type: "image/svg+xml", rank: 30, brief: "no codes",
        carries: %i[palette_name palette_note names notes groups group_notes empty_groups equal_groups opacity gradients patterns stop_opacity]

      NAMESPACE = "http://www.w3.org/2000/svg"
      ROOT = /<(?:[\w-]+:)?svg[\s>]/

      %w[Sheet Drawing Inks Writer].each { |name| autoload name.to_sym, "magpie/formats/svg/#{name.downcase}" }

      class << self
        # @param source [Source]
        def fits(source)
          return 60 if Artwork::Compressed.is?(source.bytes)
          return 0 unless source.head.lstrip.start_with?("<")
          source.head.match?(ROOT) ? 90 : 0
        end

        # @return [Result]
        def read(source) = Sheet.read(source) || Drawing.new(source).result

        def write(palette, _options = {}) = Writer.new(palette).text

        def colour(colour, _options) = Notation::Exact.read(Notation::Exact.css(colour))

        def text(text, _options = {}) = Text.xml(text)

        def name(name, options) = text(name, options)
      end
    end
  end
end
