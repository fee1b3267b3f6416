require "vips"

RSpec.describe Magpie::Artwork::Gradients do
  stops = '<stop stop-color="#231F55"/><stop offset=".4" stop-color="#FFCE5C"/><stop offset="1" stop-color="#2F8FA3" stop-opacity=".6"/>'
  # Gradients as drawings have them. Not in a part that is turned: there librsvg takes the box
  # of its box for its box.
  drawn = {
    "across the box" => %(<linearGradient id="g">#{stops}</linearGradient>),
    "askew in the box" => %(<linearGradient id="g" x1="10%" y1="0" x2=".8" y2="70%">#{stops}</linearGradient>),
    "turned and skewed" => %(<linearGradient id="g" gradientTransform="rotate(30) skewX(20) scale(.7 1.4)">#{stops}</linearGradient>),
    "in units of the part" => %(<linearGradient id="g" gradientUnits="userSpaceOnUse" x1="40" y1="20" x2="220" y2="140" gradientTransform="translate(10 -5) skewY(15)">#{stops}</linearGradient>),
    "again and back" => %(<linearGradient id="g" x2=".3" spreadMethod="reflect">#{stops}</linearGradient>),
    "with stops of another" => %(<linearGradient id="h" x1=".2" spreadMethod="repeat">#{stops}</linearGradient><linearGradient id="i" href="#h" x2=".5"/><linearGradient id="g" href="#i" y2="1"/>),
    "of another kind's stops" => %(<linearGradient id="h" x1=".9" gradientTransform="rotate(10)">#{stops}</linearGradient><radialGradient id="g" href="#h" r="40%"/>),
    "round" => %(<radialGradient id="g" gradientUnits="userSpaceOnUse" cx="150" cy="90" r="70">#{stops}</radialGradient>),
    "round in per cent" => %(<radialGradient id="g" gradientUnits="userSpaceOnUse" cx="50%" cy="50%" r="20%" spreadMethod="repeat">#{stops}</radialGradient>),
    "round, squashed and skewed" => %(<radialGradient id="g" gradientTransform="translate(.1 .1) rotate(25) skewX(30) scale(1 .5)">#{stops}</radialGradient>),
    "mirrored with a focus" => %(<radialGradient id="g" cx=".4" cy=".6" r=".5" fx=".6" fy=".5" gradientTransform="matrix(-.8 .3 .1 1 .9 -.2)">#{stops}</radialGradient>),
    "of one stop" => %(<linearGradient id="g"><stop offset=".3" stop-color="#E46F58"/></linearGradient>),
    "with stops out of order" => %(<linearGradient id="g"><stop offset=".6" stop-color="#231F55"/><stop offset=".2" stop-color="#E46F58"/><stop offset="2" stop-color="#FFCE5C"/></linearGradient>)
  }.freeze

  def artwork(defs)
    Magpie::Artwork.read(%(<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 300 200" width="300" height="200"><defs>#{defs}</defs><rect width="300" height="200" fill="#fff"/><g transform="translate(20 30) scale(.8 .7)"><path id="sky" d="M20 10H280V150Q150 190 20 130z" fill="url(#g)"/></g></svg>))
  end

  def inks(artwork) = artwork.places.select { |place| place.role == "stop" }.to_h { |place| [place.part, Magpie::Palette::Compound::Ink.new(colour: place.paint.shown)] }

  # With the same gradient as one of a palette.
  def remade(artwork, across: nil)
    found = described_class.new(artwork.template)["url(#g)"]
    frame = Magpie::Artwork::Frames.new(artwork.template)["sky"]
    paint = Magpie::Artwork::Paint.new(kind: :compound, opacity: 1.0, compound: found.compound(inks(artwork)), laid: found.placing(frame, across:))
    Magpie::Painters::Flat.new(artwork.template, artwork.paints.merge(["sky", "fill"] => paint)).to_s
  end

  def difference(one, two) = [one, two].map { |svg| Vips::Image.svgload_buffer(svg).flatten.colourspace(:lab) }.reduce(:dE00).avg

  drawn.each do |name, defs|
    it "lays out one #{name} as it is seen, by the part and across the drawing" do
      read = artwork(defs)
      expect(difference(Magpie::Painters::Flat.of(read), remade(read))).to be < 0.1
      expect(difference(Magpie::Painters::Flat.of(read), remade(read, across: [0.0, 0.0, 300.0, 200.0]))).to be < 0.1
    end
  end

  it "knows what is none, has no stops, or refers to itself" do
    read = artwork(%(<pattern id="g" width="9" height="9"><rect width="5" height="5"/></pattern>))
    expect(described_class.new(read.template)["url(#g)"]).to be_nil
    read = artwork(%(<linearGradient id="g" href="#h"/><linearGradient id="h" href="#g"/>))
    expect([described_class.new(read.template)["url(#g)"], described_class.new(read.template)["context-fill"]]).to eq [nil, nil]
  end

  it "refuses more stops than can be edited, by their number" do
    read = artwork(%(<linearGradient id="g">#{Array.new(60) { |n| %(<stop offset="#{n / 60.0}" stop-color="#E46F58"/>) }.join}</linearGradient>))
    expect { described_class.new(read.template)["url(#g)"].compound(inks(read)) }.to raise_error Magpie::Error, /60 inks: expected 2 to 48/
  end
end
