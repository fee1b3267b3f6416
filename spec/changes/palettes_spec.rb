RSpec.describe Changes, "of palettes", :data do
  let(:project) { new_project }
  let(:poster) { bring_in_poster(project) }
  let(:group) { project.groups.first }
  let!(:ember) { keep(project, "Ember sky", "#E46F58") }

  it "shares with exact and near places, and only those ticked change what they show" do
    poster
    near = keep(project, "Ember, nearly", "#E2705A")
    candidates = Candidates.of(actor, [near], limit: 3.0)
    row = candidates.by_artwork.values.flatten.first
    expect([row.exact?, row.count, row.hex]).to eq [false, 1, "#E46F58"]
    before = shown_at_places
    undone { Changes::ShareSwatches.perform(project, actor:, swatches: [near], ticks: ["p#{row.places.first.id}"], limit: 3.0) }
    changed = shown_at_places.reject { |id, hex| before[id] == hex }
    expect(changed).to eq(row.places.first.id => "#E2705A")
    expect(Candidates.of(actor, [near], limit: 0.0).total).to eq 0
  end

  it "gives each place to the nearest of several swatches" do
    poster
    others = [keep(project, "Rose", "#A55066"), keep(project, "Ember 2", "#E46F58")]
    rows = Candidates.of(actor, [*others, ember], limit: 4.0).by_artwork.values.flatten
    expect(rows.find { |row| row.hex == "#A35166" }.swatch).to eq others.first
    expect(rows.find { |row| row.hex == "#E46F58" }.exact?).to be true
  end

  it "makes loose, and every place keeps what it shows" do
    poster
    share(project, ember)
    before = shown_at_places
    undone { Changes::LoosenSwatches.perform(project, actor:, swatches: [ember.reload]) }
    expect(shown_at_places).to eq before
    expect([ember.reload.shared, Place.following(ember).count]).to eq [false, 0]
  end

  it "brings places along with a loose swatch, when asked" do
    poster
    undone { Changes::ChangeSwatch.perform(project, actor:, swatch: ember, colour: hex("#2F8FA3"), definition: "", before: "#E46F58", bring_along: true) }
    expect(place(poster, "ember_band")).to have_attributes(hex: "#2F8FA3", swatch_id: nil)
    expect(RecordedChange.done.last.words).to eq "Changed Ember sky from #E46F58 to #2F8FA3, and 1 place with it"
  end

  it "refuses to change, blend or remove what is locked, and unlocks" do
    twin = keep(project, "Coral", "#E2705A")
    undone { Changes::LockSwatches.perform(project, actor:, swatches: [ember], locked: true) }
    ember.reload
    [[Changes::ChangeSwatch, {swatch: ember, colour: hex("#111"), definition: "", before: "#E46F58"}],
      [Changes::ChangeSwatches, {colours: {ember => hex("#111")}, what: "Shifted"}],
      [Changes::MergeSwatches, {kept: twin, others: [ember]}], [Changes::MergeSwatches, {kept: ember, others: [twin], blend: true}],
      [Changes::RemoveSwatches, {swatches: [ember]}], [Changes::RemovePalette, {palette: group.palette}]].each do |change, given|
      expect { change.perform(project, actor:, **given) }.to raise_error(Magpie::Error, "Ember sky is locked. Unlock first")
    end
    Changes::LockSwatches.perform(project, actor:, swatches: [ember], locked: false)
    expect { Changes::RemoveSwatches.perform(project, actor:, swatches: [ember.reload]) }.not_to raise_error
  end

  it "keeps steps even when it fills empty slots, in rows and on the grid" do
    last = keep(project, "Last light", "#FBDEA9")
    Changes::MoveSwatches.perform(project, actor:, swatches: [last], group:, slot: 5)
    undone { Changes::FillGaps.perform(project, actor:, swatches: [ember.reload, last.reload]) }
    expect(group.swatches.reload.map(&:position)).to eq [1, 2, 3, 4, 5]
    steps = group.swatches.map(&:colour).each_cons(2).map { |a, b| Magpie::Difference.de2000(a, b) }
    expect(steps.max / steps.min).to be < 1.05
    expect { Changes::FillGaps.perform(project, actor:, swatches: [ember, last]) }.to raise_error(Magpie::Error, /no empty slot between them/)
    undone { Changes::FillGaps.perform(project, actor:, swatches: group.swatches.first(2), steps: 2) }
    expect(group.swatches.reload.map(&:position)).to eq [1, 2, 3, 4, 5, 6, 7]
  end

  it "crosses two ramps on the grid in a chip that both share" do
    a, b, c = {"Zenith" => [0, 11], "Light" => [4, 11], "Peat" => [2, 14]}.map { |name, slot| [keep(project, name, {"Zenith" => "#231F55", "Light" => "#FBDEA9", "Peat" => "#121720"}[name]), slot] }.each { |swatch, slot| Changes::PutOnGrid.perform(project, actor:, slots: {swatch => slot}) }.map(&:first)
    Changes::FillGaps.perform(project, actor:, swatches: [a, b].map(&:reload), grid: true)
    grid = group.palette.reload.grid.invert
    crossing = Swatch.find(grid.fetch([2, 11]))
    undone { Changes::FillGaps.perform(project, actor:, swatches: [crossing, c.reload], grid: true) }
    grid = group.palette.reload.grid.invert
    down = [11, 12, 13, 14].map { |row| Swatch.find(grid.fetch([2, row])).colour }
    across = (0..4).map { |column| Swatch.find(grid.fetch([column, 11])).colour }
    [down, across].each do |line|
      steps = line.each_cons(2).map { |one, two| Magpie::Difference.de2000(one, two) }
      expect(steps.max / steps.min).to be < 1.06
    end
    expect(down.first).to eq across[2]
  end

  it "puts a chip where another stands, and no other jumps" do
    other = keep(project, "Peat", "#121720")
    third = keep(project, "Lamp", "#FFCE5C")
    before = group.palette.grid
    undone { Changes::PutOnGrid.perform(project, actor:, slots: {ember => before[other.id]}) }
    after = group.palette.reload.grid
    expect([after[ember.id], after[other.id], after[third.id]]).to eq [before[other.id], before[ember.id], before[third.id]]
    expect { Changes::PutOnGrid.perform(project, actor:, slots: {ember => [60, 0]}) }.to raise_error(Magpie::Error, /The grid ends there/)
  end

  it "moves into a slot, making just as much room as it must, and copies with free names" do
    names = ->(of) { of.swatches.reload.map { |swatch| [swatch.name, swatch.position] } }
    peat, lamp = keep(project, "Peat", "#121720"), keep(project, "Lamp", "#FFCE5C")
    undone { Changes::MoveSwatches.perform(project, actor:, swatches: [lamp], group:, slot: 1) }
    expect(names.call(group)).to eq [["Lamp", 1], ["Ember sky", 2], ["Peat", 3]]
    Changes::MoveSwatches.perform(project, actor:, swatches: [peat.reload], group:, slot: 6)
    Changes::MoveSwatches.perform(project, actor:, swatches: [lamp.reload], group:, slot: 2)
    expect(names.call(group)).to eq [["Lamp", 2], ["Ember sky", 3], ["Peat", 6]]
    every = project.groups.last
    undone { Changes::MoveSwatches.perform(project, actor:, swatches: [ember.reload, lamp.reload], group: every, copy: true) }
    Changes::MoveSwatches.perform(project, actor:, swatches: [ember.reload], group: every)
    expect(every.swatches.reload.map(&:name).last(3)).to eq ["Ember sky", "Lamp", "Ember sky 2"]
  end

  it "orders among the slots that they have, and renames all or none" do
    peat, lamp = keep(project, "Peat", "#121720"), keep(project, "Lamp", "#FFCE5C")
    Changes::MoveSwatches.perform(project, actor:, swatches: [lamp], group:, slot: 7)
    undone { Changes::OrderSwatches.perform(project, actor:, swatches: group.swatches.reload.to_a, key: "lightness") }
    expect(group.swatches.reload.map { |swatch| [swatch.name, swatch.position] }).to eq [["Peat", 1], ["Ember sky", 2], ["Lamp", 7]]
    undone { Changes::RenameSwatches.perform(project, actor:, swatches: [peat, ember], pattern: "Night {nn}") }
    expect(group.swatches.reload.map(&:name)).to contain_exactly("Night 01", "Night 02", "Lamp")
    expect { Changes::RenameSwatches.perform(project, actor:, swatches: [peat.reload, ember.reload], pattern: "Same") }.to raise_error(Magpie::Error, /two swatches called “same”/)
    Changes::RenameSwatches.perform(project, actor:, swatches: [peat.reload, ember.reload], pattern: "Night {n}")
    expect(ember.reload.name).to eq "Night 2"
  end

  it "edits what is written, and refuses what was based on an older value with both" do
    undone { Changes::EditSwatch.perform(project, actor:, swatch: ember, fields: {name: "Ember", note: "For the glow", code: "QO 14", kind: "spot"}) }
    expect(ember.reload).to have_attributes(name: "Ember", note: "For the glow", code: "QO 14", kind: "spot")
    expect { Changes::EditSwatch.perform(project, actor:, swatch: ember, fields: {name: "Glow"}, saw: {name: "Ember sky"}) }
      .to raise_error(Changes::Conflict, "Ember sky was changed meanwhile: its name was Ember sky when you looked, and is Ember now. You wanted Glow".sub("Ember sky was", "Ember was"))
    expect { Changes::ChangeSwatches.perform(project, actor:, colours: {ember => hex("#111111")}, what: "x", saw: {ember => "#000000"}) }.to raise_error(Changes::Conflict, /was #000000 when you looked, and is #E46F58 now. You wanted #111111/)
    Changes::EditSwatch.perform(project, actor:, swatch: ember, fields: {name: ""})
    expect(ember.reload.name).to eq Magpie::ColorName.suggest(ember.colour)
    expect { Changes::EditSwatch.perform(project, actor:, swatch: ember, fields: {kind: "shiny"}) }.to raise_error(Magpie::Error, /no kind of swatch/)
  end

  it "shifts eighty by as many statements as eight" do
    swatches = Array.new(80) { |n| Swatch.create!(group:, name: "S#{n}", colour: Magpie::Color.new(:oklch, [0.3 + n * 0.005, 0.1, 40]), shared: n.even?, position: 20 + n) }
    swatches.first(20).each_slice(2) { |parent, tint| Follow.create!(follower_id: tint.id, swatch_id: parent.id, tint: 50.0) && tint.update!(colour: Magpie::Making::Tints.tint(parent.colour, 50.0)) }
    statements = lambda do |some, hue|
      count = 0
      subscriber = ActiveSupport::Notifications.subscribe("sql.active_record") { |*, payload| count += 1 unless payload[:name] == "SCHEMA" }
      colours = Following::Plan.new(some).free.to_h { |each| [each, Magpie::Palette::Shift.new(hue:).of(each.colour)] }
      Changes::ChangeSwatches.perform(project, actor:, colours:, what: "Shifted")
      ActiveSupport::Notifications.unsubscribe(subscriber)
      count
    end
    few = statements.call(swatches.first(8).map(&:reload), 5.0)
    expect(statements.call(swatches.map(&:reload), 9.0)).to be <= few
    expect(few).to be < 30
  end

  it "tells a history without what undoes it" do
    10.times { |n| Changes::ChangeSwatch.perform(project, actor:, swatch: ember.reload, colour: hex(format("#%06X", n * 4096)), definition: "", before: ember.hex) }
    history = PastValues.of(ember.reload)
    expect(history.size).to eq 11
    expect(history.map { |value| value.change.has_attribute?(:rows) }.uniq).to eq [false]
    expect(PastValues.colour(ember, history[3].change.id)).to eq hex(history[3].hex)
  end

  it "tells every value that a swatch had, who gave it, and why" do
    Changes::ChangeSwatch.perform(project, actor: Actor.new(who: "Wren"), swatch: ember, colour: hex("#2F8FA3"), definition: "", before: "#E46F58", why: "The enamel is cooler")
    undo(project)
    history = PastValues.of(ember.reload).map(&:to_a)
    expect(history.map { |change, hex| [hex, change.who, change.why, change.undone_at.nil?] }).to eq [["#2F8FA3", "Wren", "The enamel is cooler", false], ["#E46F58", nil, nil, true]]
  end

  describe "gradients and patterns" do
    let!(:plum) { keep(project, "Plum", "#5F3566") }
    let(:inks) { [ember, plum].each_with_index.map { |swatch, at| Magpie::Palette::Compound::Ink.new(colour: hex("#000"), reference: swatch.id, offset: at.to_f) } }
    let(:paint) { Magpie::Palette::Compound.new(form: "linear", angle: 90.0, size: 12.0, inks:) }
    let(:sky) { Changes::KeepPaint.perform(project, actor:, paint:, group:, name: "Evening") }

    it "follow swatches, dress places, and freeze whole" do
      undone { sky }
      gradient = Swatch.find_by!(name: "Evening")
      Changes::DressParts.perform(project, actor:, artwork: poster, numbers: numbers(poster, "moor"), role: "fill", content: Hand::Content.of_swatch(gradient))
      undone { Changes::ChangeSwatch.perform(project, actor:, swatch: plum, colour: hex("#2F8FA3"), definition: "", before: "#5F3566") }
      expect(gradient.reload.paint.inks.map { |ink| ink.colour.hex }).to eq %w[#E46F58 #2F8FA3]
      expect(Dressing.new(poster).flat).to include %(stop-color="#2F8FA3")
      told = Page::Painter.new(Dressing.new(poster))
      expect(told.servers).to include %(id="swatch-#{gradient.id}"), %(stop-color="var(--swatch-#{plum.id})")
      expect(told.paints).to include ["fill", start_with("url(#swatch-#{gradient.id}-"), 1.0, numbers(poster, "moor")]
      flat = Dressing.new(poster).flat
      undone { Changes::RemoveSwatches.perform(project, actor:, swatches: [gradient.reload]) }
      expect(Dressing.new(poster).flat).to eq flat
      expect(place(poster, "moor").kind).to eq "compound"
    end

    it "keep the colour of an ink whose swatch goes, or follow what replaces it" do
      gradient = sky
      undone { Changes::RemoveSwatches.perform(project, actor:, swatches: [plum.reload]) }
      expect(gradient.reload.paint.inks.map { |ink| [ink.reference, ink.colour.hex] }).to eq [[ember.id, "#E46F58"], [nil, "#5F3566"]]
      lamp = keep(project, "Lamp", "#FFCE5C")
      undone { Changes::RemoveSwatches.perform(project, actor:, swatches: [ember.reload], replacements: {ember => lamp}) }
      expect(gradient.reload.paint.inks.map { |ink| [ink.reference, ink.colour.hex] }).to eq [[lamp.id, "#FFCE5C"], [nil, "#5F3566"]]
    end

    it "follow plain colours only" do
      bad = Magpie::Palette::Compound.new(form: "dots", angle: 0.0, size: 8.0, inks: [sky.id, ember.id].map { |id| Magpie::Palette::Compound::Ink.new(colour: hex("#000"), reference: id, offset: 0.0) })
      expect { Changes::KeepPaint.perform(project, actor:, paint: bad, group:) }.to raise_error(Magpie::Error, /Evening is a gradient or pattern itself/)
    end
  end
end
