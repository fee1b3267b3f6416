# What a press condition of the house makes of colours. A profile that came from outside is
# read behind the walls; what was asked once is known from then on, in this process.
class OnPress
  MOST = 20_000
  KNOWN = {}
  LOCK = Mutex.new
  private_constant :KNOWN, :LOCK

  # @return [Condition]
  attr_reader :condition

  # @param condition [Condition]
  def initialize(condition) = @condition = condition

  # @param colours [Array<Magpie::Color>]
  # @return [Array<Magpie::Press::Proof>]
  def proofs(colours)
    keys = colours.map { |colour| [press.key, colour.model, colour.components] }
    known = LOCK.synchronize { KNOWN.values_at(*keys) }
    asked = colours.zip(known).filter_map { |colour, proof| colour unless proof }.uniq
    made = asked.zip(asked.any? ? fresh(asked) : []).to_h
    found = colours.zip(known).map { |colour, proof| proof || made[colour] }
    remember(keys.zip(found))
    found
  end

  # @return [Magpie::Press::Proof]
  def proof(colour) = proofs([colour]).first

  # The nearest that prints.
  # @return [Array(Magpie::Press::Proof, Float)] of its inks, and ΔE00 to the colour
  def closest(colour)
    inks, difference = condition.shipped ? Magpie::Press::Closest.new(press, colour.in(:lab)).then { |closest| [closest.inks, closest.de2000] } : Magpie::Walls.closest(press, colour.in(:lab))
    [proof(Magpie::Color.new(:cmyk, inks)), difference]
  end

  # Colours that it makes another colour of.
  # @param limit [Float] ΔE00
  # @return [Array<[Integer, Magpie::Color, Float]>] see Magpie::Palette::Unprintable
  def outside(colours, limit) = condition.shipped ? Magpie::Palette::Unprintable.of(colours, limit:, condition: press) : Magpie::Walls.unprintable(press, colours, limit)

  private

  def press = @press ||= condition.press

  def fresh(colours) = condition.shipped ? colours.map { |colour| press.proof(colour) } : Magpie::Walls.proofs(press, colours)

  def remember(pairs)
    LOCK.synchronize do
      KNOWN.clear if KNOWN.size > MOST
      KNOWN.merge!(pairs.to_h)
    end
  end
end
