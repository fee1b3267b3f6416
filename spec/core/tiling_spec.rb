require "vips"

RSpec.describe Magpie::Artwork::Tiling do
  def near(one, two) = one.to_a.zip(two.to_a).each { |a, b| expect(a).to be_within(1e-5).of(b) }

  frame = Magpie::Artwork::Frames::Frame.new([10.0, 20.0, 200.0, 100.0], Magpie::Artwork::Affine::IDENTITY, [300, 300])
  affine = Magpie::Artwork::Affine

  def pattern(**given) = Magpie::Palette::Compound.new(form: "checks", angle: 20.0, size: 16.0, inks: %w[#231F55 #FFCE5C].map { |text| Magpie::Palette::Compound::Ink.new(colour: Magpie::Notation.parse(text), offset: 0.0) }, **given)

  it "lies in rows from the drawing's origin where nothing is said" do
    near described_class.new.axes(frame, 16, 16, 32, 30), affine.turned(30) * affine.new(2.0, 0.0, 0.0, 2.0, 0.0, 0.0)
    expect(described_class.new.to_h).to eq({})
    expect(described_class.from_h(described_class.new(shift: [1, 2], mirror: "both", fit: "once").to_h)).to eq described_class.new(shift: [1, 2], mirror: "both", fit: "once")
  end

  it "stands in the middle of the part once, all of it or so that the part is full of it, however it is turned" do
    {"once" => 32.0, "fitted" => 100.0, "filling" => 200.0}.each do |fit, wide|
      box = described_class.new(fit:).axes(frame, 16, 16, 32, 0).box([0, 0, 16, 16])
      near box, [110 - wide / 2, 70 - wide / 2, wide, wide]
    end
    full = described_class.new(fit: "filling").axes(frame, 16, 8, 32, 33).inverse
    _, _, width, height = full.box(frame.box)
    expect([width, height]).to match [be <= 16.000001, be <= 8.000001]
    expect([16 - width, 8 - height].min).to be_within(1e-6).of(0)
    fitted = described_class.new(fit: "fitted").axes(frame, 16, 8, 32, 33).box([0, 0, 16, 8])
    expect(fitted[2]).to be <= 200.000001
    expect(fitted[3]).to be_within(1e-6).of(100)
  end

  # What a hand does to it is done to whatever is seen, however it lay.
  it "is moved, turned and scaled about any point, mirrored or not, repeated or once" do
    random = Random.new(7)
    40.times do
      tiling = described_class.new(shift: [random.rand * 50, -random.rand * 50], turn: random.rand * 300, scale: 0.2 + random.rand, mirror: [nil, *described_class::MIRRORS.keys].sample(random:), fit: described_class::FITS.keys.sample(random:))
      scale = 0.5 + random.rand
      by = affine.moved(random.rand * 90, 8) * affine.turned(random.rand * 360 - 180) * affine.new(scale, 0.0, 0.0, scale, 0.0, 0.0) * affine.moved(-31, random.rand)
      near tiling.moved(by, frame).axes(frame, 16, 16, 24, 10), by * tiling.axes(frame, 16, 16, 24, 10)
    end
  end

  it "is the same to see where a pattern has its turn and scale itself" do
    [nil, *described_class::MIRRORS.keys].product(%w[repeat once]).each do |mirror, fit|
      tiling = described_class.new(shift: [3.0, 4.0], turn: 50.0, scale: 1.5, mirror:, fit:)
      made, how = tiling.within(pattern)
      near how.axes(frame, 16, 16, made.size, made.angle), tiling.axes(frame, 16, 16, pattern.size, pattern.angle)
      expect([made.size, how.scale, how.turn]).to eq [24.0, 1.0, 0.0]
    end
    expect(described_class.new(fit: "filling", scale: 2.0).within(pattern)).to eq [pattern, described_class.new(fit: "filling", scale: 2.0)]
    expect(described_class.new(scale: 100.0).within(pattern)[0].size).to eq 16.0
  end

  it "is mirrored along each axis, and back" do
    expect(described_class.new.mirrored("across").mirrored("down").mirror).to eq "both"
    expect(described_class.new(mirror: "both").mirrored("across").mirror).to eq "down"
    expect(described_class.new(mirror: "down").mirrored("down")).to eq described_class.new
  end

  it "shows nothing beyond its one tile" do
    mark = Magpie::Artwork::Identifiers::MARK
    template = %(<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 100 100" width="100" height="100"><rect width="100" height="100" data-part="#{mark}all"/></svg>)
    drawn = ->(laid) { Magpie::Painters::Flat.new(template, {["all", "fill"] => Magpie::Artwork::Paint.new(kind: :compound, opacity: 1.0, compound: pattern(form: "scales", angle: 0.0, size: 40.0), laid:)}).to_s }
    alpha = ->(svg) { Vips::Image.svgload_buffer(svg)[3] }
    once = alpha.call(drawn.call(described_class.new(fit: "once")))
    expect(once.crop(31, 36, 38, 28).min).to eq 255
    expect([once.crop(0, 0, 29, 100), once.crop(71, 0, 29, 100), once.crop(0, 0, 100, 29), once.crop(0, 71, 100, 29)].map(&:max)).to eq [0, 0, 0, 0]
    expect(alpha.call(drawn.call(described_class.new(fit: "filling"))).min).to eq 255
  end

  it "is refused where it is none" do
    {shift: [1], turn: Float::NAN, scale: 0, mirror: "up", fit: "tight"}.each { |name, value| expect { described_class.from_h(name => value) }.to raise_error Magpie::Error }
  end
end
