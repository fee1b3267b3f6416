require "support/desks"

RSpec.describe Places::Palettes, :data do
  let(:project) { new_project }
  let(:group) { project.groups.first }
  let(:ember) { keep(project, "Ember sky", "#E46F58") }
  let(:dome) { keep(project, "Dome", "#A8ADBA") }

  def page(**given) = Places::Palettes::Page.new(desk(project), asking(**given))

  describe described_class::Page do
    it "is about a swatch, if it is shown" do
      hidden = keep(new_project("Star trail"), "Elsewhere", "#111111")
      expect([page(swatch: ember.id).swatch, page(swatch: hidden.id).swatch, page(swatch: "x").swatch]).to eq [ember, nil, nil]
      expect([page.side, page(swatch: ember.id).side, page(swatch: ember.id, side: "palette").side]).to eq %w[palette swatch palette]
      expect(page(swatch: ember.id).palette.id).to eq project.palettes.first.id
    end

    it "does a task with what is selected, and nothing that is none" do
      choose(project, {"selected" => [dome.id, ember.id]})
      expect([page(do: "share").chosen, page(do: "share").working?]).to match [[dome, ember], be_truthy]
      expect([page(do: "paint").task, page(do: "paint").chosen, page(do: "paint").panel]).to eq [nil, [], nil]
      expect(page(do: "blend").selection_key).to eq "blend:#{dome.id},#{ember.id}"
    end

    it "counts what follows, in as many statements whatever there is" do
      bring_in_poster(project)
      lamp = keep(project, "Lamp", "#FFCE5C")
      share(project, lamp)
      shown = page
      expect([shown.reach_of(lamp.id), shown.reach_of(ember.id), shown.palettes.first.artworks]).to eq [8, 0, 1]
      expect([shown.palettes.first.shared, shown.palettes.first.places_of(group)]).to eq [4, 8] # three of the starter group's
    end

    it "folds a palette, and shows it again" do
      palette = page.palettes.first
      expect([palette.folded?, palette.folded_or_not]).to eq [false, palette.id.to_s]
      choose(project, {"folded" => palette.id.to_s})
      expect([page.palettes.first.folded?, page.palettes.first.folded_or_not]).to eq [true, ""]
    end
  end

  it "charts hue and chroma about grey, and lightness from the foot up" do
    grey, light = keep(project, "Grey", "#777777"), keep(project, "Light", "#FFFFFF")
    ember
    chart = page.palettes.first.chart
    at = ->(dots, swatch) { dots.find { |dot| dot.swatch.id == swatch.id }.then { |dot| [dot.x, dot.y] } }
    expect(at.call(chart.square, grey)).to eq [200.0, 200.0]
    expect(at.call(chart.square, ember)).to match [be > 250, be < 200] # toward red, and yellow rather than blue
    expect(at.call(chart.lightness, light).last).to eq 10.0
    expect(chart.lightness.map(&:x)).to eq chart.lightness.map(&:x).sort
    runs = chart.runs
    expect(runs.sum { |run| run.points.size }).to eq page.palettes.first.size
    expect(chart.square.select(&:named).map { |dot| dot.swatch.name }).to include("Ember sky")
  end

  it "lays a grid, its empty cells only while they are few" do
    ember
    palette = page.palettes.first
    grid = palette.grid
    expect(grid.cells.size).to eq grid.columns * grid.rows
    expect(grid.cells.filter_map(&:swatch).size).to eq palette.size
    project.palettes.first.update!(columns: 60, rows: 200)
    expect(page.palettes.first.grid.cells.size).to eq palette.size
  end

  it "lines up the ledger's numbers, and says where each swatch is from" do
    [ember, dome]
    half = Changes::KeepTint.perform(project, actor:, parent: ember.reload, percent: 50.0)
    find = Changes::TakeColour.perform(project, actor:, colour: hex("#2F8FA3"), way: "screen")
    Changes::KeepColour.perform(project, actor:, group:, name: "Sampled", colour: find.colour, find:)
    choose(project, {"ledger" => "rgb", "sort" => "name"})
    lines = page.palettes.first.ledger.lines
    expect(lines.map { |line| line.swatch.name.downcase }).to eq lines.map { |line| line.swatch.name.downcase }.sort
    by_name = lines.index_by { |line| line.swatch.name }
    expect([by_name["Ember sky"].numbers, by_name["Black"].numbers]).to eq [["228 111  88"], ["  0   0   0"]]
    expect([by_name[half.name].from, by_name["Sampled"].from, by_name["Dome"].from, by_name["Ember sky"].places, by_name["Dome"].places]).to eq ["tint, 50 %", "the screen", "", 0, nil]
  end

  it "shifts what can be shifted, and says what" do
    locked = keep(project, "Fixed", "#5F3566")
    Changes::LockSwatches.perform(project, actor:, swatches: [locked], locked: true)
    choose(project, {"selected" => [ember.id, locked.id]})
    shifting = described_class::Shifting.new(asking(scope: "selection", hue: 20), described_class::Selected.of(actor, [ember.id, locked.id]))
    expect(shifting.colours.keys).to eq [ember]
    expect([shifting.words, shifting.preview.keys]).to eq ["Shifted 1 swatch: Hue +20°", [ember.id]]
    expect(described_class::Shifting.asked(asking(hue: 20, chroma: 0))).to eq(hue: "20")
    expect { described_class::Shifting.new(asking(hue: 999), []).shift }.to raise_error(Magpie::Error, /hue 999/)
    sliders = described_class::ShiftForm.new("selection", 1, asking(hue: 20, chroma: "x", lightness: 5000)).sliders.to_h { |slider| [slider.name, slider.value] }
    expect(sliders).to include(hue: 20, chroma: 0, lightness: Magpie::Palette::Shift::RANGES[:lightness].end)
  end

  it "reads the inks of a form, each a swatch that is followed or a colour" do
    paint = described_class::InkForm.read(asking(shape: "stripes", angle: 30).with(inks: ["s#{ember.id}", "#123456"], offsets: ["", "80"]), actor)
    expect(paint.inks.map { |ink| [ink.reference, ink.colour.hex, ink.offset] }).to eq [[ember.id, "#E46F58", 0.0], [nil, "#123456", 0.8]]
    made = Changes::KeepPaint.perform(project, actor:, paint:, group:, name: "Bars")
    form = page(swatch: made.id).inks_of(made.reload)
    expect([form.form, form.angle, form.inks.map(&:to_a)]).to eq ["stripes", "30", [[ember.id, "#E46F58", 0.0, 100.0, 50.0], [nil, "#123456", 80.0, 100.0, 50.0]]]
    expect { described_class::InkForm.read(asking(shape: "stripes", angle: 30).with(inks: ["s0"]), actor) }.to raise_error(ActiveRecord::RecordNotFound)
    expect { described_class::InkForm.read(asking(shape: "stripes", angle: "x").with(inks: ["#111", "#222"]), actor) }.to raise_error(Magpie::Error, /"x" is no number/)
  end

  describe described_class::AboutSwatch do
    it "tells the values that a swatch had, and which can be restored" do
      Changes::ChangeSwatch.perform(project, actor: Actor.new(who: "Wren"), swatch: ember, colour: hex("#2F8FA3"), definition: "", before: "#E46F58", why: "Cooler")
      past = described_class.new(asking, ember.reload).history
      expect(past.map { |value| [value.hex, value.change.who, value.restorable] }).to eq [["#2F8FA3", "Wren", false], ["#E46F58", nil, true]]
    end

    it "shows what somebody else did meanwhile, of fields that can be given only" do
      conflict = ->(field) { described_class.new(asking(field:, mine: "#111111"), ember).conflict }
      expect([conflict.call("colour").colour.hex, conflict.call("name").theirs, conflict.call("group_id").theirs]).to eq ["#111111", "Ember sky", nil]
      expect(described_class.new(asking, ember).conflict).to be_nil
    end
  end

  it "finds palettes of the whole house, and tells where one is used" do
    share(project, ember, ticks: [])
    poster = bring_in_poster(project)
    Changes::DressParts.perform(project, actor:, artwork: poster, numbers: numbers(poster, "ember_band"), role: "fill", content: Hand::Content.of_swatch(ember.reload))
    shelf = described_class::ShelfPage.new(desk(project), asking(find: "#E46F58", palette: project.palettes.first.id))
    expect([shelf.near, shelf.items.map { |item| [item.palette, item.found, item.used] }]).to eq [10, [[project.palettes.first, "Ember sky ΔE 0.0", true]]]
    expect([shelf.about.use, shelf.about.places, shelf.about.users]).to eq [{"Night open house" => {"Poster" => 1}}, 1, ["Night open house"]]
    expect(shelf.about.others.map(&:name)).to eq ["Starter groups"]
    expect([described_class::ShelfPage.new(desk(project), asking(find: "nothing such")).items, described_class::ShelfPage.new(desk(project), asking).about]).to eq [[], nil]
  end
end
