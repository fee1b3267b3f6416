require "json"
require "support/metamers"

RSpec.describe Magpie::Light do
  it "has the white points that CIE 15 publishes" do
    chromaticities = described_class::ALL.to_h { |light| [light.key, light.white.first(2).map { |value| value / light.white.sum }] }
    expect(chromaticities).to match d50: [be_within(1e-4).of(0.3457), be_within(1e-4).of(0.3585)], a: [be_within(1e-5).of(0.44758), be_within(1e-5).of(0.40745)], f11: [be_within(5e-5).of(0.3805), be_within(5e-5).of(0.3769)]
  end

  # The 24 patches of the usual chart of photographers, means of 30 charts: reflectances to
  # three digits, and xyY under D50 to four. Of three patches these say no more, or are not
  # quite of one another: dark skin, bluish green and black.
  it "sees the patches of a chart as they are published" do
    differences = JSON.parse(File.read(File.expand_path("../tables/chart.json", __dir__))).to_h do |patch|
      x, y, light = patch["xyY"]
      published = Magpie::Color.new(:xyz_d50, [x / y * light, light, (1 - x - y) / y * light])
      [patch["name"], Magpie::Difference.de2000(Magpie::Spectrum.checked(380, 10, patch["reflectances"]).color, published)]
    end
    expect(differences.size).to eq 24
    expect(differences.except("dark skin", "bluish green", "black").values).to all be < 0.1
    expect(differences.values).to all be < 0.18
  end

  it "takes a surface that is even for its own white, whatever the light" do
    described_class::ALL.each do |light|
      grey = Magpie::Spectrum.checked(380, 10, [0.5] * 41)
      expect(light.lab(grey.under(light))).to match [be_within(1e-4).of(76.0693), be_within(1e-9).of(0), be_within(1e-9).of(0)]
    end
  end
end

RSpec.describe Magpie::Vision::Adaptation do
  # Zhai and Luo 2018, their worked example with CAT16, both ways.
  it "gives the published example to all its digits" do
    lamp, daylight = [109.850, 100, 35.585], [95.047, 100, 108.883]
    seen = described_class.of([48.900, 43.620, 6.250], from: lamp, to: daylight, adapted: [0.9407, 0.9800])
    expect(seen).to match [be_within(1e-8).of(40.37398343), be_within(1e-8).of(43.69426311), be_within(1e-8).of(20.51733764)]
    expect(described_class.of(seen, from: daylight, to: lamp, adapted: [0.9800, 0.9407])).to match [be_within(1e-9).of(48.9), be_within(1e-9).of(43.62), be_within(1e-9).of(6.25)]
  end

  it "turns one white into the other for an eye that adapts wholly, and nothing for one that does not" do
    lamp, daylight = Magpie::Light::A.white, Magpie::Color::WHITE_D65
    expect(described_class.of(lamp, from: lamp, to: daylight).zip(daylight)).to all(satisfy { |one, other| (one - other).abs < 1e-12 })
    expect(described_class.of([0.3, 0.2, 0.1], from: lamp, to: daylight, adapted: [0.0, 0.0])).to match [be_within(1e-12).of(0.3), be_within(1e-12).of(0.2), be_within(1e-12).of(0.1)]
  end

  # CAM16's formula at the ends.
  it "adapts further in more light, and less where it is dark around" do
    expect(described_class.degree(0)).to be_within(1e-4).of(1 - Math.exp(-42 / 92.0) / 3.6)
    expect([described_class.degree(20, :dark), described_class.degree(20, :dim), described_class.degree(20), described_class.degree(2000)]).to eq [described_class.degree(20, :dark), described_class.degree(20, :dim), described_class.degree(20), described_class.degree(2000)].sort
  end
end

RSpec.describe Magpie::Vision::Room do
  include Metamers

  let(:paper) { Magpie::Spectrum.checked(380, 10, (0..40).map { |step| 0.3 + step * 0.008 }) }

  def room(one, other) = described_class.new([one.color, other.color], [one, other])

  it "finds a pair that matches in daylight only" do
    other = planted(paper, 0.2)
    seen = room(paper, other).seen.to_h { |each| [each.kind.key, each] }
    expect(seen[:bright].difference).to be < 0.01
    expect(room(paper, other).parting.map { |each| each.kind.key }).to eq %i[lamp tubes]
    expect(seen[:lamp].colours.map(&:hex).uniq.size).to eq 2
    expect(seen.values.map(&:measured)).to eq [true, true, true, false]
  end

  it "finds nothing where the pair parts nowhere, or never matched" do
    expect(room(paper, planted(paper, 0.005)).parting).to eq []
    expect(room(paper, Magpie::Spectrum.checked(380, 10, [0.2] * 41)).parting).to eq []
  end

  it "estimates what was not measured, says so, and warns of nothing" do
    one, other = %w[#E46F58 #DD664C].map { |text| Magpie::Notation.parse(text) }
    estimated = described_class.new([one, other], [paper, nil])
    expect([estimated.measured?, estimated.seen.map { |each| [each.kind.key, each.measured] }, estimated.parting]).to eq [false, [[:bright, false], [:lamp, false], [:dusk, false]], []]
    expect(estimated.seen.map { |each| each.colours.map(&:hex) }.uniq.size).to eq 3
  end

  it "shows what was measured as the estimate does, where a surface is an even grey" do
    grey = Magpie::Spectrum.checked(380, 10, [0.4] * 41)
    measured, estimated = room(grey, grey).seen, described_class.new([grey.color, grey.color]).seen
    %i[bright lamp dusk].each do |key|
      one, other = [measured, estimated].map { |all| all.find { |each| each.kind.key == key }.colours.first }
      expect(Magpie::Difference.de2000(one, other)).to be < 0.1
    end
  end
end
