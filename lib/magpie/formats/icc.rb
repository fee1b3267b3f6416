module Magpie
  module Formats
    # ICC profiles of named colours: class nmcl with the tag ncl2, the standard for colour
    # libraries. ISO 15076-1 (ICC.1:2010), 8.7 and 10.14 (namedColor2Type): names in three
    # pieces, a PCS colour in Lab or XYZ, device values. Read are versions 2 and 4; written
    # is 4.
    class Icc < Format
      declare key: "icc", title: "Named colour profile", endings: [".icc", ".icm"], media_type: "application/vnd.iccprofile", rank: 40, brief: "no gradients, no groups",
        carries: %i[palette_name names inks licence]

      CLASS = "nmcl"
      LONGEST = 31 # bytes of a name, and a zero

      %w[Encoding Reader Writer].each { |name| autoload name.to_sym, "magpie/formats/icc/#{name.downcase}" }

      class << self
        # @param source [Source]
        def fits(source) = (source.bytes.bytesize > 132 && source.bytes.byteslice(36, 4) == "acsp" && source.bytes.byteslice(12, 4) == CLASS) ? 100 : 0

        # @return [Result]
        def read(source) = Reader.new(source).result

        def write(palette, _options = {}) = Writer.new(palette).bytes

        def colour(colour, _options) = Color.new(:lab, Encoding.lab(Encoding.of_lab(Rounded.lab(colour))), 1.0)

        # Device values go out where every swatch has them.
        def carried(palette, options)
          device = device?(palette)
          names = names(palette)
          super.tap do |carried|
            carried.swatches.zip(names) do |swatch, name|
              swatch.name = name
              swatch.inks = nil unless device
            end
          end
        end

        def inks(swatch, _chosen) = swatch.inks&.map { |ink| Encoding.ink(Encoding.of_ink(ink)) }

        def device?(palette) = palette.swatches.any? && palette.swatches.all?(&:inks)

        # Seven-bit ASCII, not too long, no two alike.
        # @return [Array<String>]
        def names(palette)
          taken = {}
          palette.swatches.map do |swatch|
            base = ascii(swatch.name)
            name, number = base, 1
            while taken[name]
              number += 1
              number = [number, taken[base].to_i + 1].max
              name = "#{base[0, LONGEST - number.to_s.size - 1]} #{number}"
            end
            taken[base] = number
            taken[name] ||= 1
            name
          end
        end

        def ascii(name)
          plain = name.unicode_normalize(:nfkd).gsub(/\p{Mn}/, "").gsub(/[“”„]/, '"').gsub(/[’‘]/, "'").gsub(/[–—]/, "-").gsub(/[^\x20-\x7E]/, "?")
          Text.name(plain, longest: LONGEST).strip.then { |made| made.delete("?").strip.empty? ? "Colour" : made }
        end
      end
    end
  end
end
