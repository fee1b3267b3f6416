require "vips"

RSpec.describe Magpie::Painters::OwnTile do
  drawing = <<~SVG
    <svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 40 20"><defs><linearGradient id="a"><stop offset="0" stop-color="#E46F58"/><stop offset="1" stop-color="#2F8FA3" stop-opacity=".5"/></linearGradient></defs>
    <rect width="40" height="20" fill="#231F55"/><circle cx="10" cy="10" r="6" fill="#FFCE5C" fill-opacity=".5"/><rect x="20" width="10" height="20" fill="url(#a)"/></svg>
  SVG

  def tile(bytes, name = "Dunes.svg") = Magpie::Palette::Tile.new(described_class.of(bytes, name))

  # On white.
  def shown(svg) = Vips::Image.svgload_buffer(svg).flatten(background: 255)

  around do |example|
    source = Magpie::Palette::Tile.source
    example.run
  ensure
    Magpie::Palette::Tile.source = source
  end

  def known(tile)
    Magpie::Palette::Tile.source = ->(form) { {"own_dunes" => tile}[form] }
    inks = tile.colours.first(tile.inks).map { |colour| Magpie::Palette::Compound::Ink.new(colour:, offset: 0.0) }
    Magpie::Palette::Compound.new(form: "own_dunes", angle: 0.0, size: 40.0, inks:).checked
  end

  def painted(compound, laid = nil)
    mark = Magpie::Artwork::Identifiers::MARK
    template = %(<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 120 60" width="120" height="60"><rect width="120" height="60" data-part="#{mark}all"/></svg>)
    Magpie::Painters::Flat.new(template, {["all", "fill"] => Magpie::Artwork::Paint.new(kind: :compound, opacity: 1.0, compound:, laid:)}).to_s
  end

  it "makes inks of a drawing's colours, and repeats it as it is" do
    made = tile(drawing)
    expect([made.title, made.width, made.height, made.inks]).to eq ["Dunes", 40.0, 20.0, 4]
    one, many = shown(drawing.sub("<svg", %(<svg width="40" height="20"))), shown(painted(known(made)))
    [[0, 0], [40, 20], [80, 40]].each { |x, y| expect((many.crop(x, y, 40, 20) - one).abs.max).to be <= 2 }
  end

  it "follows inks, also those of its gradients, with the opacity that each has there" do
    paint = known(tile(drawing))
    white = paint.inks.each_index.reduce(paint) { |made, number| made.with_ink(number, Magpie::Notation.parse("#FFFFFF")) }
    expect(shown(painted(white)).min).to be >= 254
    expect(painted(paint)).to include('fill="#FFCE5C" fill-opacity="0.5"').and include('stop-color="#2F8FA3" stop-opacity="0.5"')
  end

  it "keeps a picture as it is, as large as is needed, in the colours of a screen" do
    bytes = Vips::Image.black(3000, 1500).add([200, 100, 50]).cast(:uchar).copy(interpretation: :srgb).pngsave_buffer
    made = tile(bytes, "warm.png")
    expect([made.width, made.height, made.inks, made.picture.first, made.colours.map(&:hex)]).to eq [1024.0, 512.0, 0, "image/jpeg", ["#C86432"]]
    clear = tile(Vips::Image.black(8, 8).bandjoin([0, 0, 0]).copy(interpretation: :srgb).pngsave_buffer, "clear.png")
    expect(clear.picture.first).to eq "image/png"
    seen = shown(painted(known(made))).getpoint(60, 30)
    expect(seen.zip([200, 100, 50]).map { |one, two| (one - two).abs }.max).to be <= 2
    expect(known(made).colour.hex).to eq "#C86432"
    expect([known(made).as("dots").inks.size, known(made).as("dots").as("own_dunes").inks]).to eq [2, []]
  end

  it "tells where a tile meets itself, and does not take its own edges for seams" do
    seams = ->(svg) { Magpie::Painters::Seam.new(tile(svg)).edges.map(&:seen?) }
    expect(seams.call(drawing)).to eq [false, false]
    sky = '<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 64 64"><defs><linearGradient id="a" x2="0" y2="1"><stop stop-color="#231F55"/><stop offset="1" stop-color="#FFCE5C"/></linearGradient></defs><rect width="64" height="64" fill="url(#a)"/></svg>'
    expect(seams.call(sky)).to eq [false, true]
    expect(seams.call(sky.sub('x2="0" y2="1"', ""))).to eq [true, false]
  end

  it "refuses what is none by what is wrong" do
    empty = '<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 4 4"><g/></svg>'
    {empty => "paints nothing", "hello" => "Dunes.svg", drawing[0, 90] => "Dunes.svg"}.each { |bytes, words| expect { tile(bytes) }.to raise_error Magpie::Error, /#{words}/ }
    dense = drawing.sub("</svg>", "#{(0..9000).map { |at| %(<path d="M#{at} 0h1v1z" fill="#231F55"/>) }.join}</svg>")
    expect { tile(dense) }.to raise_error Magpie::Error, /kB as a tile: 300 at most/
    expect { Magpie::Palette::Compound.new(form: "own_gone", angle: 0.0, size: 9.0, inks: []).checked }.to raise_error Magpie::Error, /is no form/
  end

  it "goes out with no format, and says so" do
    swatch = Magpie::Palette::Swatch.new(name: "Dunes", colour: known(tile(drawing)).colour, compound: known(tile(drawing)))
    palette = Magpie::Palette.new(name: "P", groups: [Magpie::Palette::Group.new(name: "G", swatches: [swatch])])
    %w[tokens svg css].each do |key|
      sending = Magpie::Formats::Sending.new(palette, Magpie::Formats.written.find { |format| format.key == key })
      expect([key, sending.losses.map(&:words).join]).to match [key, /pattern/]
      expect(Magpie::Formats::Sending.new(palette, Magpie::Formats.written.find { |format| format.key == key }, {"patterns" => "inks"}).palette.swatches.size).to eq 4
    end
  end
end
