require "vips"

RSpec.describe Magpie::Palette::Tile do
  compound = Magpie::Palette::Compound
  colours = %w[#231F55 #FFCE5C #E46F58 #2F8FA3].freeze

  def pattern(form, hexes, **given)
    made = Magpie::Palette::Compound.new(form:, angle: 0.0, size: 64.0, inks: [], **given)
    made.with(inks: Array.new(made.counts.begin) { |index| Magpie::Palette::Compound::Ink.new(colour: Magpie::Notation.parse(hexes[index % 4]), offset: 0.0) }).checked
  end

  # Two repeats and a half each way.
  def drawn(paint)
    mark = Magpie::Artwork::Identifiers::MARK
    template = %(<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 160 160" width="160" height="160"><rect width="160" height="160" data-part="#{mark}all"/></svg>)
    svg = Magpie::Painters::Flat.new(template, {["all", "fill"] => Magpie::Artwork::Paint.new(kind: :compound, opacity: 1.0, compound: paint)}).to_s
    Vips::Image.svgload_buffer(svg).flatten.copy_memory # drawn once, however often it is looked at
  end

  it "ships with stripes, dots and checks as a set of 24, of one to four inks" do
    expect(compound::PATTERNS.size).to eq 24
    expect(described_class.all.values.map(&:inks)).to all be_between(1, 4)
    expect(compound::FORMS.values.uniq.size).to eq compound::FORMS.size
  end

  compound::PATTERNS.each do |form|
    it "draws #{form} in all of its inks, again after its repeat" do
      paint = pattern(form, colours)
      image = drawn(paint)
      paint.inks.each_index { |number| expect([number, (image - drawn(paint.with_ink(number, Magpie::Notation.parse("#808080")))).abs.avg]).to satisfy { |_, difference| difference > 0.2 } }
      tile = paint.tile
      down = (tile ? 64.0 * tile.height / tile.width : 64.0)
      shifted = image.crop(64, 0, 96, 96)
      expect((shifted - image.crop(0, 0, 96, 96)).abs.avg).to be < 1
      expect((image.crop(0, down.round, 160, 32) - image.crop(0, 0, 160, 32)).abs.avg).to be < ((down % 1).zero? ? 1 : 12)
    end
  end

  # Where one repeat meets the next, no more changes than it does anywhere within.
  it "shows no seams" do
    compound::PATTERNS.each do |form|
      image = drawn(pattern(form, colours)).cast(:float)
      change = (image.crop(1, 0, 127, 128) - image.crop(0, 0, 127, 128)).abs.bandmean
      jumps = change.project.first.to_a.flatten.map { |column| column / 128 }
      expect([form, jumps[63] <= jumps.each_with_index.reject { |_, index| [62, 63, 64].include?(index) }.map(&:first).max + 1]).to eq [form, true]
    end
  end

  it "becomes another pattern with the inks that are there" do
    tartan = pattern("dots", colours).as("tartan").checked
    expect(tartan.inks.map { |ink| ink.colour.hex }).to eq %w[#231F55 #FFCE5C #231F55 #FFCE5C]
    expect(tartan.as("twill").checked.inks.size).to eq 2
    expect { pattern("dots", colours).with(form: "tartan").checked }.to raise_error Magpie::Error, "2 inks: expected 4"
  end

  # As many tiles are painted element by element, what reaches in from the next one lies as it
  # does in one tile.
  it "is the same in blocks of several tiles" do
    mark = Magpie::Artwork::Identifiers::MARK
    shown = ->(svg) { Vips::Image.svgload_buffer(%(<svg xmlns="http://www.w3.org/2000/svg" width="128" height="128"><defs>#{svg}</defs><rect width="128" height="128" fill="url(#p)"/></svg>).delete(mark)).flatten }
    compound::PATTERNS.each do |form|
      size = (described_class.all[form]&.width || 16.0) * 2 # whole px, or librsvg draws one tile unsharp
      tiles = Magpie::Painters::Tiles.new(pattern(form, colours, size:), Magpie::Painters::Writing.new)
      one, many = [1, 4].map { |times| shown.call(tiles.to_s("p", times:)) }
      expect([form, (one - many).abs.avg]).to match [form, be < 0.6]
    end
  end
end
