require "json"

RSpec.describe Magpie::Color do
  def colour(model, *components) = described_class.new(model, components)

  # CSS Color Module Level 4, examples of sections 9 and 10.
  {
    "lab(29.2345% 39.3825 20.0664)" => "#7D2329", "lab(52.2345% 40.1645 59.9971)" => "#C65D07",
    "lab(60.2345% -5.3654 58.956)" => "#9D9318", "lab(62.2345% -34.9638 47.7721)" => "#68A639",
    "lab(67.5345% -8.6911 -41.6019)" => "#62ACEF", "oklab(40.101% 0.1147 0.0453)" => "#7D2429",
    "lch(29.2345% 44.2 27)" => "#7D2329", "lch(52.2345% 72.2 56.2)" => "#C65D07", "oklch(40.101% 0.12332 21.555)" => "#7D2329"
  }.each do |notation, hex|
    it "turns #{notation} into #{hex}, within one step of eight bits" do
      difference = Magpie::Notation.parse(notation).rgb255.zip(Magpie::Notation.parse(hex).rgb255).map { |a, b| (a - b).abs }
      expect(difference.max).to be < 1.01
    end
  end

  # Ottosson 2020, the table of XYZ and OKLab pairs, three decimals.
  [[[0.950, 1.0, 1.089], [1.0, 0.0, 0.0]], [[1.0, 0.0, 0.0], [0.450, 1.236, -0.019]],
    [[0.0, 1.0, 0.0], [0.922, -0.671, 0.263]], [[0.0, 0.0, 1.0], [0.153, -1.415, -0.449]]].each do |xyz, oklab|
    it "turns XYZ #{xyz.join(" ")} into OKLab #{oklab.join(" ")}" do
      colour(:xyz_d65, *xyz).in(:oklab).zip(oklab) { |got, expected| expect(got).to be_within(6e-4).of(expected) }
    end
  end

  it "knows the published Lab of the primaries and of white" do
    {"#F00" => [54.29, 80.80, 69.89], "#0F0" => [87.82, -79.27, 80.99], "#00F" => [29.57, 68.30, -112.03], "#FFF" => [100, 0, 0]}.each do |hex, lab|
      Magpie::Notation.parse(hex).in(:lab).zip(lab) { |got, expected| expect(got).to be_within(0.02).of(expected) }
    end
  end

  it "comes back from every model and from every pair of models within 1e-6" do
    random = Random.new(11)
    models = described_class::MODELS.keys - %i[cmyk]
    200.times do
      start = described_class.new(:srgb, Array.new(3) { random.rand })
      models.each do |model|
        over = models.sample(random:)
        start.to(model).to(over).in(:srgb).zip(start.components) { |got, expected| expect(got).to be_within(1e-6).of(expected), "#{start.inspect} by #{model} and #{over}" }
      end
    end
  end

  it "keeps greys grey and their hue at 0" do
    (0..255).step(17) do |v|
      grey = described_class.srgb8(v, v, v)
      expect(grey.in(:hsl).first(2)).to eq [0.0, 0.0]
      expect(grey.in(:hsb).first(2)).to eq [0.0, 0.0]
      expect(grey.in(:oklch)[1..]).to eq([grey.in(:oklch)[1], 0.0])
      expect(grey.in(:oklch)[1]).to be < 1e-6
    end
  end

  it "gives the hex of every eight-bit value back" do
    256.times { |v| expect(described_class.srgb8(v, 255 - v, v / 2).hex).to eq format("#%02X%02X%02X", v, 255 - v, v / 2) }
  end

  it "carries opacity through conversions and into the hex" do
    expect(Magpie::Notation.parse("#E46F5880").to(:oklch).to(:srgb).hex).to eq "#E46F5880"
  end

  it "is a value" do
    expect(colour(:hsl, 10, 20, 30)).to eq colour(:hsl, 10, 20, 30)
    expect({colour(:hsl, 10, 20, 30) => 1}[colour(:hsl, 10, 20, 30)]).to eq 1
    expect(described_class.from_h(JSON.parse(JSON.generate(colour(:lab, 0.1, 1 / 3.0, -7).to_h)))).to eq colour(:lab, 0.1, 1 / 3.0, -7)
  end

  it "refuses what is no colour" do
    expect { colour(:srgb, 1, 2) }.to raise_error(Magpie::Error, /takes 3 numbers, not 2/)
    expect { colour(:srgb, 1, 2, Float::NAN) }.to raise_error(Magpie::Error, /finite/)
    expect { colour(:mauve, 1, 2, 3) }.to raise_error(Magpie::Error, /no colour model called mauve/)
  end

  describe "process inks" do
    it "print as the press prints them and come back as near as its two tables agree" do
      [[0, 66, 61, 4], [80, 20, 10, 0], [10, 10, 10, 60]].each do |inks|
        lab = colour(:cmyk, *inks).to(:lab)
        again = colour(:cmyk, *lab.in(:cmyk)).to(:lab)
        expect(Magpie::Difference.de2000(lab, again)).to be < 2
      end
    end

    # By transicc of Little CMS 2.14 with the same profile: -t1 -b -c0.
    printed = [
      [[0, 66, 61, 4], [62.0583, 45.5005, 35.2360]],
      [[100, 0, 0, 0], [57.4052, -41.1435, -51.4655]],
      [[0, 100, 0, 0], [49.9618, 79.6377, -1.8507]],
      [[0, 0, 100, 0], [93.7171, -4.7452, 100.7927]],
      [[0, 0, 0, 100], [11.9938, 0.0112, 0.8846]],
      [[100, 100, 0, 0], [22.5611, 25.8594, -50.7492]],
      [[0, 100, 100, 0], [48.8792, 73.4938, 56.8101]],
      [[100, 0, 100, 0], [52.0436, -71.4049, 30.7340]],
      [[50, 0, 0, 0], [79.4455, -17.7973, -26.2692]],
      [[0, 50, 0, 0], [74.8586, 35.6445, -5.9608]],
      [[0, 0, 50, 0], [96.3594, -3.8817, 44.9863]],
      [[0, 0, 0, 50], [64.9376, -0.0799, -0.0080]],
      [[80, 20, 10, 0], [58.5105, -24.5208, -36.1025]],
      [[10, 10, 10, 60], [51.6878, 0.3889, 0.5592]],
      [[30, 20, 20, 0], [78.4295, -1.0080, -2.3169]],
      [[60, 50, 50, 20], [45.2803, 0.0491, 0.5533]],
      [[5, 90, 30, 10], [49.1074, 62.2559, 9.4234]],
      [[70, 10, 90, 5], [59.3911, -37.8534, 38.5949]],
      [[100, 80, 0, 10], [27.5860, 8.9657, -47.5463]],
      [[20, 30, 70, 15], [67.2242, 5.5408, 41.0182]]
    ]

    it "are what Little CMS says" do
      printed.each { |inks, lab| colour(:cmyk, *inks).in(:lab).zip(lab) { |got, wanted| expect(got).to be_within(1e-3).of(wanted) } }
      colour(:lab, 59.275, 52.133, 34.371).in(:cmyk).zip([0.0000, 72.3720, 61.1734, 4.4617]) { |got, wanted| expect(got).to be_within(1e-3).of(wanted) }
    end

    it "are lightest without ink" do
      paper, solid = colour(:cmyk, 0, 0, 0, 0).in(:lab)[0], colour(:cmyk, 0, 0, 0, 100).in(:lab)[0]
      expect(paper).to be > 90
      expect(solid).to be < 30
    end
  end
