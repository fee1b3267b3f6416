require "vips"

# Formats that are pictures.
RSpec.describe "Palettes that are drawn" do
  def read(bytes, name = "moor.bin", **how) = Magpie::Formats.read(bytes, name:, **how)

  def swatches(result) = result.palette.groups.to_h { |group| [group.name, group.swatches.map { |swatch| [swatch.name, swatch.colour.hex] }] }

  def notes(result) = result.notes.map(&:to_s)

  describe Magpie::Formats::Png do
    def chunk(type, data) = described_class::Chunks.write(type, data)

    # One pixel, indexed, with what stands before its data.
    def png(*chunks, type: 3) = described_class::SIGNATURE + chunk("IHDR", [1, 1, 8, type, 0, 0, 0].pack("NNC5")) + chunks.join + chunk("IDAT", Zlib.deflate("\0\0")) + chunk("IEND", "")

    it "reads the colour table with its opacities" do
      result = read(png(chunk("PLTE", [228, 111, 88, 18, 23, 32].pack("C*")), chunk("tRNS", [128].pack("C"))))
      expect([result.format, result.others, result.words, swatches(result)]).to eq ["png", ["picture"], "A PNG with its colour table", {"moor" => [["", "#E46F5880"], ["", "#121720"]]}]
    end

    it "reads suggested palettes of 8 and 16 bits, each as a group" do
      eight = "Dusk\0\x08".b + [228, 111, 88, 255, 9].pack("C4n")
      deep = "N\xE4cht\0\x10".b + [0x1234, 0, 0xFFFF, 0x8000, 1].pack("n5")
      result = read(png(chunk("sPLT", eight), chunk("sPLT", deep), chunk("PLTE", "\0\0\0")))
      expect(swatches(result)).to eq("Dusk" => [["", "#E46F58"]], "Nächt" => [["", "#1200FF80"]], "moor" => [["", "#000000"]])
      expect(result.palette.groups[1].swatches[0].colour.components[0]).to eq 0x1234 / 65535.0
    end

    it "says at which byte something is damaged, and reads the rest" do
      whole = png(chunk("PLTE", [228, 111, 88, 1].pack("C*")), chunk("sPLT", "Dusk\0\x0C".b), chunk("sPLT", "no end"), chunk("sPLT", "Moor\0\x08".b + "1234567"))
      wrong = whole.dup.tap { |bytes| bytes.setbyte(41, 229) } # the table's first byte
      expect(notes(read(wrong))).to match ["byte 33: the checksum of PLTE is wrong; it is read all the same", /\Abyte 49: an sPLT of 12 bits: expected 8 or 16, left out/, /an sPLT without an end to its name/, /an sPLT of 7 bytes is no multiple of 6/, /byte 33: a colour table of 4 bytes is no multiple of 3/]
      expect(swatches(read(wrong))["moor"]).to eq [["", "#E56F58"]]
      expect(notes(read(whole.byteslice(0, 60), as: "png")).first).to start_with("byte 49: the file ends in the middle of a chunk")
    end

    it "draws the palette, and puts a suggested palette for each group before the picture" do
      groups = [["Dusk", %w[#E46F58 #231F55]], ["Night", %w[#121720]]].map { |name, colours| Magpie::Palette::Group.new(name:, swatches: colours.map { |hex| Magpie::Palette::Swatch.new(name: hex, colour: hex(hex)) }) }
      bytes = described_class.write(Magpie::Palette.new(name: "House", groups:), "depth" => "8", "height" => 20)
      picture = Vips::Image.new_from_buffer(bytes, "")
      expect([picture.width, picture.height, picture.getpoint(5, 5), picture.getpoint(30, 5), picture.getpoint(5, 30), picture.getpoint(30, 30)[3]]).to eq [48, 40, [228, 111, 88, 255], [35, 31, 85, 255], [18, 23, 32, 255], 0]
      expect(described_class::Chunks.new(bytes).map { |type, _| type }).to eq %w[IHDR sRGB sPLT sPLT pHYs IDAT IEND]
    end
  end

  describe Magpie::Formats::AnyPicture do
    it "gives all the colours of a picture that has a few, most of it first" do
      image = Vips::Image.black(10, 10, bands: 3).copy(interpretation: :srgb).draw_rect([228, 111, 88], 0, 0, 10, 6, fill: true).draw_rect([18, 23, 32], 0, 6, 10, 3, fill: true)
      result = read(image.pngsave_buffer)
      expect([result.format, swatches(result), result.palette.swatches.map(&:note)]).to eq ["picture", {"moor" => [["", "#E46F58"], ["", "#121720"], ["", "#000000"]]}, ["60 pixels", "30 pixels", "10 pixels"]]
      expect(result.words).to eq "A PNG picture of 10 × 10 px: all its colours"
      veiled = image.bandjoin(Vips::Image.black(10, 10) + 128).cast(:uchar)
      expect(swatches(read(veiled.pngsave_buffer))["moor"].first).to eq ["", "#E46F5880"]
    end

    it "gives the main colours of one that has many" do
      image = (Vips::Image.xyz(128, 128).bandjoin(Vips::Image.black(128, 128) + 60) * 1.9).cast(:uchar).copy(interpretation: :srgb)
      result = read(image.jpegsave_buffer)
      expect(result.palette.swatches.size).to be_between(2, 16)
      expect(result.words).to eq "A JPEG picture of 128 × 128 px: its main colours"
      expect(result.palette.swatches.map(&:note)).to all(end_with(" % of the picture"))
    end

    it "draws a strip of chips" do
      swatch = ->(hex) { Magpie::Palette::Swatch.new(name: hex, colour: hex(hex)) }
      palette = Magpie::Palette.new(name: "House", groups: [Magpie::Palette::Group.new(name: "Dusk", swatches: %w[#E46F58 #231F55].map(&swatch))])
      strip = Vips::Image.new_from_buffer(described_class.write(palette, "width" => 30, "height" => 10), "")
      expect([strip.width, strip.height, strip.getpoint(29, 9).first(3), strip.getpoint(30, 0).first(3)]).to eq [60, 10, [228, 111, 88], [35, 31, 85]]
    end
  end

  describe Magpie::Formats::Svg do
    def svg(body, more = "") = %(<svg xmlns="http://www.w3.org/2000/svg" width="99" height="99"#{more}>#{body}</svg>)

    it "reads any drawing: colours with their places, gradients and patterns in use" do
      result = read(svg(<<~SVG))
        <defs><linearGradient id="metal-sky" x1="0" y1="0" x2="0" y2="1"><stop stop-color="#231F55"/><stop offset="1" style="stop-color:#E46F58;stop-opacity:.5"/></linearGradient>
        <linearGradient id="again" href="#metal-sky" x1="0" x2="1"/>
        <pattern id="weave" width="8" height="8" patternUnits="userSpaceOnUse"><rect width="8" height="8" fill="#231F55"/><circle r="2" fill="#FFCE5C"/></pattern>
        <pattern id="odd" width="8" height="8" patternUnits="userSpaceOnUse"><path d="M0 0h4" stroke="#111111"/></pattern></defs>
        <rect width="9" height="9" fill="#E46F58"/><rect width="9" height="9" style="fill:#E46F58"/><rect width="9" height="9" fill="#121720"/>
        <rect width="9" height="9" fill="url(#metal-sky)"/><rect width="9" height="9" fill="url(#again)"/><rect width="9" height="9" fill="url(#weave)"/><rect width="9" height="9" fill="url(#odd)"/><script>x()</script>
      SVG
      expect(swatches(result)["Colours"].first).to eq ["", "#E46F58"]
      expect(result.palette.groups[0].swatches[0].note).to eq "2 places"
      expect(result.palette.groups.drop(1).flat_map(&:swatches).to_h { |swatch| [swatch.name, [swatch.compound.form, swatch.compound.angle, swatch.compound.inks.map { |ink| ink.colour.hex }]] }).to eq(
        "Metal sky" => ["linear", 90.0, %w[#231F55 #E46F5880]], "Again" => ["linear", 0.0, %w[#231F55 #E46F5880]], "Weave" => ["dots", 0.0, %w[#231F55 #FFCE5C]]
      )
      expect([result.palette.name, notes(result)]).to match ["moor", [/#odd: a pattern of another kind/, /script element: left out of the drawing/]]
    end

    it "reads sheets of others: titled rectangles in titled groups" do
      result = read(svg('<g><title>Dusk</title><rect width="9" height="9" fill="#E46F58"><title>Ember</title><desc>for the tail</desc></rect><rect width="9" height="9"><title>None</title></rect></g>'))
      expect([swatches(result), notes(result), result.words]).to eq [{"Dusk" => [["Ember", "#E46F58"]]}, ["line 1: it has no colour, left out"], "A sheet of swatches as SVG"]
      expect(read(svg('<g><title>Dusk</title><circle r="9" fill="#E46F58"/></g>')).words).to start_with "A drawing of 1 part"
    end

    it "writes what stands exactly beside what everybody can draw" do
      palette = Magpie::Palette.new(name: "House & home", groups: [Magpie::Palette::Group.new(name: "<Dusk>", swatches: [Magpie::Palette::Swatch.new(name: "Ember", colour: hex("oklch(0.68 0.14 34 / 0.5)"))])])
      text = described_class.write(palette)
      expect(text).to include("<title>House &amp; home</title>", "<title>&lt;Dusk&gt;</title>", 'fill="#E1755C" fill-opacity="0.5" style="fill:oklch(0.68 0.14 34)"')
    end
  end
end
