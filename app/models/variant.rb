# A board in one of its colours: its ground, lighter or darker by some steps, and its trims are
# places, which hold a colour or follow a swatch.
class Variant < Record
  GROUND = "ground"
  STEPS = (-8..8)
  TRIMS = 8 # at most
  # Of lightness in OKLCH.
  STEP = 0.03

  belongs_to :board
  belongs_to :entry, optional: true # noted for its ground
  has_many :places

  # @param colour [Magpie::Color]
  # @param steps [Integer]
  # @return [Magpie::Color]
  def self.lightened(colour, steps)
    return colour if steps.zero?
    lightness, chroma, hue = colour.in(:oklch)
    Magpie::Gamut.to_srgb(Magpie::Gamut.reduced((lightness + steps * STEP).clamp(0.0, 1.0), chroma, hue, colour.alpha))
  end
end
