# Palettes at random: every kind of colour, awkward names, whatever a palette can have.
class RandomPalettes
  LETTERS = ["Dusk", "sky", ".", "{", "}", "$", "é", "夜", " ", "\"", "/", "~", "&", "<", ">", "🜚", ",", ";", "*/", "“", "”", ":", "'", "=", "-", "#", "--", "\\", "%", "x" * 60, "\n", "\u200F"].freeze

  def initialize(random) = @random = random

  # @param swatches [Integer, nil] how many in all; a few where nothing is said
  # @return [Magpie::Palette]
  def palette(swatches: nil)
    count = swatches || @random.rand(0..14)
    groups = Array.new(@random.rand(1..5)) { Magpie::Palette::Group.new(name: name, note: note, swatches: []) }
    groups << Magpie::Palette::Group.new(name: groups[0].name, note: nil, swatches: []) if maybe(0.2)
    names = Array.new([count, 3].max) { name }
    count.times { groups.sample(random: @random).swatches << swatch(names.sample(random: @random)) }
    refer(Magpie::Palette.new(name:, note:, condition: [nil, "on coated paper"].sample(random: @random), licence: [nil, "free for all"].sample(random: @random), groups:))
  end

  private

  def maybe(share) = @random.rand < share

  def name
    made = Magpie::Text.name("#{"N" if maybe(0.7)}#{Array.new(@random.rand(1..5)) { LETTERS.sample(random: @random) }.join}")
    made.empty? ? "Moor" : made
  end

  def note = maybe(0.3) ? Magpie::Text.name("for the #{name}") : nil

  def swatch(name)
    held = {name:, note:, shared: maybe(0.3), code: (maybe(0.3) ? "Q-#{@random.rand(999)}" : nil), kind: (maybe(0.2) ? "spot" : nil), definition: (maybe(0.1) ? "hsb 1 2 3" : nil),
            library: (maybe(0.2) ? "Tarn & Fell" : nil), page: (maybe(0.1) ? "3" : nil), position: (maybe(0.1) ? "B4" : nil), inks: (maybe(0.2) ? Array.new(4) { @random.rand(0..100.0) } : nil), spectrum: (maybe(0.1) ? spectrum : nil)}
    compound = compound() if maybe(0.15)
    Magpie::Palette::Swatch.new(**held, compound:, colour: compound ? compound.colour : colour)
  end

  def colour
    model = (Magpie::Color::MODELS.keys - [:cmyk]).sample(random: @random)
    alpha = maybe(0.7) ? 1.0 : @random.rand
    return Magpie::Color.srgb8(*Array.new(3) { @random.rand(256) }, alpha) if maybe(0.4)
    return Magpie::Color.new(:cmyk, Array.new(4) { @random.rand(0..100) }, alpha) if maybe(0.1)
    scales = Magpie::Color.model(model).channels.map(&:range)
    Magpie::Color.new(model, scales.map { |range| range.begin + (range.end - range.begin) * (maybe(0.1) ? @random.rand(-0.1..1.2) : @random.rand) }.then { |values| numbers(model, values) }, alpha)
  end

  # No chroma is below nothing.
  def numbers(model, values) = %i[lch oklch].include?(model) ? [values[0], values[1].abs, values[2]] : values

  def compound
    form = Magpie::Palette::Compound::FORMS.keys.sample(random: @random)
    made = Magpie::Palette::Compound.new(form:, angle: @random.rand(-360..360).to_f, size: @random.rand(1..100).to_f, inks: [])
    count = @random.rand(made.counts.begin..[made.counts.end, 5].min)
    made = made.with(inks: Array.new(count) { |index| ink(index / (count - 1.0)) })
    return made unless made.gradient?
    inks = made.inks.map { |ink| ink.with(offset: maybe(0.2) ? ink.offset : @random.rand.round(3), opacity: maybe(0.7) ? 1.0 : [0.0, 0.25].sample(random: @random), middle: maybe(0.7) ? 0.5 : @random.rand(0.02..0.98).round(3)) }
    made.with(inks:, mixing: Magpie::Palette::Compound::MIXINGS.keys.sample(random: @random), extent: Magpie::Palette::Compound::EXTENTS.keys.sample(random: @random))
  end

  def ink(offset) = Magpie::Palette::Compound::Ink.new(colour: colour, offset:)

  def spectrum = Magpie::Spectrum.new(400, 10, Array.new(31) { @random.rand.round(4) })

  # Tints and inks that follow plain swatches.
  def refer(palette)
    plain = palette.addressed.reject { |_, swatch| swatch.compound }.map(&:first)
    return palette if plain.empty?
    palette.addressed.each do |address, swatch|
      other = plain.sample(random: @random)
      if swatch.compound && maybe(0.5)
        swatch.compound = swatch.compound.with_ink(0, palette.at(other).colour)
        swatch.compound = swatch.compound.referring([other])
        swatch.colour = swatch.compound.colour
      elsif swatch.compound.nil? && maybe(0.1) && other != address
        swatch.tint = Magpie::Palette::Tint.new(@random.rand(1..99), other)
      end
    end
    palette
  end
end

# What one palette has and another has not, feature by feature, as somebody would look who
# knows nothing of how formats tell it.
module PaletteDifferences
  module_function

  # @param ours, theirs [Array<Magpie::Palette::Swatch>] as many
  # @return [Array<[Symbol, Object, Object]>]
  def of(ours, theirs) = ours.zip(theirs).flat_map { |one, two| one.members.filter_map { |member| [member, one[member], two[member]] unless same?(member, one[member], two[member]) } }

  def same?(member, one, two)
    case one
    when Magpie::Color then near?([*one.in(:xyz_d65), one.alpha], [*two.in(:xyz_d65), two.alpha], 1e-4)
    when Magpie::Spectrum then !two.nil? && near?(one.values, two.values, 1e-4) && [one.start, one.step] == [two.start, two.step]
    when Magpie::Palette::Compound then !two.nil? && compound?(one, two)
    when Array then !two.nil? && near?(one, two, 0.01)
    else (one || nil) == (two || nil)
    end
  end

  def compound?(one, two)
    turn = (one.angle - two.angle).abs % 360
    said = %i[form mixing extent]
    one.to_h.values_at(*said.map(&:to_s)) == two.to_h.values_at(*said.map(&:to_s)) && near?(one.inks.map(&:middle), two.inks.map(&:middle), 1e-4) && near?(one.inks.map(&:opacity), two.inks.map(&:opacity), 1e-4) && [turn, 360 - turn].min < 0.02 && one.inks.map(&:reference) == two.inks.map(&:reference) && near?(one.inks.map(&:offset), two.inks.map(&:offset), 1e-4) &&
      one.inks.zip(two.inks).all? { |ink, other| same?(:colour, ink.colour, other.colour) }
  end

  def near?(one, two, limit) = one.size == two.size && one.zip(two).all? { |a, b| (a - b).abs < limit }
end
