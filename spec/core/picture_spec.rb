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

  it "stands upright, whichever way EXIF says that it lies" do
    # A picture whose corners are red, green, blue and white from the top left on.
    corners = {[0, 0] => [255, 0, 0], [7, 0] => [0, 255, 0], [7, 3] => [0, 0, 255], [0, 3] => [255, 255, 255]}
    upright = corners.reduce(flat_picture(8, 4, [90, 90, 90])) { |image, ((x, y), rgb)| image.draw_rect(rgb, x, y, 1, 1) }
    as_stored = {1 => upright, 2 => upright.fliphor, 3 => upright.rot180, 4 => upright.flipver, 5 => upright.rot270.flipver,
                 6 => upright.rot270, 7 => upright.rot90.flipver, 8 => upright.rot90}
    as_stored.each do |orientation, image|
      turned = image.mutate { |copy| copy.set_type!(GObject::GINT_TYPE, "orientation", orientation) }
      picture = described_class.read(turned.tiffsave_buffer)
      read = corners.keys.map { |x, y| picture.at(x, y, probe: 1).average.rgb255.map(&:round) }
      expect(read).to eq(corners.values), "orientation #{orientation}"
    end
  end

  describe "formats" do
    let(:flat) { flat_picture(24, 16, [226, 112, 90]) }

    def difference(bytes, wanted = Magpie::Color.srgb8(226, 112, 90))
      Magpie::Difference.de2000(described_class.read(bytes).at(12, 8).average, wanted)
    end

    it "reads each" do
      exact = [flat.pngsave_buffer, flat.pngsave_buffer(interlace: true), flat.webpsave_buffer(lossless: true), flat.tiffsave_buffer(compression: :lzw),
        flat.tiffsave_buffer(tile: true, pyramid: true), (flat * 257).cast(:ushort).copy(interpretation: :rgb16).tiffsave_buffer, flat.colourspace(:scrgb).tiffsave_buffer]
      expect(exact.map { |bytes| difference(bytes) }).to all(be < 0.01)
      nearly = [flat.jpegsave_buffer(Q: 95), flat.gifsave_buffer, flat.heifsave_buffer(compression: :av1, Q: 95), flat.colourspace(:lab).tiffsave_buffer]
      expect(nearly.map { |bytes| difference(bytes) }).to all(be < 1.5)
    end

    it "reads a palette, one bit, and the first of several pages" do
      colours = noise_picture(40, 40, [90, 120, 60], 30).pngsave_buffer(palette: true, bitdepth: 4)
      expect(described_class.read(colours).at(20, 20, probe: 1).average.rgb255.map(&:round)).to eq Vips::Image.pngload_buffer(colours).getpoint(20, 20)
      bits = (Vips::Image.xyz(16, 16)[0] >= 8).tiffsave_buffer(bitdepth: 1)
      expect([3, 12].map { |x| described_class.read(bits).at(x, 4, probe: 1).average.hex }).to eq %w[#000000 #FFFFFF]
      pages = flat.join(flat_picture(24, 16, [0, 0, 0]), :vertical).mutate { |copy| copy.set_type!(GObject::GINT_TYPE, "page-height", 16) }
      expect(described_class.read(pages.tiffsave_buffer).height).to eq 16
    end

    it "reads ink by the picture's profile, or by a common one" do
      ink = flat.icc_transform("cmyk", input_profile: "srgb", depth: 8)
      expect([ink.tiffsave_buffer, ink.jpegsave_buffer(Q: 100)].map { |bytes| difference(bytes) }).to all(be < 4)
      bare = ink.copy_memory.mutate { |copy| copy.remove!("icc-profile-data") }.tiffsave_buffer
      expect(difference(bare)).to be < 4
      expect(described_class.read(bare).facts).to include(space: "CMYK without a profile", plain: false)
    end

    it "reads 16 bits of a wide gamut beyond what sRGB holds" do
      vivid = Magpie::Color.new(:display_p3, [0.1, 0.95, 0.2])
      wide = (Vips::Image.black(9, 9, bands: 3) + vivid.components.map { |v| v * 65_535 }).cast(:ushort).copy(interpretation: :rgb16)
      p3 = flat.icc_transform("p3", input_profile: "srgb").get("icc-profile-data")
      wide = wide.mutate { |copy| copy.set_type!(Vips::BLOB_TYPE, "icc-profile-data", p3) }
      read = described_class.read(wide.pngsave_buffer).at(4, 4).average
      expect(read.in_srgb?).to be false
      expect(Magpie::Difference.de2000(read, vivid)).to be < 0.3
    end

    it "draws an SVG, and nothing that it would load" do
      drawing = %(<svg xmlns="http://www.w3.org/2000/svg" xmlns:xlink="http://www.w3.org/1999/xlink" width="60" height="30"><script>x</script><image xlink:href="file:///etc/hostname"/><rect width="60" height="30" style="fill:#E2705A"/></svg>)
      picture = Magpie::Painters.picture(drawing)
      expect([picture.width, picture.height, picture.at(900, 700).average.hex]).to eq [2400, 1200, "#E2705A"]
      expect { Magpie::Painters.picture("<svg xmlns='http://www.w3.org/2000/svg'><rect", name: "torn.svg") }.to raise_error(Magpie::Error, /torn.svg/)
      expect { described_class.read(drawing, name: "moor.svg") }.to raise_error(Magpie::Error, "moor.svg is a drawing, which has no pixels")
    end

    it "tells what the file was" do
      p3 = flat.icc_transform("p3", input_profile: "srgb")
      expect(described_class.read(flat.pngsave_buffer).facts).to include(format: "PNG", bits: 8, space: "sRGB", plain: true)
      expect(described_class.read(p3.jpegsave_buffer).facts).to include(format: "JPEG", space: "sP3C", plain: false).or include(space: a_string_matching(/P3/), plain: false)
      expect(described_class.read(flat.colourspace(:grey16).pngsave_buffer).facts).to include(bits: 16, space: "grey", plain: false)
      expect(described_class.read(flat.tiffsave_buffer).facts).to include(format: "TIFF", plain: false)
    end

    it "shows on a screen what it reads" do
      [flat.icc_transform("p3", input_profile: "srgb"), flat.icc_transform("cmyk", input_profile: "srgb"), flat.colourspace(:rgb16)].each do |image|
        picture = described_class.read(image.tiffsave_buffer)
        shown = Vips::Image.pngload_buffer(picture.on_screen)
        expect([shown.format, shown.bands, shown.get_typeof("icc-profile-data")]).to eq [:uchar, 3, 0]
        expect(Magpie::Difference.de2000(Magpie::Color.srgb8(*shown.getpoint(4, 4)), picture.at(4, 4).average)).to be < 0.5
      end
    end

    it "shows them small, too" do
      field = Vips::Image.black(300, 300, bands: 3).linear([1, 1, 1], [200, 60, 30]).cast(:uchar).copy(interpretation: :srgb)
      bare = field.icc_transform("cmyk", input_profile: "srgb").mutate { |inks| inks.remove!("icc-profile-data") }
      files = [field.pngsave_buffer, field.colourspace(:rgb16).pngsave_buffer, field.icc_transform("p3", input_profile: "srgb").pngsave_buffer, field.colourspace(:b_w).pngsave_buffer, bare.tiffsave_buffer]
      files.map { |bytes| described_class.read(bytes) }.each do |picture|
        whole, small = Vips::Image.pngload_buffer(picture.on_screen), Vips::Image.jpegload_buffer(picture.thumbnail(238, 152))
        expect(small.colourspace(:srgb).getpoint(9, 9).zip(whole.colourspace(:srgb).getpoint(9, 9)).map { |one, other| (one - other).abs }.max).to be < 6
      end
    end

    it "names a profile, and survives one that is torn" do
      profile = flat.icc_transform("p3", input_profile: "srgb").get("icc-profile-data")
      expect(Magpie::Picture::Profile.name(profile)).to match(/P3|sP3C/)
      (0..400).step(7) { |length| expect(Magpie::Picture::Profile.name(profile.byteslice(0, length))).to be_a(String) }
    end
  end

  # libvips has no more than so many rows: enlarged whole, a strip had more.
  it "has a small picture of the middle of a strip, however long, lying or standing" do
    ends, middle = [[30, 60, 200], [200, 60, 30]].map { |colour| Vips::Image.black(1, 3_000_000, bands: 3).linear([1, 1, 1], colour).cast(:uchar).copy(interpretation: :srgb) }
    strip = [ends, middle, ends].reduce { |above, below| above.join(below, :vertical) }
    [strip, strip.rot90].each do |image|
      small = Vips::Image.jpegload_buffer(described_class.new(image).thumbnail(238, 152))
      expect([small.width, small.height]).to eq [238, 152]
      [[0, 0], [119, 76], [237, 151]].each { |at| expect(small.getpoint(*at).zip([200, 60, 30]).map { |got, wanted| (got - wanted).abs }.max).to be < 4 }
    end
  end

  it "is the same after it was stored and reopened" do
    Dir.mktmpdir do |folder|
      picture = read(noise_picture(50, 40, [120, 80, 160], 12))
      picture.store("#{folder}/picture.v")
      expect(described_class.reopen("#{folder}/picture.v").at(20, 20, probe: 11)).to eq picture.at(20, 20, probe: 11)
    end
  end

  describe "bad files" do
    it "finds damage in pictures of any size, and calls no pixel black for it" do
      image = noise_picture(24, 16, [120, 130, 140], 40)
      [image.pngsave_buffer, image.tiffsave_buffer(compression: :deflate)].each do |bytes|
        cut = bytes.byteslice(0, bytes.bytesize * 2 / 3)
        changed = bytes.dup.tap { |each| [0, 9].each { |at| each.setbyte(each.bytesize / 2 + at, each.getbyte(each.bytesize / 2 + at) ^ 0xFF) } }
        [cut, changed].each { |each| expect { described_class.read(each, name: "dusk.png") }.to raise_error(Magpie::Error, /\Adusk.png is damaged/) }
      end
    end

    it "says what each is" do
      jpeg = noise_picture(300, 200, [90, 90, 90], 40).jpegsave_buffer
      {
        "" => /plate.png is empty/, "just words" => /plate.png is not a picture that I can read: expected PNG, JPEG, WebP, GIF, TIFF, AVIF, HEIC or SVG, found text/,
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
