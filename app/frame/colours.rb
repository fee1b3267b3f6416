module Frame
  # Colours as the interface shows them.
  module Colours
    NOTATIONS = {hex: "Hex", rgb: "RGB", hsb: "HSB", hsl: "HSL", lab: "Lab", cmyk: "CMYK", oklch: "OKLCH"}.freeze

    # [[model, label, as shown, as copied]]
    def notations(colour)
      NOTATIONS.map { |model, label| [model, label, Magpie::Notation.numbers(colour, model), Magpie::Notation.write(colour, model)] }
    end

    # What is derived from a colour again and again, by its hex, for this process.
    class Derived
      MOST = 50_000

      def initialize(&derive) = (@derive, @known = derive, {})

      # @param swatch [#hex, #colour] whose colour is looked at only when its hex is new
      def of(swatch, hex = swatch.hex)
        @known[hex] || begin
          @known = {} if @known.size >= MOST # a new hash, since others may be reading the old one
          @known[hex] = @derive.call(swatch.colour)
        end
      end
    end
    LIGHTNESSES = Derived.new { |colour| colour.in(:oklab)[0] }

    # A colour as a field holds it: hex where that says all of it.
    def written(colour) = Magpie::Notation.write(colour, colour.in_srgb? ? :hex : :oklch)

    # Black or white, whichever shows on a colour.
    def ink(colour) = (Magpie::Contrast.ink_on(colour) == :black) ? "on-light" : "on-dark"

    # Bare numbers are read in the chosen model.
    def notation
      text = param.text(:notation)
      model = param.text(:model)
      return Magpie::Notation.parse("#{model} #{text}") if Sheet::MODELS.key?(model.to_sym) && text.match?(/\A\s*[-+.\d]/) && text.split(/[\s,]+/).size > 2
      Magpie::Notation.parse(text)
    end
  end
end
