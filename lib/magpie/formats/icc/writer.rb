module Magpie
  module Formats
    class Icc < Format
      # Writes one profile, version 4.3. The same palette gives the same bytes.
      class Writer
        VERSION = 0x04300000
        MADE = [2026, 1, 1, 0, 0, 0].freeze # a date is asked for; nobody goes by it
        D50 = [0.9642, 1.0, 0.8249].freeze
        NO_LICENCE = "No copyright, use freely"

        # @param palette [Palette]
        def initialize(palette)
          @palette = palette
          @device = Icc.device?(palette)
        end

        # @return [String]
        def bytes
          tags = {"desc" => localised(@palette.name.to_s), "cprt" => localised(@palette.licence || NO_LICENCE), "wtpt" => "XYZ \0\0\0\0".b + numbers(D50), "ncl2" => colours}
          at = 128 + 4 + 12 * tags.size
          table = tags.map { |signature, data| [signature, at, data.bytesize].pack("a4NN").tap { at += padded(data).bytesize } }
          header(at) + [tags.size].pack("N") + table.join + tags.values.map { |data| padded(data) }.join
        end

        private

        def header(size)
          [size, "\0" * 4, VERSION, CLASS, @device ? "CMYK" : "RGB ", "Lab ", *MADE, "acsp", "\0" * 4, 0, "\0" * 8, 0, 0, 0].pack("Na4Na4a4a4n6a4a4Na8NNN") + numbers(D50) + "\0".b * 48
        end

        def numbers(values) = values.map { |value| (value * 65_536).round }.pack("N*")

        def padded(data) = data + "\0".b * (-data.bytesize % 4)

        def localised(text)
          words = text.encode(::Encoding::UTF_16BE).b
          ["mluc", 0, 1, 12, "en", "GB", words.bytesize, 28].pack("a4NNNa2a2NN") + words
        end

        def colours
          names = Icc.names(@palette)
          entries = @palette.swatches.zip(names).map { |swatch, name| [name, *Encoding.of_lab(Rounded.lab(swatch.colour)), *(swatch.inks.map { |ink| Encoding.of_ink(ink) } if @device)].pack("a32n*") }
          ["ncl2", 0, 0, entries.size, @device ? 4 : 0, "", ""].pack("a4NNNNa32a32") + entries.join
        end
      end
    end
  end
end
