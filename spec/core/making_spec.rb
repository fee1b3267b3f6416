RSpec.describe Magpie::Making do
  def colour(text) = Magpie::Notation.parse(text)

  def difference(one, two) = Magpie::Difference.de2000(one, two)

  def hue(colour) = colour.in(:oklch)[2]

  def turn(one, two) = ((hue(two) - hue(one) + 180) % 360) - 180

  let(:ember) { colour("#E2705A") }
  let(:zenith) { colour("#231F55") }
  let(:some) { Random.new(3).then { |random| Array.new(40) { Magpie::Color.new(:srgb, Array.new(3) { random.rand(0.05..0.95) }) } } }

  describe "what is not opaque" do
    it "colours less when it is mixed or blended: red with nothing stays red, in every way" do
      red, nothing = colour("#E46F58"), colour("transparent")
      Magpie::Making::Mix::WAYS.each_key do |way|
        half = Magpie::Making::Mix.of(red, nothing, 0.5, way:)
        expect([half.with(alpha: 1).hex, half.alpha]).to eq(["#E46F58", 0.5]), way.to_s
      end
      blended = Magpie::Making::Blend.of([red, nothing])
      expect([blended.with(alpha: 1).hex, blended.alpha]).to eq ["#E46F58", 0.5]
      expect(Magpie::Making::Blend.of([nothing, nothing]).alpha).to eq 0
    end

    it "is mixed as CSS mixes it" do # color-mix(in srgb, rgb(255 0 0 / 0.2) 50%, rgb(0 0 255 / 0.8))
      mixed = Magpie::Making::Mix.of(colour("rgb(255 0 0 / 0.2)"), colour("rgb(0 0 255 / 0.8)"), 0.5, way: :opacity)
      expect([mixed.rgb255.map(&:round), mixed.alpha.round(3)]).to eq [[51, 0, 204], 0.5]
    end
  end

  describe Magpie::Making::Nudge do
    it "keeps the hue when it makes lighter, darker, or changes chroma" do
      some.product(%i[lighter darker more_chroma less_chroma]).each do |one, step|
        nudged = described_class.apply(one, step)
        expect(nudged.in_srgb?).to be true
        expect(turn(one, nudged).abs).to be < 0.01 if nudged.in(:oklch)[1] > 0.005
      end
    end

    it "goes the way that it says, by its size" do
      l, c, h = ember.in(:oklch)
      expect(described_class.apply(ember, :lighter).in(:oklch)[0]).to be_within(1e-9).of(l + 0.02)
      expect(described_class.apply(ember, :darker, size: 3).in(:oklch)[0]).to be_within(1e-9).of(l - 0.06)
      expect(described_class.apply(ember, :less_chroma, size: 0.5).in(:oklch)[1]).to be_within(1e-9).of(c - 0.01)
      expect(described_class.apply(ember, :hue_on).in(:oklch)[2]).to be_within(1e-9).of(h + 5)
      expect(described_class.apply(ember, :less_chroma, size: 99).in(:oklch)[1]).to eq 0
    end

    it "keeps lightness and the share of the largest chroma when it turns the hue" do
      some.each do |one|
        turned = described_class.apply(one, :hue_back, size: 7)
        share = ->(each) { each.in(:oklch).then { |l, c, h| c / Magpie::Gamut.most_chroma(l, h) } }
        expect(turned.in(:oklch)[0]).to be_within(1e-9).of(one.in(:oklch)[0])
        expect(share.call(turned)).to be_within(0.005).of([share.call(one), 1].min)
      end
      expect { described_class.apply(ember, :louder) }.to raise_error(Magpie::Error, /no such step: expected lighter, darker, hue on/)
    end
  end

  describe Magpie::Making::Mix do
    it "has exact ends in every way, and stays between them" do
      described_class::WAYS.each_key do |way|
        expect([0, 1].map { |share| described_class.of(zenith, ember, share, way:) }).to eq [zenith, ember]
        middle = described_class.of(zenith, ember, 0.5, way:)
        expect(middle.in(:lab)[0]).to be_between(zenith.in(:lab)[0], ember.in(:lab)[0])
      end
    end

    it "comes close to an end in paint as the share does" do
      expect(difference(described_class.of(zenith, ember, 0.0001, way: :paint), zenith)).to be < 0.5
      expect(difference(described_class.of(zenith, ember, 0.9999, way: :paint), ember)).to be < 0.5
    end

    it "makes of black and white what each way should" do
      black, white = colour("#000"), colour("#fff")
      expect(described_class.of(black, white, 0.5, way: :opacity).hex).to eq "#808080"
      expect(described_class.of(black, white, 0.5, way: :light).hex).to eq "#BCBCBC"
      expect(described_class.of(black, white, 0.5, way: :eye).in(:oklab)[0]).to be_within(1e-9).of(0.5)
      expect(described_class.of(black, white, 0.5, way: :paint).in(:lab)[0]).to be < 30 # black paint covers
    end

    it "makes green of blue and yellow paint, and grey of their light" do
      blue, yellow = colour("#0057B8"), colour("#FFD400")
      _, chroma, hue = described_class.of(blue, yellow, 0.5, way: :paint).in(:oklch)
      expect([hue, chroma]).to match [be_between(130, 180), be > 0.08]
      expect(described_class.of(blue, yellow, 0.5, way: :light).in(:oklch)[1]).to be < 0.06
    end

    it "gives the flat colour that opacity over a ground shows" do
      expect(described_class.over(ember.with(alpha: 0.5), colour("#fff")).hex).to eq "#F1B8AD"
      expect(described_class.over(ember, zenith).hex).to eq "#E2705A"
      expect(described_class.over(ember.with(alpha: 0), zenith).hex).to eq "#231F55"
      expect { described_class.of(ember, zenith, 0.5, way: :stir) }.to raise_error(Magpie::Error, /no such way of mixing/)
    end
  end

  describe Magpie::Making::Between do
    it "steps evenly by ΔE00, with exact ends" do
      some.each_slice(2) do |one, two|
        steps = described_class.steps([one, two], 5)
        lengths = steps.each_cons(2).map { |a, b| difference(a, b) }
        expect([steps.first, steps.last, steps.size]).to eq [one, two, 7]
        expect(lengths.max / lengths.min).to be < 1.05
      end
    end

    it "steps evenly through several anchors" do
      lengths = described_class.steps([zenith, ember, colour("#FBDEA9")], 9).each_cons(2).map { |a, b| difference(a, b) }
      expect(lengths.max / lengths.min).to be < 1.05
    end

    it "takes equal ends, no steps, and says what it cannot do" do
      expect(described_class.steps([ember, ember], 3).map(&:hex)).to eq ["#E2705A"] * 5
      expect(described_class.steps([ember, zenith], 0)).to eq [ember, zenith]
      expect { described_class.steps([ember], 3) }.to raise_error(Magpie::Error, /two colours or more/)
      expect { described_class.steps([ember, zenith], 101) }.to raise_error(Magpie::Error, "101 steps: expected 0 to 100")
    end
  end

  describe Magpie::Making::Tints do
    it "goes to white and black at even lightness" do
      row = described_class.row(ember, 3)
      lightness = row.map { |each| each.in(:oklab)[0] }
      expect([row.size, row[3]]).to eq [7, ember]
      expect(lightness).to eq lightness.sort
      [lightness[0..3], lightness[3..]].each { |side| expect(side.each_cons(2).map { |a, b| b - a }.minmax.reduce(:-).abs).to be < 0.012 }
    end

    it "makes a screened tint whose light adds up with the paper's" do
      half = described_class.tint(ember, 50)
      half.in(:srgb_linear).zip(ember.in(:srgb_linear)) { |got, solid| expect(got).to be_within(1e-9).of((1 + solid) / 2) }
      expect([described_class.tint(ember, 100).hex, described_class.tint(ember, 0).hex]).to eq %w[#E2705A #FFFFFF]
    end

    it "makes many as it makes one, whatever their models and opacities" do
      random = Random.new(11)
      colours = Array.new(300) do |n|
        model = %i[srgb srgb srgb oklch lab][n % 5]
        Magpie::Color.new(:srgb, Array.new(3) { random.rand * 1.4 - 0.2 }, (n % 7 == 0) ? random.rand : 1.0).to(model)
      end
      percents = colours.map { random.rand * 120 - 10 }
      colours.zip(percents, described_class.tints(colours, percents)) do |colour, percent, got|
        one = described_class.tint(colour, percent)
        expect([got.model, got.alpha]).to eq [one.model, one.alpha]
        got.components.zip(one.components) { |a, b| expect(a).to be_within(1e-9).of(b) }
      end
      expect(described_class.tints([], [])).to eq []
    end
  end

  describe Magpie::Making::Ramp do
    it "is monotone in lightness, in gamut, and holds its base, whatever the course" do
      some.product(described_class::COURSES.keys).each do |base, course|
        l = base.in(:oklch)[0]
        steps = described_class.new(base, darker: 4, lighter: 3, darkest: l * 0.3, lightest: l + (1 - l) * 0.8, turn_dark: -40, turn_light: 25, course:).colours
        lightness = steps.map { |each| each.in(:oklch)[0] }
        expect(steps[4]).to eq base
        expect(steps).to all(be_in_srgb)
        expect(lightness.each_cons(2)).to all(satisfy { |a, b| b > a })
        expect([lightness.first, lightness.last]).to match [be_within(1e-6).of(l * 0.3), be_within(1e-6).of(l + (1 - l) * 0.8)]
      end
    end

    it "turns the hue by the degrees at either end" do
      steps = described_class.new(ember, turn_dark: -30, turn_light: 20).colours
      expect([turn(ember, steps.first), turn(ember, steps.last)]).to match [be_within(0.01).of(-30), be_within(0.01).of(20)]
    end

    it "keeps the share of the largest chroma, or the chroma itself" do
      share = ->(each) { each.in(:oklch).then { |l, c, h| c / Magpie::Gamut.most_chroma(l, h) } }
      described_class.new(ember).colours.each { |each| expect(share.call(each)).to be_within(0.01).of(share.call(ember)) }
      grey = colour("lch(60 12 40)")
      described_class.new(grey, darkest: 0.4, lightest: 0.8, course: :even).colours.each { |each| expect(each.in(:oklch)[1]).to be_within(1e-6).of(grey.in(:oklch)[1]) }
    end

    it "says what cannot be" do
      expect { described_class.new(ember, darkest: 0.9) }.to raise_error(Magpie::Error, "the dark end is 0.9: expected 0 up to the base's 0.67")
      expect { described_class.new(ember, lightest: 0.1) }.to raise_error(Magpie::Error, /the light end is 0.1/)
      expect { described_class.new(ember, course: :loud) }.to raise_error(Magpie::Error, /no such course/)
      expect { described_class.new(ember, darker: 21) }.to raise_error(Magpie::Error, /21 and 3 steps/)
    end
  end

  describe Magpie::Making::Harmony do
    it "stands at its rule's angles on the light wheel, at the base's lightness" do
      angles = {complement: [0, 180], split: [0, 150, 210], analogous: [-30, 0, 30], triad: [0, 120, 240], square: [0, 90, 180, 270], double_pair: [0, 30, 180, 210]}
      angles.each do |rule, degrees|
        members = described_class.of(ember, rule)
        members.zip(degrees) do |member, angle|
          expect((turn(ember, member) - angle) % 360).to be_within(0.01).of(0).or be_within(0.01).of(360)
          expect(member.in(:oklch)[0]).to be_within(1e-6).of(ember.in(:oklch)[0])
          expect(member.in_srgb?).to be true
        end
      end
    end

    it "faces blue with orange on the painter's wheel, red with green, yellow with violet" do
      {"#0000FF" => "color(srgb 1 0.5 0)", "#FF0000" => "#008000", "#FFFF00" => "color(srgb 0.5 0 1)"}.each do |one, other|
        [[one, other], [other, one]].each { |base, facing| expect(hue(described_class.of(colour(base), :complement, wheel: :painter).last)).to be_within(0.01).of(hue(colour(facing))) }
      end
    end

    it "goes round the painter's wheel and comes back" do
      (0...360).step(7) { |degrees| expect(described_class.to_painter(described_class.from_painter(degrees))).to be_within(1e-6).of(degrees) }
    end

    it "varies one hue by lightness" do
      members = described_class.of(ember, :one_hue)
      expect(members[2]).to eq ember
      members.each { |member| expect(turn(ember, member).abs).to be < 0.01 }
      expect { described_class.of(ember, :septet) }.to raise_error(Magpie::Error, /no such harmony/)
      expect { described_class.of(ember, :split, spread: 120.0) }.to raise_error(Magpie::Error, "the spread is 120.0: expected 1 to 90 degrees")
    end
  end
end

RSpec.describe Magpie::Vision do
  def colour(text) = Magpie::Notation.parse(text)

  it "is the published matrix at each tenth, in linear light" do
    red = colour("#FF0000")
    {red: [0.152286, 0.114503, -0.003882], green: [0.367322, 0.280085, -0.011820], blue: [1.255528, -0.078411, 0.004733]}.each do |kind, column|
      described_class.seen(red, kind).in(:srgb_linear).zip(column) { |got, published| expect(got).to be_within(1e-6).of(published.clamp(0, 1)) }
    end
    described_class.seen(red, :green, severity: 0.5).in(:srgb_linear).zip([0.547494, 0.181692, -0.010410]) { |got, published| expect(got).to be_within(1e-6).of(published.clamp(0, 1)) }
  end

  it "changes nothing at no severity, and no grey at any" do
    expect(described_class.seen(colour("#E2705A"), :red, severity: 0).hex).to eq "#E2705A"
    described_class::KINDS.each { |kind| expect(described_class.seen(colour("#808080"), kind).hex).to eq "#808080" }
  end

  it "brings red and green together for who is weak in green" do
    red, green = colour("#D02020"), colour("#508000")
    seen = [red, green].map { |each| described_class.seen(each, :green) }
    expect(Magpie::Difference.de2000(*seen)).to be < Magpie::Difference.de2000(red, green) / 3
    expect { described_class.seen(red, :purple) }.to raise_error(Magpie::Error, /no such deficiency/)
  end
end
