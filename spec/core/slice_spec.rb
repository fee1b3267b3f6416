require "vips"

RSpec.describe Magpie::Slice do
  def middle = 0.5 # of a pixel

  # Rows of [red, green, blue, opacity].
  def picture(plane, held) = Vips::Image.new_from_buffer(described_class.new(plane, held, width: 270, height: 214).png, "").write_to_memory.unpack("C*").each_slice(4).each_slice(270).to_a

  # The colour at a pixel of a plane, by the formulas of Color alone.
  def colour_at(plane, held, x, y)
    plane = described_class::PLANES.fetch(plane)
    values = []
    values[plane.held] = held
    {plane.across => (x + middle) / 270.0, plane.up => 1 - (y + middle) / 214}.each do |(channel, range), share|
      values[channel] = range.begin + share * (range.end - range.begin)
    end
    Magpie::Color.new(plane.model, values)
  end

  {chroma_lightness: 32.0, hue_chroma: 0.7, a_b: 60.0, saturation_brightness: 200.0}.each do |plane, held|
    it "shows of #{plane} each colour that a screen has, and nothing of the others" do
      image = picture(plane, held)
      random = Random.new(5)
      # Not the lowest rows: what is nearly black is within a bit of the gamut.
      tried = Array.new(400) { [random.rand(270), random.rand(200)] }.map do |x, y|
        colour, pixel = colour_at(plane, held, x, y), image[y][x]
        next if [[22, 22, 22, 255], [255, 255, 255, 255]].include?(pixel) # on an edge
        expect(pixel.last).to eq(colour.in_srgb? ? 255 : 0), [plane, x, y].inspect
        next :outside unless colour.in_srgb?
        colour.in(:srgb).zip(pixel) { |part, shown| expect(shown).to be_within(1).of(part * 255) }
        :inside
      end
      expect(tried.count(:inside)).to be > 60
    end
  end

  it "draws the edge of the screen dark, and that of the press light and broken" do
    image = picture(:chroma_lightness, 32.0)
    expect([[22, 22, 22, 255], [255, 255, 255, 255]].map { |ink| image.sum { |row| row.count(ink) } }).to all(be > 80)
  end

  it "knows where a colour lies on it" do
    across, up, held = described_class.place(:chroma_lightness, Magpie::Notation.parse("oklch(0.6 0.185 40)"))
    expect([across, up, held]).to match [be_within(1e-9).of(0.5), be_within(1e-9).of(0.6), be_within(1e-9).of(40)]
    expect { described_class.new(:sideways, 1, width: 9, height: 9) }.to raise_error(Magpie::Error, /no such slice: expected chroma lightness/)
  end
end
