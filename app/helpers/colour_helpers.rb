# Colours as the interface shows them.
module ColourHelpers
  NOTATIONS = {hex: "Hex", rgb: "RGB", hsb: "HSB", hsl: "HSL", lab: "Lab", oklch: "OKLCH"}.freeze

  # [[label, as shown, as copied]]
  def notations(colour)
    NOTATIONS.map { |model, label| [label, Magpie::Notation.numbers(colour, model), Magpie::Notation.write(colour, model)] }
  end

  # Black or white, whichever shows on a colour.
  def ink(colour) = (Magpie::Contrast.ink_on(colour) == :black) ? "on-light" : "on-dark"

  # CSS values of all shared and loose swatches; places and chips follow these.
  def swatch_values
    palettes.flat_map(&:groups).flat_map(&:swatches).map { |swatch| "#{swatch.variable}:#{swatch.hex}" }.join(";")
  end
end