end

RSpec.describe Magpie::Gamut do
  it "leaves what a screen can show alone" do
    colour = Magpie::Notation.parse("#2F8FA3")
    expect(described_class.to_srgb(colour.to(:oklch)).in(:srgb)).to all(be_between(0, 1))
    expect(described_class.to_srgb(colour).hex).to eq "#2F8FA3"
  end

  # The surface of the cube, and the hollow toward blue in small steps.
  it "leads every colour of the edge inward by what is asked, without a leap" do
    sides = (0..12).flat_map { |i| (0..12).flat_map { |j| [[0, i, j], [12, i, j], [i, 0, j], [i, 12, j], [i, j, 0], [i, j, 12]] } }.uniq
    [*sides.map { |rgb| Magpie::Color.new(:srgb, rgb.map { |value| value / 12.0 }) }, Magpie::Notation.parse("#0000FF"), Magpie::Notation.parse("#0A00F5")].each do |color|
      lightness, chroma, hue = color.in(:oklch)
      [0.005, 0.02, 0.05].each do |less|
        next if chroma < less
        wanted = Magpie::Color.new(:oklch, [lightness, chroma - less, hue])
        got = described_class.reduced(lightness, chroma - less, hue)
        expect(Magpie::Difference.ok(wanted, got)).to be < 0.001, "#{color.hex} by #{less}"
        expect(got).to be_in_srgb
      end
    end
  end

  it "knows blue as the most chroma of its lightness and hue" do
    lightness, chroma, hue = Magpie::Notation.parse("#0000FF").in(:oklch)
    expect(described_class.most_chroma(lightness, hue)).to be_within(0.0002).of(chroma)
    step = Magpie::Making::Nudge.apply(Magpie::Notation.parse("#0000FF"), :less_chroma, size: 0.5)
    expect(Magpie::Difference.de2000(step, Magpie::Notation.parse("#0000FF"))).to be_between(0.8, 1.6)
  end

  it "keeps the hue within a degree, and lightness" do
    random = Random.new(9)
    1000.times do
      outside = Magpie::Color.new(:oklch, [random.rand(0.05..0.98), random.rand(0.02..0.4), random.rand(0.0..360.0)])
      lightness, chroma, hue = described_class.to_srgb(outside).in(:oklch)
      expect(lightness).to be_within(0.001).of(outside.components[0])
      expect(((hue - outside.components[2] + 180) % 360 - 180).abs).to be < 1 if chroma > 0.01
    end
  end

  it "takes no more chroma away than it must" do
    random = Random.new(3)
    200.times do
      outside = Magpie::Color.new(:oklch, [random.rand(0.15..0.95), random.rand(0.2..0.4), random.rand(360)])
      next if outside.in_srgb?
      inside = described_class.to_srgb(outside)
      expect(inside.in(:srgb)).to all(be_between(0, 1))
      lightness, _, hue = outside.components
      expect(Magpie::Color.new(:oklch, [lightness, inside.in(:oklch)[1] + 0.001, hue]).in_srgb?).to be false
    end
  end

  it "gives white and black beyond the ends of lightness" do
    expect(Magpie::Notation.parse("oklch(100% 0.3 20)").hex).to eq "#FFFFFF"
    expect(Magpie::Notation.parse("oklch(0% 0.3 20)").hex).to eq "#000000"
  end
