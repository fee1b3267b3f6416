RSpec.describe Magpie::Vision::Looking do
  def hex(text) = Magpie::Notation.parse(text)

  def at(kind) = described_class.at(kind)

  def luminance(color) = color.in(:xyz_d65)[1]

  let(:some) { %w[#231F55 #E46F58 #FFCE5C #2F8FA3 #000000 #FFFFFF #7F7F7F #00FF00].map { |text| hex(text) } }

  it "keeps the light of a colour in greys" do
    some.each do |color|
      seen = at(:grey).of(color)
      expect(seen.components.minmax.reduce(:-)).to be_within(1e-9).of(0)
      expect(luminance(seen)).to be_within(1e-4).of(luminance(color))
    end
  end

  it "sees with weak cones what the checks of Mix say" do
    %i[red green blue].each { |kind| some.each { |color| expect(at(kind).of(color).hex).to eq Magpie::Vision.seen(color, kind).hex } }
  end

  it "lays the glare of a window over a screen: 3,000 lx at 5 % are 47.7 cd/m² beside a white of 250" do
    black = at(:bright).of(hex("#000000")).in(:srgb_linear)
    expect(black).to all be_within(1e-3).of(47.746 / 297.746)
    expect(at(:bright).of(hex("#FFFFFF")).hex).to eq "#FFFFFF"
    expect(Magpie::Contrast.ratio(*%w[#000000 #FFFFFF].map { |text| at(:bright).of(hex(text)) })).to be_between(4.5, 5.5)
  end

  it "leaves a part of illuminant A's colour by a lamp, as CAT16 has it" do
    expect(Magpie::Vision::Adaptation.degree(described_class::BY_LAMP)).to be_within(5e-4).of(0.836)
    red, green, blue = at(:lamp).of(hex("#FFFFFF")).in(:srgb_linear)
    expect([red, green, blue]).to eq [red, green, blue].sort.reverse
    expect([red, blue]).to match [be_within(1e-6).of(1), be_between(0.7, 0.9)]
    expect(at(:lamp).of(hex("#000000")).hex).to eq "#000000"
  end

  it "keeps greys grey at dusk, dims, and lets red go before blue" do
    grey = at(:dusk).of(hex("#7F7F7F"))
    expect(grey.components.minmax.reduce(:-)).to be_within(1e-9).of(0)
    red, blue = %w[#C80000 #0000FF].map { |text| [luminance(at(:dusk).of(hex(text))), luminance(hex(text))].reduce(:/) }
    expect(red).to be < blue
    some.reject { |color| color.hex == "#000000" }.each { |color| expect(at(:dusk).of(color).in(:oklch)[1]).to be <= color.in(:oklch)[1] + 1e-9 }
  end

  it "writes what SVG takes, opacity untouched" do
    described_class::KINDS.each_key do |kind|
      values = at(kind).filter.split.map { |text| Float(text) }
      expect(values.size).to eq 20
      expect(values.last(5)).to eq [0, 0, 0, 1, 0]
    end
    expect { at(:moon) }.to raise_error(Magpie::Error, /moon is no way of looking: expected grey, red, .* or dusk/)
  end
end
