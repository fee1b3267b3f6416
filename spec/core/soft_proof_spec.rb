require "vips"

RSpec.describe Magpie::Picture::SoftProof do
  usual, uncoated = Magpie::Press.shipped

  def flat(hex, alpha: nil)
    rgb = Magpie::Notation.parse(hex).rgb255
    image = (Vips::Image.black(3, 2, bands: 3) + rgb).cast(:uchar).copy(interpretation: :srgb)
    alpha ? image.bandjoin(alpha) : image
  end

  def shown(image) = Magpie::Color.new(:srgb, image.getpoint(1, 1).first(3).map { |value| value / 255.0 })

  # Both profiles of sRGB, libvips' and our own, are told apart by less.
  [[usual, false], [usual, true], [uncoated, false], [uncoated, true]].each do |condition, paper|
    it "prints a picture as it prints its colours, on #{condition.name}#{", on its white" if paper}" do
      %w[#E46F58 #231F55 #00FF00 #808080 #FFCE5C #FFFFFF].each do |hex|
        expected = Magpie::Gamut.to_srgb(condition.proof(Magpie::Notation.parse(hex)).seen(paper:))
        expect([hex, Magpie::Difference.de2000(shown(described_class.of(flat(hex), condition, paper:)), expected)]).to match [hex, be < 1.3]
      end
    end
  end

  it "keeps pure black on the black ink, and greys where that was chosen" do
    black = uncoated.proof(Magpie::Notation.parse("#000000")).seen.hex
    expect(shown(described_class.of(flat("#000000"), uncoated)).hex).to eq black
    greys = Magpie::Press::Condition.new("Moor press", uncoated.profile, greys: true)
    expect(shown(described_class.of(flat("#808080"), greys)).hex).to eq greys.proof(Magpie::Notation.parse("#808080")).seen.hex
  end

  it "leaves opacity as it is" do
    made = described_class.of(flat("#E46F58", alpha: 90), usual)
    expect([made.bands, made.getpoint(0, 0)[3], made.interpretation]).to eq [4, 90, :srgb]
  end
end
