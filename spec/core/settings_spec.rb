RSpec.describe Magpie::Artwork::Settings do
  def read(inner) = Magpie::Artwork.read(%(<svg xmlns="http://www.w3.org/2000/svg" width="90" height="60">#{inner}</svg>))

  let(:drawing) do
    read <<~SVG
      <defs><filter id="soft"><feGaussianBlur stdDeviation="2"/></filter></defs>
      <g stroke="#231F55" stroke-width="3" stroke-dasharray="4 2"><path id="moor" d="M0 0h9"/><path id="ring" d="M0 0h9" stroke-width="1.5" opacity="50%"/></g>
      <rect id="sky" width="9" height="9" fill="#E46F58" style="mix-blend-mode:multiply;isolation:isolate" filter="url(#soft)"/>
      <text id="words" font-family="'Bricolage &quot;Grotesque&quot;'" stroke-width="2">a &gt; b</text>
    SVG
  end

  def file(key) = described_class.of(drawing.template)[key]

  it "says what the file has, groups included" do
    expect(file("moor")).to eq described_class.new(**described_class::USUAL.to_h, width: 3.0, dash: "4 2")
    expect(file("ring").to_h).to include(width: 1.5, dash: "4 2", opacity: 0.5)
    expect(file("sky").to_h).to include(width: 1.0, dash: "none", blend: "multiply", filter: "url(#soft)")
  end

  it "has what files say in units, or in what is none, as what can be set, so that it can be given to others" do
    said = {
      %(stroke-dasharray="5px,3px") => "5 3", %(stroke-dasharray="1mm .5in") => "3.7795 48", %(stroke-dasharray="10%") => "7.6485", %(stroke-dasharray="1e1 2") => "10 2", %(stroke-dasharray="0 0") => "none",
      %(stroke-dasharray="-1 2") => "7", %(stroke-dasharray="inherit") => "7", %(stroke-dasharray="1em") => "7", %(stroke-dasharray="#{(["1 2"] * 40).join(" ")}") => (["1 2"] * 32).join(" "), %(stroke-dasharray="999999 1") => "99999 1"
    }
    drawing = read(%(<g stroke="#231F55" stroke-dasharray="7">#{said.keys.each_with_index.map { |text, index| %(<path id="p#{index}" d="M0 0h9" #{text}/>) }.join}</g>
      <path id="wide" d="M0 0h9" stroke="#000" stroke-width="2mm"/><path id="vast" d="M0 0h9" stroke="#000" stroke-width="20000"/><path id="odd" d="M0 0h9" fill="#000" style="mix-blend-mode:plus-lighter" opacity="7"/>))
    found = described_class.of(drawing.template)
    expect(said.keys.each_index.map { |index| found["p#{index}"].dash }).to eq said.values
    expect([found["wide"].width.round(3), found["vast"].width, found["odd"].blend, found["odd"].opacity]).to eq [7.559, 10_000.0, "normal", 1.0]
    expect(found.values.map { |each| described_class.from(each.to_h) }).to eq found.values
  end

  it "takes the place of what the file has, each once, and leaves the rest" do
    given = {"ring" => {width: 2.25, dash: "none", opacity: 0.3}, "sky" => {blend: "screen", filter: "none"}, "words" => {hidden: true, filter: "url(#soft)"}}.transform_values { |each| described_class.from(each) }
    made = described_class.onto(drawing.template, given)
    now = described_class.of(made)
    expect(now["moor"]).to eq file("moor")
    expect(now["ring"].to_h).to include(width: 2.25, dash: "none", opacity: 0.3, blend: "normal")
    expect(now["sky"].to_h).to include(blend: "screen", filter: "none", opacity: 1.0)
    expect(now["words"].to_h).to include(hidden: true, filter: "url(#soft)")
    expect(made).to include("isolation:isolate").and include("a &gt; b")
    expect(Nokogiri::XML(made, &:strict).errors).to be_empty
    expect(made.scan('data-part="').size).to eq drawing.template.scan('data-part="').size
    expect(Magpie::Artwork::Opacities.of(made)["ring"]).to eq 0.3
    expect(described_class.onto(drawing.template, {})).to equal drawing.template
  end

  it "is painted so" do
    made = described_class.onto(drawing.template, {"sky" => described_class.from(hidden: true)})
    flat = Magpie::Painters::Flat.new(made, drawing.paints).to_s
    expect(flat).to match(/<rect [^>]*display="none"[^>]*>/)
  end

  it "is kept by role, and read again as it was kept" do
    settings = described_class.from("width" => 2.0, "opacity" => 0.5, "blend" => "hue", "other" => 1)
    expect([settings.kept("line"), settings.kept("fill"), settings.kept("stop")]).to eq [{"width" => 2.0}, {"opacity" => 0.5, "blend" => "hue"}, {}]
    expect(settings.properties("line")).to eq("stroke-width" => "2")
    expect(described_class.from(settings.kept("fill")).opacity).to eq 0.5
  end

  it "refuses what is none" do
    {width: -1.0, opacity: 1.5, dash: "4;2", blend: "glow"}.each { |name, value| expect { described_class.from(name => value) }.to raise_error(Magpie::Error, /#{name}|is no|is none/), name.to_s }
    ["none", "4 2", "4,2", "0.5 1.25 3"].each { |dash| expect(described_class.from(dash:).dash).to eq dash }
  end
end
