RSpec.describe Magpie::Palette::Course do
  compound = Magpie::Palette::Compound
  pairs = [%w[#231F55 #E46F58], %w[#0000FF #FFFF00], %w[#FF0000 #00FF00], %w[#FFFFFF #000000], %w[#E46F58 #2F8FA380], %w[#FFCE5C10 #231F55]].freeze

  def ink(text, offset, **given) = Magpie::Palette::Compound::Ink.new(colour: Magpie::Notation.parse(text), offset:, **given)

  def gradient(*inks, **given) = Magpie::Palette::Compound.new(form: "linear", angle: 0.0, size: 24.0, inks:, **given).checked

  # What SVG shows at a place, from stops that it mixes straight.
  def seen(steps, place)
    one, two = steps.each_cons(2).find { |from, to| place.between?(from.offset, to.offset) && from.offset < to.offset }
    described_class.straight(one.colour, two.colour, (place - one.offset) / (two.offset - one.offset))
  end

  # As CSS Images 4 and CSS Color 4 say it, one component after the other.
  def wanted(one, two, mixing, middle, place)
    share = place**(Math.log(0.5) / Math.log(middle))
    return described_class.straight(one, two, share) if mixing == "srgb"
    model = {"oklab" => :oklab, "linear" => :srgb_linear}.fetch(mixing)
    alpha = one.alpha * (1 - share) + two.alpha * share
    parts = one.in(model).zip(two.in(model)).map { |a, b| (a * one.alpha * (1 - share) + b * two.alpha * share) / alpha }
    Magpie::Gamut.clip(Magpie::Color.new(model, parts, alpha))
  end

  it "has stops enough that SVG shows less than ΔE00 1 beside what is meant, all along the way" do
    worst = pairs.product(compound::MIXINGS.keys, [0.05, 0.5, 0.8]).map do |texts, mixing, middle|
      one, two = texts.map { |text| Magpie::Notation.parse(text) }
      steps = described_class.of(gradient(ink(texts[0], 0.0, middle:), ink(texts[1], 1.0), mixing:))
      (1..400).map do |number|
        meant, shown = wanted(one, two, mixing, middle, number / 401.0), seen(steps, number / 401.0)
        expect((meant.alpha - shown.alpha).abs).to be < 0.01
        Magpie::Difference.de2000(meant.with(alpha: 1), shown.with(alpha: 1)) * meant.alpha
      end.max
    end
    expect(worst.max).to be < 1
  end

  it "needs none in between where SVG mixes by itself" do
    expect(described_class.of(gradient(ink("#231F55", 0.0), ink("#E46F58", 1.0))).map(&:offset)).to eq [0.0, 1.0]
    expect(described_class.of(gradient(ink("#231F55", 0.0), ink("#231F55", 1.0), mixing: "oklab")).size).to eq 2
  end

  it "has half of each at the middle, wherever that lies" do
    half = described_class.of(gradient(ink("#000000", 0.0, middle: 0.25), ink("#FFFFFF", 1.0))).min_by { |step| (step.offset - 0.25).abs }
    expect([half.offset, half.share, half.colour.hex]).to eq [0.25, 0.5, "#808080"]
  end

  it "gives what is clear the colour of what stands beside it, on either side" do
    steps = described_class.of(gradient(ink("#E46F58", 0.0), ink("#000000", 0.5, opacity: 0.0), ink("#2F8FA3", 1.0), mixing: "oklab"))
    expect(steps.select { |step| step.at == 1 }.map { |step| step.colour.hex }).to eq %w[#E46F5800 #2F8FA300]
    expect(steps.map { |step| step.colour.with(alpha: 1).hex }.uniq).to eq %w[#E46F58 #2F8FA3]
  end

  it "keeps stops at one place apart, in their order" do
    steps = described_class.of(gradient(ink("#231F55", 0.0), ink("#E46F58", 0.5), ink("#FFCE5C", 0.5), ink("#231F55", 1.0)))
    expect(steps.map { |step| [step.offset, step.colour.hex] }).to eq [[0.0, "#231F55"], [0.5, "#E46F58"], [0.5, "#FFCE5C"], [1.0, "#231F55"]]
  end

  describe compound do
    it "is kept as before where it says nothing new, and with all that it says otherwise" do
      old = {"form" => "linear", "angle" => 57.0, "size" => 24.0, "inks" => %w[#231F55 #E46F58].map.with_index { |hex, at| {"colour" => Magpie::Notation.parse(hex).to_h, "offset" => at.to_f} }}
      expect(described_class.from_h(old).to_h).to eq old
      said = gradient(ink("#231F55", 0.0, opacity: 0.5, middle: 0.3), ink("#E46F58", 1.0), mixing: "oklab", extent: "mirror")
      expect(described_class.from_h(JSON.parse(JSON.generate(said.to_h)))).to eq said
    end

    it "refuses what it cannot be, by name" do
      {{mixing: "mud"} => /"mud" is no way of mixing/, {extent: "on"} => /"on" is nothing beyond/, {form: "blob"} => /"blob" is no form/}.each do |wrong, words|
        expect { gradient(ink("#231F55", 0.0), ink("#E46F58", 1.0)).with(**wrong).checked }.to raise_error Magpie::Error, words
      end
      expect { gradient(ink("#231F55", 0.0, middle: 0.0), ink("#E46F58", 1.0)) }.to raise_error Magpie::Error, /a middle at 0.0/
      expect { gradient(ink("#231F55", 0.0, opacity: 2.0), ink("#E46F58", 1.0)) }.to raise_error Magpie::Error, /2.0 opaque/
    end
  end
end
