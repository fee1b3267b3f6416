RSpec.describe "What parts are painted with", :data do
  let(:project) { new_project }
  let!(:poster) { bring_in_poster(project) }
  let(:winter) { Changes::AddColourway.perform(project, actor:, artwork: poster) }
  let(:lamp) { keep(project, "Lamp", "#FFCE5C").tap { |swatch| share(project, swatch, ticks: []) }.reload }
  let(:plum) { keep(project, "Plum", "#5F3566") }

  def ink(text, offset, **given) = Magpie::Palette::Compound::Ink.new(colour: hex(text), offset:, **given)

  def dusk(**given) = Magpie::Palette::Compound.new(form: "linear", angle: 90.0, size: 24.0, mixing: "oklab", **given, inks: [ink("#231F55", 0.0), ink("#111111", 1.0, reference: plum.id)])

  def paint(*keys, artwork: poster, laid: nil, **given) = Changes::PaintParts.perform(project, actor:, artwork:, numbers: numbers(poster, *keys), role: "fill", paint: dusk(**given), laid:)

  def switch(kind, *keys, artwork: poster, content: nil) = Changes::SwitchPaints.perform(project, actor:, artwork:, numbers: numbers(poster, *keys), role: "fill", kind:, content:)

  def shown(key, artwork: poster) = Dressing.new(artwork).paints[[key, "fill"]]

  let(:laid) { Magpie::Artwork::Placing.new(from: [0.1, 0.2], to: [0.9, 0.4]) }

  it "may be a gradient of their own, whose stops share and follow swatches" do
    plum
    undone { paint("moor", "plum_band", laid:) }
    expect(RecordedChange.order(:id).last.words).to eq "Painted 2 parts with a gradient"
    expect([shown("moor").compound.inks.map { |each| [each.colour.hex, each.reference] }, shown("moor").laid, plum.reload.shared]).to eq [[["#231F55", nil], ["#5F3566", plum.id]], laid, true]
    Changes::ChangeSwatch.perform(project, actor:, swatch: plum, colour: hex("#2F8FA3"), definition: "", before: plum.hex)
    expect(shown("plum_band").compound.inks[1].colour.hex).to eq "#2F8FA3"
  end

  it "lies otherwise by itself, in each colourway, whatever it follows" do
    evening = Changes::KeepPaint.perform(project, actor:, paint: dusk, group: project.groups.first, name: "Evening")
    Changes::DressParts.perform(project, actor:, artwork: poster, numbers: numbers(poster, "moor"), role: "fill", content: Hand::Content.of_swatch(evening))
    winter
    undone { Changes::LayParts.perform(project, actor:, artwork: winter, numbers: numbers(poster, "moor"), role: "fill", laid:) }
    expect([shown("moor").laid, shown("moor", artwork: winter).laid, place(winter, "moor").swatch_id]).to eq [nil, laid, evening.id]
    Changes::LayParts.perform(project, actor:, artwork: winter, numbers: numbers(poster, "moor"), role: "fill", laid: nil)
    expect(Place.where(artwork_id: winter.id)).to be_empty
  end

  it "never hands on how it lay to what comes after it" do
    contents = [nil, Hand::Content.of_swatch(lamp), Hand::Content.of_swatch(plum), Hand::Content.new(name: "x", colour: hex("#E46F58"))]
    contents.each do |content|
      paint("moor", laid:)
      Changes::DressParts.perform(project, actor:, artwork: poster, numbers: numbers(poster, "moor"), role: "fill", content:)
      expect([content&.name, place(poster, "moor").laid]).to eq [content&.name, nil]
    end
    paint("moor", laid:)
    paint("moor")
    expect(place(poster, "moor").laid).to be_nil
    paint("moor", laid:)
    Changes::LinkStrays.perform(project, actor:, artworks: [poster], links: {"#5F3566" => lamp})
    Changes::CarryDress.perform(project, actor:, artwork: poster, numbers: numbers(poster, "moor"), from: [poster, numbers(poster, "dome_roof").first], what: ["fill"])
    expect(place(poster, "moor").laid).to be_nil
  end

  it "is switched between plain, gradient, pattern and none, and each comes back as it was" do
    Changes::DressParts.perform(project, actor:, artwork: poster, numbers: numbers(poster, "moor"), role: "fill", content: Hand::Content.of_swatch(lamp))
    plum
    undone { switch("gradient", "moor", content: Hand::Content.of_swatch(plum)) }
    expect(shown("moor").compound.inks.map { |each| [each.colour.hex, each.reference] }).to eq [["#FFCE5C", lamp.id], ["#5F3566", nil]] # only what is shared is followed
    paint("moor", laid:, extent: "mirror")
    undone { switch("plain", "moor") }
    expect([shown("moor").reference, shown("moor").compound]).to eq [lamp.id, nil]
    undone { switch("none", "moor") }
    undone { switch("pattern", "moor") }
    expect(shown("moor").compound).not_to be_gradient
    undone { switch("gradient", "moor") }
    expect([shown("moor").compound.extent, shown("moor").laid, shown("moor").compound.inks[1].reference]).to eq ["mirror", laid, plum.id]
    expect { switch("gradient", "moor") }.to raise_error Magpie::Error, "There is nothing to switch: Moor is so already"
  end

  it "is remembered also where something else was given, and has the value of then where it follows no longer" do
    paint("moor", laid:)
    Changes::DressParts.perform(project, actor:, artwork: poster, numbers: numbers(poster, "moor"), role: "fill", content: Hand::Content.of_swatch(lamp))
    Changes::ChangeSwatch.perform(project, actor:, swatch: plum.reload, colour: hex("#2F8FA3"), definition: "", before: plum.hex)
    switch("gradient", "moor")
    expect(shown("moor").compound.inks.map { |each| [each.colour.hex, each.reference] }).to eq [["#231F55", nil], ["#2F8FA3", plum.id]]
    switch("plain", "moor")
    Changes::LoosenSwatches.perform(project, actor:, swatches: [plum.reload, lamp])
    switch("gradient", "moor")
    expect(shown("moor").compound.inks.map { |each| [each.colour.hex, each.reference] }).to eq [["#231F55", nil], ["#2F8FA3", nil]]
  end

  it "brings the file's own gradient back, but not after another file came" do
    svg = %(<svg xmlns="http://www.w3.org/2000/svg" width="9" height="9"><defs><linearGradient id="dusk"><stop stop-color="#231F55"/><stop offset="1" stop-color="#E46F58"/></linearGradient></defs><rect id="sky" width="9" height="9" fill="url(#dusk)"/></svg>)
    card = Changes::BringInArtwork.perform(project, actor:, name: "Card.svg", bytes: svg)
    sky = card.parts.find_by!(key: "sky").position
    switch = ->(kind, artwork = card) { Changes::SwitchPaints.perform(project, actor:, artwork:, numbers: [sky], role: "fill", kind:) }
    switch.call("plain")
    switch.call("gradient")
    expect(Dressing.new(card).paints[["sky", "fill"]].server).to eq "url(#dusk)"
    switch.call("none")
    Changes::ReplaceArtwork.perform(project, actor:, artwork: card, name: "Card.svg", bytes: svg.gsub("dusk", "dawn"))
    card = Artwork.where(name: "Card", removed_at: nil).sole
    sky = card.parts.find_by!(key: "sky").position
    switch.call("gradient", card)
    expect(Dressing.new(card).flat).not_to include("url(#dusk)")
  end

  it "is kept as a swatch, which they follow from then on and in which it lies as it did" do
    paint("moor", "plum_band", laid:)
    group = project.groups.first
    undone do
      Changes::KeepPaint.perform(project, actor:, paint: shown("moor").compound, group:, name: "Evening", parts: {artwork: poster, numbers: numbers(poster, "moor", "plum_band"), role: "fill"})
    end
    evening = Swatch.find_by!(name: "Evening")
    expect([place(poster, "moor").swatch_id, place(poster, "plum_band").laid, shown("moor").compound.mixing]).to eq [evening.id, laid, "oklab"]
    Changes::KeepPaint.perform(project, actor:, paint: evening.paint.with(extent: "mirror"), swatch: evening)
    expect([shown("moor"), shown("plum_band")].map { |each| [each.compound.extent, each.laid] }).to eq [["mirror", laid]] * 2
    Changes::RemoveSwatches.perform(project, actor:, swatches: [evening], replacements: {})
    expect([shown("moor").compound.extent, shown("moor").laid, shown("moor").compound.inks[1].reference]).to eq ["mirror", laid, plum.id]
  end

  it "refuses what it cannot be" do
    evening = Changes::KeepPaint.perform(project, actor:, paint: dusk, group: project.groups.first, name: "Evening")
    expect { Changes::PaintParts.perform(project, actor:, artwork: poster, numbers: [0], role: "fill", paint: dusk.referring(0 => evening.id)) }.to raise_error Magpie::Error, /Evening is a gradient or pattern itself/
    expect { switch("glow", "moor") }.to raise_error Magpie::Error, /"glow" is nothing that a part is painted with/
    expect { Changes::PaintParts.perform(project, actor:, artwork: poster, numbers: [0], role: "fill", paint: dusk, tint: [0, 40.0]) }.to raise_error Magpie::Error, /follows no swatch/
    Changes::LockParts.perform(project, actor:, artwork: poster, numbers: numbers(poster, "moor"), locked: true)
    expect { paint("moor") }.to raise_error Magpie::Error, "Moor is locked. Unlock it first"
  end

  it "repeats tiles of a project's own, which others of the house show, too, and which go on when they leave the list" do
    svg = '<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 8 8"><rect width="8" height="8" fill="#231F55"/></svg>'
    bring_in = ->(name = "Dunes.svg", bytes = svg) { Changes::BringInTile.perform(project, actor:, name:, bytes:) }
    tile = nil
    undone { tile = bring_in.call }
    expect { bring_in.call("Again.svg", svg.sub("<rect", "<rect id='x'")) }.not_to raise_error
    expect { bring_in.call }.to raise_error Magpie::Error, "Dunes.svg is here already, as Dunes"
    expect { bring_in.call("Bad.svg", "<svg") }.to raise_error Magpie::Error, /Bad.svg/
    form = project.own_tiles.first.form
    Changes::PaintParts.perform(project, actor:, artwork: poster, numbers: numbers(poster, "moor"), role: "fill", paint: dusk.as(form).referring(0 => plum.id), laid: Magpie::Artwork::Tiling.new(fit: "filling"))
    undone { Changes::RemoveTile.perform(project, actor:, tile:) }
    expect([shown("moor").compound.title, shown("moor").compound.inks.first.colour.hex, project.own_tiles.count]).to eq ["Dunes", plum.hex, 1]
  end

  it "finds nothing of how another fill lay, whatever it is" do
    tiling = Magpie::Artwork::Tiling.new(scale: 0.05, mirror: "both", fit: "fitted")
    pattern = dusk.as("twill")
    [-> { switch("plain", "moor") }, -> { switch("gradient", "moor") }, -> { Changes::DressParts.perform(project, actor:, artwork: poster, numbers: numbers(poster, "moor"), role: "fill", content: Hand::Content.of_swatch(plum)) }].each do |change|
      Changes::PaintParts.perform(project, actor:, artwork: poster, numbers: numbers(poster, "moor"), role: "fill", paint: pattern, laid: tiling)
      change.call
      expect(place(poster, "moor").laid).to be_nil
    end
    Changes::PaintParts.perform(project, actor:, artwork: poster, numbers: numbers(poster, "moor"), role: "fill", paint: pattern, laid: tiling)
    switch("plain", "moor")
    switch("pattern", "moor")
    expect(place(poster, "moor").laid).to eq tiling
  end
end
