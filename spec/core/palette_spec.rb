RSpec.describe Magpie::Palette do
  def hex(text) = Magpie::Notation.parse(text)

  def random_colours(random, count) = Array.new(count) { Magpie::Color.new(:srgb, Array.new(3) { random.rand }) }

  Named = Struct.new(:name, :colour) unless const_defined?(:Named)

  describe Magpie::Palette::Twins do
    it "finds the same pairs as measuring each with each, whatever the limit" do
      random = Random.new(12)
      near = random_colours(random, 40).flat_map { |colour| [colour, Magpie::Color.new(:srgb, colour.in(:srgb).map { |v| (v + random.rand(-0.02..0.02)).clamp(0, 1) })] }
      blues = Array.new(60) { Magpie::Color.new(:srgb, [random.rand * 0.05, random.rand * 0.05, random.rand(0.8..1.0)]) } # where RT is largest
      colours = [*random_colours(random, 120), *near, *blues, hex("#000"), hex("#000"), hex("#fff")]
      [0.5, 2.0, 6.0].each do |limit|
        plain = (0...colours.size).to_a.combination(2).filter_map { |i, j| [i, j] if Magpie::Difference.de2000(colours[i], colours[j]) <= limit }
        found = described_class.pairs(colours, limit:)
        expect(found.map { |i, j, _| [i, j] }).to match_array plain
        expect(found.map(&:last)).to eq found.map(&:last).sort
      end
    end

    it "knows none in nothing, in one, and in two that differ in opacity" do
      expect(described_class.pairs([])).to eq []
      expect(described_class.pairs([hex("#E46F58")])).to eq []
      expect(described_class.pairs([hex("#E46F58"), hex("#E46F5880")])).to eq []
      expect(described_class.pairs([hex("#E46F58"), hex("#E2705A")]).first.last).to be_within(0.001).of(0.519)
    end
  end

  describe Magpie::Palette::Confusable do
    it "finds a red and a green that look alike without red or green cones, once" do
      pairs = described_class.pairs([hex("#B03A2E"), hex("#5D6B12"), hex("#231F55")], limit: 9.0)
      expect(pairs.map { |pair| [pair.first, pair.second] }).to eq [[0, 1]]
      expect(pairs.first.plain).to be > 30
      expect(pairs.first.seen).to be <= 9
      expect(%i[red green]).to include pairs.first.kind
    end

    it "finds the same pairs as looking at each with each" do
      colours = random_colours(Random.new(5), 120) + [Magpie::Color.new(:oklch, [0.7, 0.3, 30.0]), hex("#5D6B12")]
      plain = (0...colours.size).to_a.combination(2).filter_map do |i, j|
        kind, seen = Magpie::Vision::KINDS.map { |each| [each, Magpie::Difference.de2000(*[i, j].map { |index| Magpie::Vision.seen(colours[index], each) })] }.min_by(&:last)
        [i, j, kind, seen] if seen <= 3 && Magpie::Difference.de2000(colours[i], colours[j]) >= described_class::APART
      end
      found = described_class.pairs(colours)
      expect(found.map { |pair| [pair.first, pair.second, pair.kind] }).to match_array(plain.map { |row| row.first(3) })
      expect(found.size).to be > 20
      expect(found.map(&:seen)).to eq found.map(&:seen).sort
      found.each { |pair| expect(pair.seen).to be_within(1e-6).of(plain.find { |i, j, *| [i, j] == [pair.first, pair.second] }.last) }
    end

    it "leaves out what nobody tells apart" do
      expect(described_class.pairs([hex("#E46F58"), hex("#E2705A")])).to eq []
    end
  end

  describe Magpie::Palette::Unprintable do
    it "agrees with one proof after the other, and takes inks as they are" do
      colours = random_colours(Random.new(6), 60) + [Magpie::Color.new(:cmyk, [0, 100, 100, 0])]
      outside = colours.each_index.reject { |index| Magpie::Press.usual.proof(colours[index]).inside? }
      found = described_class.of(colours)
      expect(found.map(&:first)).to eq outside
      found.each do |index, printed, difference|
        expect(Magpie::Difference.de2000(printed, colours[index])).to be_within(1e-9).of(difference)
        expect(Magpie::Press.usual.proof(colours[index]).de2000).to be_within(1e-6).of(difference)
      end
      expect([described_class.of([]), described_class.of(colours.last(1))]).to eq [[], []]
    end
  end

  describe Magpie::Palette::Reversals do
    it "finds where a ramp turns back, and asks nothing of what is no ramp" do
      ramp = %w[#231F55 #5F3566 #E46F58 #A35166 #F3BA70 #FBDEA9].map { |text| hex(text) }
      expect(described_class.of(ramp)).to eq [3]
      expect(described_class.of(ramp.reverse)).to eq [3]
      expect(described_class.of(ramp.values_at(0, 1, 3, 2, 4, 5))).to eq []
      expect(described_class.of(%w[#6B4A20 #B88A33 #FFCE5C #2F8FA3 #C24E86].map { |text| hex(text) })).to eq []
      expect(described_class.of(ramp.first(3))).to eq []
      expect(described_class.of([hex("#808080")] * 6)).to eq []
    end
  end

  describe Magpie::Palette::Readable do
    it "moves text just so far that its contrast is enough, hue kept" do
      text, ground = hex("#C24E86"), hex("#5F3566")
      adjusted = described_class.adjusted(text, ground)
      ratio = Magpie::Contrast.ratio(hex(adjusted.hex), ground)
      expect(ratio).to be_between(4.5, 4.75)
      expect(adjusted.in(:oklch)[2]).to be_within(2).of(text.in(:oklch)[2])
      expect(adjusted.in(:oklch)[0]).to be > text.in(:oklch)[0]
    end

    it "says when no lightness is enough" do
      expect(described_class.adjusted(hex("#808080"), hex("#808080"), limit: 7)).to be_nil
    end
  end

  describe Magpie::Palette::Shift do
    let(:colours) { random_colours(Random.new(3), 60) }

    it "does nothing with nothing, and stays in the screen's gamut with anything" do
      expect(described_class.new.of(colours.first)).to equal colours.first
      shift = described_class.new(lightness: 12, chroma: 60, hue: 40, contrast: 30, warmth: 80)
      expect(colours.map { |colour| shift.of(colour) }).to all(satisfy { |colour| Magpie::Gamut.srgb?(colour) })
    end

    it "moves each by the same: lightness in hundredths, chroma by share, hue by degrees" do
      greyish = colours.map { |colour| Magpie::Color.new(:oklch, [0.5, 0.04, colour.in(:oklch)[2]]) }
      greyish.each do |colour|
        l, c, h = described_class.new(lightness: 4, chroma: -50, hue: 20).of(colour).in(:oklch)
        expect([l, c, h]).to match [be_within(1e-9).of(0.54), be_within(1e-9).of(0.02), be_within(1e-6).of((colour.in(:oklch)[2] + 20) % 360)]
      end
    end

    it "spreads lightness about the middle, and warms toward amber but for black and white" do
      contrast = described_class.new(contrast: 20)
      expect(contrast.of(hex("oklch(0.3 0 0)")).in(:oklch)[0]).to be_within(1e-9).of(0.26)
      expect(contrast.of(hex("oklch(0.7 0 0)")).in(:oklch)[0]).to be_within(1e-9).of(0.74)
      warm = described_class.new(warmth: 100)
      expect(warm.of(hex("#808080")).in(:oklab)[2]).to be > 0.05
      expect(%w[#000000 #FFFFFF].map { |text| warm.of(hex(text)).hex }).to eq %w[#000000 #FFFFFF]
    end

    it "says what it did, and refuses what is out of range" do
      expect(described_class.new(lightness: 4, chroma: -6.5, hue: 0).words).to eq "Lightness +4, chroma −6.5 %"
      expect { described_class.new(hue: 500) }.to raise_error(Magpie::Error, "hue 500: expected -180 to 180")
      expect { described_class.new(glow: 1) }.to raise_error(Magpie::Error, /no such shift: glow/)
    end
  end

  describe Magpie::Palette::Order do
    it "orders by what colours are and what they are called, equal ones as they were" do
      swatches = [["Step 10", "#F3BA70"], ["Step 9", "#231F55"], ["Grey", "#808080"], ["Teal", "#2F8FA3"], ["Twin", "#231F55"]].map { |name, text| Named.new(name, hex(text)) }
      names = ->(key, **given) { described_class.by(swatches, key, **given).map(&:name) }
      expect(names.call("lightness")).to eq ["Step 9", "Twin", "Grey", "Teal", "Step 10"]
      expect(names.call("name")).to eq ["Grey", "Step 9", "Step 10", "Teal", "Twin"]
      expect(names.call("hue")).to eq ["Grey", "Step 10", "Teal", "Step 9", "Twin"]
      expect(names.call("use", uses: {swatches[3] => 4, swatches[0] => 9}).first(2)).to eq ["Step 10", "Teal"]
      expect(names.call("chroma").first).to eq "Grey"
      expect { names.call("size") }.to raise_error(Magpie::Error, /no such order/)
    end
  end

  describe Magpie::Palette::Gaps do
    it "finds empty slots between chosen neighbours, across and down, sharing the crossing" do
      # a . . b
      # .
      # c
      taken = {[0, 0] => :a, [3, 0] => :b, [0, 2] => :c}
      gaps = described_class.between(taken, %i[a b c])
      expect(gaps.map { |gap| [gap.from, gap.to, gap.slots] }).to eq [[:a, :b, [[1, 0], [2, 0]]], [:a, :c, [[0, 1]]]]
      expect(described_class.between(taken, %i[a b c], ways: [:across]).size).to eq 1
      expect(described_class.between(taken, %i[a])).to eq []
    end

    it "does not jump over a chip that was not chosen" do
      expect(described_class.between({[0, 0] => :a, [2, 0] => :b, [4, 0] => :c}, %i[a c])).to eq []
    end

    it "fills evenly by ΔE00" do
      from, to = hex("#231F55"), hex("#FBDEA9")
      steps = [from, *described_class.colours(from, to, 4), to].each_cons(2).map { |a, b| Magpie::Difference.de2000(a, b) }
      expect(steps.max / steps.min).to be < 1.05
    end
  end

  describe Magpie::Palette::Grid do
    it "lays what was put nowhere in rows below what was put, and never two on one slot" do
      slots = described_class.slots({x: [2, 1]}, [%i[a b x c], %i[d]], 2)
      expect(slots).to eq(x: [2, 1], a: [0, 2], b: [1, 2], c: [0, 3], d: [0, 4])
      expect(described_class.size(slots, 2, 3)).to eq [3, 5]
      expect(described_class.slots({}, [%i[a b c]], 2)).to eq(a: [0, 0], b: [1, 0], c: [0, 1])
    end
  end

  describe Magpie::Palette::NamePattern do
    it "counts, keeps, suggests, and names marks that it does not know" do
      swatches = [Named.new("Ember", hex("#E46F58")), Named.new("Plum", hex("#5F3566"))]
      expect(described_class.names("Dusk {nn}, was {name}", swatches, from: 9)).to eq ["Dusk 09, was Ember", "Dusk 10, was Plum"]
      expect(described_class.names("{colour} {hex}", swatches).first).to eq "#{Magpie::ColorName.suggest(hex("#E46F58"))} #E46F58"
      expect { described_class.names("{x}", swatches) }.to raise_error(Magpie::Error, "{x} is no mark: expected {n}, {nn}, {name}, {colour}, {hex}")
      expect { described_class.names(" ", swatches) }.to raise_error(Magpie::Error, /needs something/)
    end
  end

  describe Magpie::Palette::Compound do
    let(:ink) { ->(text, offset = 0.0, reference = nil) { Magpie::Palette::Compound::Ink.new(colour: hex(text), reference:, offset:) } }
    let(:sky) { described_class.new(form: "linear", angle: 90.0, size: 12.0, inks: [ink.call("#FBDEA9", 1.0), ink.call("#231F55", 0.0, 7)]) }

    it "draws every form as its inks, measured in the picture" do
      described_class::FORMS.each_key do |form|
        paint = described_class.new(form: "linear", angle: 0.0, size: 10.0, inks: [ink.call("#FFFFFF", 0.0), ink.call("#000000", 1.0)])
        paint = described_class::PATTERNS.include?(form) ? paint.as(form) : paint.with(form:)
        template = %(<svg xmlns="http://www.w3.org/2000/svg" width="100" height="100"><rect width="100" height="100" data-part="#{Magpie::Artwork::Identifiers::MARK}all"/></svg>)
        svg = Magpie::Painters::Flat.new(template, {["all", "fill"] => Magpie::Artwork::Paint.new(kind: :compound, opacity: 1.0, compound: paint)}).to_s
        grey = Vips::Image.svgload_buffer(svg)[0].avg
        expect(grey).to be_between(50, 245), "#{form} #{grey}"
      end
    end

    it "survives being written and read, and follows a swatch with its colour" do
      again = described_class.from_h(JSON.parse(JSON.generate(sky.to_h)))
      expect(again.to_h).to eq sky.to_h
      expect(again.inks.map(&:reference)).to eq [nil, nil] # what it follows is kept elsewhere
      changed = again.referring(1 => 7).with_ink(1, hex("#2F8FA3"))
      expect(changed.inks.map { |each| [each.colour.hex, each.reference] }).to eq [["#FBDEA9", nil], ["#2F8FA3", 7]]
    end

    it "refuses what cannot be drawn, saying what was expected" do
      {{form: "swirl"} => /no form/, {inks: [ink.call("#111")]} => /1 ink: expected 2/, {size: 0.0} => /repeat of 0.0/, {angle: 720.0} => /angle of 720/}.each do |wrong, words|
        expect { described_class.new(**sky.each_pair.to_h, **wrong).checked }.to raise_error(Magpie::Error, words)
      end
    end
  end

  it "blends several in OKLab, by weight, inside the gamut" do
    one, two = hex("#231F55"), hex("#FBDEA9")
    middle = Magpie::Making::Blend.of([one, two])
    expect(middle.in(:oklab).zip(one.in(:oklab), two.in(:oklab))).to all(satisfy { |mean, a, b| (mean - (a + b) / 2).abs < 1e-9 })
    expect(Magpie::Making::Blend.of([one, two], [1, 0]).hex).to eq one.hex
    expect { Magpie::Making::Blend.of([]) }.to raise_error(Magpie::Error, /nothing to blend/)
  end

  describe Magpie::Palette::Matching do
    def some(**colours) = colours.map { |name, hex| Magpie::Palette::Swatch.new(name: (name.to_s unless name == :none), colour: Magpie::Notation.parse(hex)) }

    let(:colours) { some("Zenith indigo": "#231F55", "Ember sky": "#E46F58", none: "#2F8FA3", Peat: "#121720") }
    let(:swatches) { some("ember SKY": "#0F2B3A", Frost: "#DCEBDD", Peat: "#85C2BD", "Ember sky": "#C24E86") }

    def matched(way, **given) = described_class.new(colours, swatches, **given).by(way).map { |each| each&.colour&.hex }

    it "goes by name, by order, or by the nearest that has one colour" do
      expect(matched("name")).to eq [nil, "#0F2B3A", nil, "#85C2BD"]
      expect(matched("order")).to eq %w[#0F2B3A #DCEBDD #85C2BD #C24E86]
      nearest = colours.map { |each| swatches.min_by { |swatch| Magpie::Difference.de2000(each.colour, swatch.colour) }.colour.hex }
      expect(matched("nearest")).to eq nearest
      expect(matched("nearest", plain: swatches.first(1))).to eq ["#0F2B3A"] * 4
    end

    it "finds nothing among nothing, and says what is no way" do
      described_class::WAYS.each { |way| expect(described_class.new(colours, []).by(way)).to eq [nil] * 4 }
      expect { matched("luck") }.to raise_error(Magpie::Error, "luck is no way to match: expected name, order or nearest")
    end
  end
end
