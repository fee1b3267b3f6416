RSpec.describe Magpie::Painters do
  template = %(<svg xmlns="http://www.w3.org/2000/svg" width="40" height="40"><rect width="40" height="40" data-part="#{Magpie::Artwork::Identifiers::MARK}all"/></svg>)
  let(:half) { Magpie::Notation.parse("#E46F5880") } # 128 of 255: 0.502
  let(:name) { described_class::Linked::Name.new("ember-sky", "Ember sky") }

  def paint(**given) = Magpie::Artwork::Paint.new(kind: :plain, opacity: 1.0, **given)

  def flat(paint) = described_class::Flat.new(template, {["all", "fill"] => paint}).to_s

  define_method(:template) { template }

  def linked(paint) = described_class::Linked.new(template, {["all", "fill"] => paint}, names: {7 => name, 8 => described_class::Linked::Name.new("lamp", "Lamp")}).to_s

  # How opaque librsvg paints its middle, 0..1.
  def seen(svg) = Vips::Image.svgload_buffer(svg)[3].avg / 255

  def gradient(*colours)
    Magpie::Palette::Compound.new(form: "linear", angle: 0.0, size: 12.0, inks: colours.each_with_index.map { |colour, at| Magpie::Palette::Compound::Ink.new(colour:, reference: 7 + at, offset: at.to_f) })
  end

  it "applies the opacity of a swatch and of a place once each, in every form" do
    {1.0 => 0.502, 0.5 => 0.251}.each do |opacity, expected|
      [paint(colour: half, opacity:), paint(colour: half, opacity:, reference: 7), paint(kind: :compound, compound: gradient(half, half), opacity:)].each do |each|
        [flat(each), linked(each)].each { |svg| expect(seen(svg)).to be_within(0.004).of(expected), svg }
      end
    end
  end

  it "gives a linked swatch an opaque property and leaves its opacity to the attribute" do
    svg = linked(paint(colour: half, reference: 7))
    expect(svg).to include("--ember-sky:#E46F58; /* Ember sky */", %(fill="#E46F58" fill-opacity="0.502" class="fill-ember-sky"))
  end

  it "writes gradients and patterns in their order, translucent inks once" do
    sky = Magpie::Palette::Compound.new(form: "linear", angle: 90.0, size: 12.0, inks: [["#FBDEA9", 1.0], ["#231F5580", 0.0]].map { |text, offset| Magpie::Palette::Compound::Ink.new(colour: Magpie::Notation.parse(text), offset:) })
    expect(flat(paint(kind: :compound, compound: sky))).to include(%(<stop offset="0" stop-color="#231F55" stop-opacity="0.502"/><stop offset="1" stop-color="#FBDEA9"/>))
    dots = Magpie::Palette::Compound.new(form: "dots", angle: 0.0, size: 8.0, inks: sky.inks)
    expect(flat(paint(kind: :compound, compound: dots))).to include(%(r="2.0" fill="#231F55" fill-opacity="0.502"))
  end

  it "tells apart gradients that look alike and follow differently" do
    one = gradient(half, half)
    paints = {["all", "fill"] => paint(kind: :compound, compound: one), ["all", "line"] => paint(kind: :compound, compound: one.referring(0 => 8))}
    expect(described_class::Flat.new(template, paints).to_s.scan("<stop").size).to eq 4
  end

  it "survives identifiers with signs that XML writes otherwise" do
    artwork = Magpie::Artwork.read(%(<svg xmlns="http://www.w3.org/2000/svg" width="9" height="9"><defs><linearGradient id="dusk &amp; &lt;dawn&gt;"><stop stop-color="#E46F58"/></linearGradient></defs><rect id="sky &amp; &quot;moor&quot;" width="9" height="9" fill="url(#dusk &amp; &lt;dawn&gt;)"/></svg>))
    document = Nokogiri::XML(described_class::Flat.of(artwork))
    expect(document.errors).to be_empty
    expect(document.at_css("rect")["fill"]).to eq "url(##{document.at_css("linearGradient")["id"]})"
    expect(document.at_css("rect")["id"]).to match(/\Aid-\h{16}\z/)
    expect(artwork.parts.map(&:label)).to include("Sky & \"moor\"")
  end
end
