require "vips"

RSpec.describe Magpie::Artwork::Lines do
  settings = Magpie::Artwork::Settings

  def artwork(inner) = Magpie::Artwork.read(%(<svg xmlns="http://www.w3.org/2000/svg" width="120" height="120">#{inner}</svg>))

  # On white; with #FFCE5C for fills and #231F55 for lines.
  def drawn(artwork, **set)
    template = Magpie::Artwork::Settings.onto(artwork.template, artwork.parts.to_h { |part| [part.key, Magpie::Artwork::Settings.from(set)] })
    Vips::Image.svgload_buffer(Magpie::Painters::Flat.new(template, artwork.paints).to_s).flatten(background: 255).copy_memory
  end

  def colour(image, x, y) = image.getpoint(x, y).first(3).map(&:round).then { |channels| {[255, 206, 92] => :fill, [35, 31, 85] => :line, [255, 255, 255] => nil}.fetch(channels, channels) }

  closed = {
    "rect" => '<rect x="20" y="20" width="80" height="80" PAINT/>', "ellipse" => '<ellipse cx="60" cy="60" rx="40" ry="40" PAINT/>', "polygon" => '<polygon points="20 20 100 20 100 100 20 100" PAINT/>',
    "path" => '<path d="M20 20h80v80h-80z" PAINT/>'
  }.transform_values { |shape| shape.sub("PAINT", 'fill="#FFCE5C" stroke="#231F55" stroke-width="8"') }

  closed.each do |name, shape|
    it "lies on each side of a #{name}, and double" do
      along = ->(**set) { drawn(artwork(shape), **set).then { |image| [14, 18, 22, 26, 30].map { |x| colour(image, x, 60) } } }
      expect(along.call(width: 8.0)).to eq [nil, :line, :line, :fill, :fill]
      expect(along.call(side: "inside")).to eq [nil, nil, :line, :line, :fill]
      expect(along.call(side: "outside")).to eq [:line, :line, :fill, :fill, :fill]
      at = ->(xs, **set) { drawn(artwork(shape), width: 12.0, run: "double", **set).then { |image| xs.map { |x| colour(image, x, 60) } } }
      expect(at.call([12, 15, 19, 21, 24, 28])).to eq [nil, :line, nil, :fill, :line, :fill]
      expect(at.call([17, 21, 26, 30, 33], side: "inside")).to eq [nil, :line, :fill, :line, :fill]
      expect(at.call([5, 9, 14, 18, 22], side: "outside")).to eq [nil, :line, nil, :line, :fill]
    end
  end

  it "has marks where a line begins and ends, the way it goes there" do
    open = {
      '<line x1="30" y1="60" x2="80" y2="60" PAINT/>' => [[30, 60], [80, 60]], '<polyline points="30 90 30 60 80 60 80 30" PAINT/>' => [[30, 90], [80, 30]],
      '<path d="M30 60q25-40 50 0" PAINT/>' => [[30, 60], [80, 60]], '<path d="m30 60a25 25 0 0 1 50 0" PAINT/>' => [[30, 60], [80, 60]], '<path d="M30 60C30 60 80 60 80 60" PAINT/>' => [[30, 60], [80, 60]]
    }.transform_keys { |shape| shape.sub("PAINT", 'fill="none" stroke="#231F55" stroke-width="4"') }
    open.each do |shape, ends|
      plain, marked = [{}, {first_mark: "dot", last_mark: "block"}].map { |set| drawn(artwork(shape), width: 4.0, **set) }
      ends.each { |x, y| [[-5, 0], [5, 0], [0, -5], [0, 5]].each { |dx, dy| expect([shape, dx, dy, colour(marked, x + dx, y + dy)]).to eq [shape, dx, dy, :line] } }
      expect((plain - marked).abs.avg).to be > 0.5
    end
    expect(Magpie::Artwork::Path.ends("M0 0L10 0L10 20")).to eq [[[0.0, 0.0], [-10.0, 0.0]], [[10.0, 20.0], [0.0, 20.0]]]
    turned = Magpie::Artwork::Path.ends("M0 0A10 10 0 0 1 10 10")
    expect(turned[0][1].map { |value| value.round(6) }.then { |x, y| [x / x.abs, y] }).to eq [-1.0, 0.0]
    expect(turned[1][1].map { |value| value.round(6) }.then { |x, y| [x.abs, y / y.abs] }).to eq [0.0, 1.0]
    expect(Magpie::Artwork::Marks::ALL.keys.drop(1).map { |name| Magpie::Artwork::Marks.at(name, [[5, 5], [1, 0]], 2.0)["d"] }).to all match(/\AM[-\d.eML Z]+\z/)
  end

  it "takes what cannot be for nothing: a side of an open line, a mark of a closed one, a line without a width" do
    expect(drawn(artwork('<path d="M20 60h80" stroke="#231F55" stroke-width="8"/>'), side: "inside")).to satisfy { |image| colour(image, 60, 62) == :line && colour(image, 60, 57) == :line }
    rect = artwork(closed["rect"])
    [{last_mark: "wedge"}, {run: "double", width: 0.0}, {side: "middle", run: "plain"}].each do |set|
      made = settings.onto(rect.template, {rect.parts.first.key => settings.from(set)})
      expect([set, made.include?("<g")]).to eq [set, false]
    end
    expect([["M0 0h9v9z", true], ["M0 0h9v9zM1 1h3", false], ["M0 0h9v9zm1 1h3v3z", true], ["M0 0h9", false], ["", false]].map { |d, _| Magpie::Artwork::Path.closed?(d) }).to eq [true, false, true, false, false]
  end

  it "keeps the holes of a shape, whoever says how it is filled" do
    ring = '<path d="M20 20h80v80h-80zM40 40h40v40h-40z" fill="#FFCE5C" stroke="#231F55" stroke-width="8"/>'
    [ring.sub("<path", '<path fill-rule="evenodd"'), %(<g fill-rule="evenodd">#{ring}</g>)].each do |shape|
      image = drawn(artwork(shape), side: "inside")
      expect([18, 22, 33, 37, 42].map { |x| colour(image, x, 60) }).to eq [nil, :line, :line, :line, nil]
    end
  end

  it "is one element for whoever paints, with what the part had, and its coordinates" do
    shape = '<path id="a&amp;b" d="M20 20h80v80h-80z" transform="translate(3)" opacity=".5" fill-rule="evenodd" fill="#FFCE5C" stroke="#231F55" stroke-width="8"><title>x</title></path>'
    made = settings.onto(artwork(shape).template, {artwork(shape).parts.first.key => settings.from(side: "inside", run: "double", dash: "4 2")})
    root = Nokogiri::XML(made, &:strict).remove_namespaces!.root
    group = root.at("g")
    expect(root.xpath("//*[@data-part]").map(&:name)).to eq ["g"]
    expect(group.attributes.transform_values(&:value)).to include("transform" => "translate(3)", "opacity" => ".5", "fill-rule" => "evenodd", "stroke-dasharray" => "4 2")
    expect(group.xpath(".//path").map { |path| path["d"] }.uniq).to eq ["M20 20h80v80h-80z"]
    expect(group.xpath(".//*[@transform or @opacity]")).to be_empty
    expect(settings.of(made).values.first.to_h).to include(dash: "4 2", opacity: 0.5, width: 8.0)
  end

  it "is stitched after its dashes, or in stitches of its width" do
    shape = artwork('<path d="M10 60h100" fill="none" stroke="#231F55" stroke-width="8"/>')
    usual, dashed = [{}, {dash: "30 20"}].map { |set| settings.onto(shape.template, {shape.parts.first.key => settings.from(run: "stitched", **set)}) }
    expect(usual).to include('stroke-dasharray="20.8 17.6"')
    expect(Nokogiri::XML(dashed).remove_namespaces!.at("g")["stroke-dasharray"]).to eq "30 20"
    image = drawn(shape, run: "stitched", dash: "30 20")
    expect([colour(image, 20, 57), colour(image, 52, 57), colour(image, 52, 60).nil?]).to eq [:line, nil, false]
  end

  it "refuses what is none" do
    {cap: "flat", join: "mitre", limit: 0.5, side: "left", run: "triple", first_mark: "arrow", last_mark: "heart"}.each { |name, value| expect { settings.from(name => value) }.to raise_error Magpie::Error }
  end

  describe "grain" do
    fill = '<rect x="20" y="20" width="80" height="80" fill="#808080" stroke="#231F55" stroke-width="8"/>'
    inside = [30, 30, 60, 60]

    it "lies on the fill, more with its amount, as large as is said, and the same always" do
      spread = ->(**set) { drawn(artwork(fill), **set).crop(*inside)[0].then { |image| [image.deviate, image.avg] } }
      plain, some, much, coarse = spread.call(grain: 0.0), spread.call(grain: 0.2), spread.call(grain: 0.8), spread.call(grain: 0.8, grain_size: 8.0)
      expect([plain[0], some[0] < much[0] / 2, some[0] > 1]).to eq [0, true, true]
      expect([plain, some, much, coarse].map(&:last)).to all be_within(8).of(128)
      image = ->(size) { drawn(artwork(fill), grain: 0.8, grain_size: size).crop(*inside)[0] }
      turns = ->(one) { (one.crop(0, 0, 59, 60).cast(:float) - one.crop(1, 0, 59, 60)).abs.avg }
      expect(turns.call(image.call(1.0))).to be > 2 * turns.call(image.call(8.0))
      expect((image.call(2.0) - image.call(2.0)).abs.max).to eq 0
      expect(colour(drawn(artwork(fill), grain: 1.0), 18, 60)).to eq :line
      expect(Magpie::Artwork::Grain.tile.size).to be < 60_000
    end

    it "is a picture of the grains that are drawn, and the same where fills are opaque" do
      picture = Vips::Image.new_from_file(Magpie::Artwork::Grain::FILE)
      shown = Vips::Image.svgload_buffer(Magpie::Artwork::Grain.drawn)
      expect((picture - shown[1].bandjoin(shown[3])).abs.avg).to be < 1
      art = artwork(fill)
      one, two = [[], art.parts.map(&:key)].map { |opaque| Magpie::Painters::Flat.new(settings.onto(art.template, {art.parts.first.key => settings.from(grain: 0.8)}, opaque:), art.paints).to_s }
      expect([one, two].map { |svg| svg.include?("<mask") }).to eq [true, false]
      expect((Vips::Image.svgload_buffer(one) - Vips::Image.svgload_buffer(two)).abs.avg).to be < 0.2
    end

    it "is as opaque as the fill is, and none where there is none" do
      clear = drawn(artwork(fill.sub("/>", ' fill-opacity=".25"/>')), grain: 1.0).crop(*inside)[0].deviate
      expect(clear).to be < drawn(artwork(fill), grain: 1.0).crop(*inside)[0].deviate / 2
      expect(drawn(artwork(fill.sub("#808080", "none")), grain: 1.0).crop(*inside).min).to eq 255
      faded = artwork('<defs><linearGradient id="a"><stop stop-color="#808080"/><stop offset="1" stop-color="#808080" stop-opacity="0"/></linearGradient></defs>' + fill.sub("#808080", "url(#a)"))
      image = drawn(faded, grain: 1.0)[0]
      expect(image.crop(88, 30, 6, 60).deviate).to be < image.crop(30, 30, 6, 60).deviate / 2
    end

    it "is refused where it is none" do
      [{grain: 2.0}, {grain_size: 0.0}].each { |given| expect { settings.from(given) }.to raise_error Magpie::Error }
    end
  end
end
