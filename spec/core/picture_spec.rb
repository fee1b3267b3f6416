require "tmpdir"

RSpec.describe Magpie::Picture do
  def linear(value) = (value <= 0.04045) ? value / 12.92 : ((value + 0.055) / 1.055)**2.4

  def encoded(value) = (value <= 0.0031308) ? value * 12.92 : 1.055 * value**(1 / 2.4) - 0.055

  def read(image, **options) = described_class.read(image.pngsave_buffer(**options))

  let(:pixels) do
    random = Random.new(1)
    Array.new(9) { Array.new(9) { Array.new(3) { random.rand(256) } } }
  end

  it "averages in linear light, as an independent computation does" do
    reading = read(picture_of(pixels)).at(4, 4, probe: 5)
    square = pixels[2..6].flat_map { |row| row[2..6] }
    expected = (0..2).map { |band| encoded(square.sum { |pixel| linear(pixel[band] / 255.0) } / 25) }
    reading.average.in(:srgb).zip(expected) { |got, wanted| expect(got).to be_within(1e-9).of(wanted) }
    spread = square.sum { |pixel| Magpie::Difference.de2000(Magpie::Color.srgb8(*pixel), reading.average) } / 25
    expect(reading.spread).to be_within(1e-9).of(spread)
    expect(reading.verdict).to eq "mixed"
  end

  it "reads a flat field exactly, with no spread" do
    reading = read(flat_picture(40, 30, [226, 112, 90])).at(12, 20, probe: 31)
    expect([reading.average.hex, reading.most_common.hex, reading.spread.round(9), reading.verdict]).to eq ["#E2705A", "#E2705A", 0.0, "even"]
    expect(reading.at).to eq [12, 20]
  end

  it "finds the most common colour among others" do
    row = [[226, 112, 90]] * 3 + [[10, 20, 200]] * 2
    reading = read(picture_of([row] * 5)).at(2, 2)
    expect(reading.most_common.hex).to eq "#E2705A"
    expect(reading.average.hex).not_to eq "#E2705A"
  end

  it "finds the middle of a noisy field that holds a few strange pixels" do
    image = noise_picture(31, 31, [180, 90, 70], 3).draw_rect([0, 255, 0], 0, 0, 31, 4, fill: true)
    reading = read(image).at(15, 15, probe: 31)
    expect(Magpie::Difference.de2000(reading.most_common, Magpie::Color.srgb8(180, 90, 70))).to be < 1
  end

  it "gives verdicts by the spread" do
    expect([0.2, 1.49, 1.5, 3.9, 4.0].map { |spread| Magpie::Picture::Reading.verdict(spread) })
      .to eq ["even", "even", "a little mixed", "a little mixed", "mixed"]
  end

  it "reads only what lies inside at the edges, and says what lies outside" do
    picture = read(picture_of(pixels))
    corner = picture.at(0, 0, probe: 5).average.in(:srgb)
    expected = (0..2).map { |band| encoded(pixels[0..2].flat_map { |row| row[0..2] }.sum { |pixel| linear(pixel[band] / 255.0) } / 9) }
    corner.zip(expected) { |got, wanted| expect(got).to be_within(1e-9).of(wanted) }
    expect { picture.at(9, 0) }.to raise_error(Magpie::Error, "9, 0 lies outside the picture, which is 9 × 9")
    expect { picture.at(0, 0, probe: 4) }.to raise_error(Magpie::Error, /the probe is 4 px: expected 1, 3, 5, 11 or 31/)
  end

  it "keeps sixteen bits" do
    reading = read(picture_of([[[30_000, 10_001, 65_535]] * 3] * 3, format: :ushort)).at(1, 1, probe: 3)
    reading.average.in(:srgb).zip([30_000, 10_001, 65_535]) { |got, value| expect(got).to be_within(1e-9).of(value / 65_535.0) }
  end

  it "honours an embedded profile" do
    wide = flat_picture(8, 8, [255, 40, 40]).icc_transform("p3", input_profile: "srgb")
    reading = read(wide).at(4, 4)
    expect(wide.getpoint(4, 4)).not_to eq [255, 40, 40]
    expect(Magpie::Difference.de2000(reading.average, Magpie::Color.srgb8(255, 40, 40))).to be < 0.6
  end

  it "reads greyscale, opacity and pixels that have no colour" do
    grey = Vips::Image.black(5, 5) + 128
    expect(read(grey.cast(:uchar)).at(2, 2).average.hex).to eq "#808080"
    half = flat_picture(5, 5, [200, 100, 50]).bandjoin(Vips::Image.black(2, 5).join(Vips::Image.black(3, 5) + 255, :horizontal).cast(:uchar))
    reading = read(half).at(2, 2)
    expect(reading.transparent).to eq 10
    expect(reading.average.hex).to eq "#C86432"
    expect(read(flat_picture(3, 3, [9, 9, 9]).bandjoin(Vips::Image.black(3, 3).cast(:uchar))).at(1, 1, probe: 3).average).to be_nil
  end

  it "stands upright as EXIF says" do
    image = picture_of([[[255, 0, 0]] * 4 + [[0, 0, 255]] * 4] * 4).mutate { |copy| copy.set_type!(GObject::GINT_TYPE, "orientation", 6) }
    picture = described_class.read(image.jpegsave_buffer(Q: 100, subsample_mode: :off))
    expect([picture.width, picture.height]).to eq [4, 8]
    expect(picture.at(1, 1, probe: 1).average.rgb255.map(&:round)).to eq([254, 0, 0]).or eq([255, 0, 0])
  end

  it "is the same after it was stored and reopened" do
    Dir.mktmpdir do |folder|
      picture = read(noise_picture(50, 40, [120, 80, 160], 12))
      picture.store("#{folder}/picture.v")
      expect(described_class.reopen("#{folder}/picture.v").at(20, 20, probe: 11)).to eq picture.at(20, 20, probe: 11)
    end
  end

  describe "bad files" do
    it "says what each is" do
      jpeg = noise_picture(300, 200, [90, 90, 90], 40).jpegsave_buffer
      {
        "" => /plate.png is empty/, "just words" => /plate.png is not a picture that I can read: expected PNG, JPEG, WebP or GIF, found text/,
        jpeg[0, jpeg.size / 2] => /plate.png is damaged: it ends too early/, "\x00\x01\x02\x03" => /found a file that begins with 00 01 02 03/,
        jpeg[0, 300] => /plate.png is damaged/
      }.each { |bytes, message| expect { described_class.read(bytes, name: "plate.png") }.to raise_error(Magpie::Error, message) }
    end

    it "refuses a 30,000 × 30,000 picture of one colour without decoding it" do
      huge = Vips::Image.black(30_000, 30_000).pngsave_buffer(compression: 1, filter: :none)
      expect { described_class.read(huge, name: "huge.png") }.to raise_error(Magpie::Error, "huge.png is 30000 × 30000, 900 megapixels: the limit is 100")
    end
  end
end
