module Magpie
  module Formats
    # PNG as a carrier of palettes: PLTE with its opacities (tRNS), and sPLT, suggested
    # palettes of 8 or 16 bits, of which a file may have several, each with a name. PNG
    # specification, third edition, 11.2.2, 11.3.1.1 and 11.3.4.4. Written is a picture of
    # the palette with an sPLT for each group.
    class Png < Format
      declare key: "png", title: "PNG with its palette", in_words: "a PNG with a palette", endings: [".png"], media_type: "image/png", rank: 80, brief: "names of swatches stay",
        carries: %i[groups empty_groups opacity],
        options: [Option.new("depth", "Bits of each channel", {"16" => "16", "8" => "8"}, "16"), Option.new("height", "Height of the picture", 8..400, 64)]

      SIGNATURE = "\x89PNG\r\n\x1A\n".b

      %w[Chunks Reader Writer].each { |name| autoload name.to_sym, "magpie/formats/png/#{name.downcase}" }

      class << self
        # @param source [Source]
        def fits(source)
          return 0 unless source.bytes.start_with?(SIGNATURE)
          (Chunks.new(source.bytes).any? { |type, _| %w[PLTE sPLT].include?(type) }) ? 80 : 0
        end

        # @return [Result]
        def read(source) = Reader.new(source).result

        def write(palette, options = {}) = Writer.new(palette, options).bytes

        def colour(colour, options)
          most = (options["depth"] == "8") ? 255 : 65535
          quantised = Gamut.to_srgb(colour).components.map { |value| (value * most).round / most.to_f }
          Color.new(:srgb, quantised, (colour.alpha * most).round / most.to_f)
        end

        # A keyword: Latin-1, 1 to 79 characters, printable, without blanks at its ends or
        # two beside each other.
        def name(name, _options)
          kept = Text.name(name.gsub(/[^\u{20}-\u{7E}\u{A1}-\u{FF}]/, "_"), longest: 79).strip
          kept.empty? ? "Palette" : kept
        end
      end
    end
  end
end