end

RSpec.describe Magpie::Contrast do
  it "gives WCAG's values" do
    white = Magpie::Notation.parse("white")
    expect(described_class.ratio(white, Magpie::Notation.parse("black"))).to be_within(1e-9).of(21)
    expect(described_class.ratio(white, Magpie::Notation.parse("#767676"))).to be_within(0.005).of(4.54)
  end

  it "measures what is not opaque as it lies over its ground, and that over white" do
    black, white, moor = %w[#000 #FFF #121720].map { |text| Magpie::Notation.parse(text) }
    faint = black.with(alpha: 0.1)
    expect(described_class.ratio(faint, white)).to be_within(0.01).of(described_class.ratio(Magpie::Notation.parse("rgb(229.5 229.5 229.5)"), white))
    expect(described_class.ratio(faint, white)).to be < 1.3
    expect(described_class.ratio(white, moor.with(alpha: 0.0))).to eq 1
    expect(described_class.ratio(moor, white.with(alpha: 0.5))).to eq described_class.ratio(moor, white)
  end

  it "chooses the ink that reads better" do
    [0x231F55, 0xFFCE5C, 0x6E7384, 0x777777, 0x747474].each do |rgb|
      ground = Magpie::Color.from_rgb24(rgb)
      better = (described_class.ratio(ground, Magpie::Notation.parse("black")) > described_class.ratio(ground, Magpie::Notation.parse("white"))) ? :black : :white
      expect(described_class.ink_on(ground)).to eq better
    end
  end
end

RSpec.describe Magpie::ColorName do
  it "names what is near a CSS colour by it and qualifies the rest in plain words" do
    expect(described_class.suggest(Magpie::Notation.parse("rebeccapurple"))).to eq "Rebecca purple"
    expect(described_class.suggest(Magpie::Notation.parse("#1D2432"))).to match(/\A(Deep|Greyish) /)
    expect(described_class.suggest(Magpie::Notation.parse("#FBDEA9"))).not_to be_empty
  end

  it "finds a name that is free" do
    expect(described_class.unused("Coral", ["coral", "Coral 2", "Peat"])).to eq "Coral 3"
    expect(described_class.unused("Coral", [])).to eq "Coral"
  end
end
