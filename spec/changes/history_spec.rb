RSpec.describe Changes::History do
  let(:project) { new_project }

  it "takes back a long run of changes and does it again, bit for bit" do
    random = Random.new(23)
    poster = bring_in_poster(project)
    source = Changes::BringInSource.perform(project, actor:, name: "Dusk.png", bytes: noise_picture(40, 30, [120, 60, 90], 9).pngsave_buffer)
    RecordedChange.delete_all
    states = [rows_of_everything]
    40.times do |step|
      random_change(random, poster, source, step)
      states << rows_of_everything if RecordedChange.count == states.size
    end
    expect(states.size).to be > 30
    states[0..-2].reverse_each do |state|
      described_class.undo(project, actor:)
      expect(rows_of_everything).to eq state
    end
    expect { described_class.undo(project, actor:) }.to raise_error(Magpie::Error, "There is nothing to undo")
    states[1..].each do |state|
      described_class.redo(project, actor:)
      expect(rows_of_everything).to eq state
    end
    expect { described_class.redo(project, actor:) }.to raise_error(Magpie::Error, "There is nothing to redo")
  end

  def random_change(random, poster, source, step)
    swatch = Swatch.all.to_a.sample(random:)
    colour = Magpie::Color.srgb8(random.rand(256), random.rand(256), random.rand(256))
    numbers = poster.parts.pluck(:position).sample(random.rand(1..4), random:)
    case random.rand(7)
    when 0 then Changes::KeepColour.perform(project, actor:, group: project.groups.sample(random:), name: "Kept #{step}", colour:)
    when 1 then Changes::DressParts.perform(project, actor:, artwork: poster, numbers:, role: %w[fill line].sample(random:), content: Hand::Content.of_swatch(swatch))
    when 2 then Changes::DressParts.perform(project, actor:, artwork: poster, numbers:, role: "fill", content: Hand::Content.new(name: "x", colour:))
    when 3 then swatch.shared || share(project, swatch)
    when 4 then Changes::ChangeSwatch.perform(project, actor:, swatch:, colour:, definition: colour.hex, before: swatch.hex)
    when 5 then Changes::TakeReading.perform(project, actor:, readable: source, aim: Aim.new(way: "square", x: random.rand(40), y: random.rand(30), size: 3))
    when 6 then Changes::EditSwatch.perform(project, actor:, swatch:, fields: {name: "Renamed #{step}"})
    end
  end

  it "forgets what could be done again once something else is done" do
    keep(project, "Ember", "#E46F58")
    undo(project)
    keep(project, "Peat", "#121720")
    expect(Turns.new(project).to_redo).to be_nil
  end

  it "hides an artwork or a source that was brought in, and shows it again" do
    bring_in_poster(project)
    undo(project)
    expect(project.artworks.reload).to be_empty
    redo_change(project)
    expect(project.artworks.reload.first.places.count).to be > 20
  end

  it "takes back one change of the list and leaves the later ones" do
    ember = keep(project, "Ember", "#E46F58")
    first = RecordedChange.last
    keep(project, "Peat", "#121720")
    described_class.undo(project, first.id, actor:)
    expect(Swatch.where(id: ember.id)).to be_empty
    expect(Swatch.find_by(name: "Peat")).not_to be_nil
  end

  it "refuses, with the reason, when something later stands on it, and changes nothing" do
    ember = keep(project, "Ember", "#E46F58")
    kept = RecordedChange.last
    Changes::ChangeSwatch.perform(project, actor:, swatch: ember, colour: hex("#111"), definition: "#111", before: "#E46F58")
    before = rows_of_everything
    expect { described_class.undo(project, kept.id, actor:) }
      .to raise_error(Magpie::Error, "“Kept Ember in First colours” cannot be undone: “Changed Ember from #E46F58 to #111111” came later and stands on it. Undo that first")
    expect(rows_of_everything).to eq before
  end

  it "refuses to take back a swatch that places follow" do
    lamp = keep(project, "Lamp", "#FFCE5C")
    kept = RecordedChange.last
    bring_in_poster(project)
    share(project, lamp)
    expect { described_class.undo(project, kept.id, actor:) }.to raise_error(Magpie::Error, /“Shared Lamp and linked 8 places” came later/)
  end

  it "takes what was done again for later than what another project did meanwhile" do
    other = new_project("Star trail")
    lamp = keep(project, "Lamp", "#FFCE5C")
    Changes::LockSwatches.perform(project, actor:, swatches: [lamp], locked: true)
    undo(project)
    Changes::ChangeSwatch.perform(other, actor:, swatch: lamp.reload, colour: hex("#52A3CC"), definition: "", before: "#FFCE5C")
    redo_change(project)
    expect { undo(other) }.to raise_error(Magpie::Error, /cannot be undone: “Locked Lamp” in Night open house came later and stands on it/)
    undo(project)
    undo(other)
    expect(lamp.reload).to have_attributes(hex: "#FFCE5C", locked: false)
  end

  it "refuses when another project changed the house palette" do
    lamp = keep(project, "Lamp", "#FFCE5C")
    other = new_project("Star trail")
    Use.create!(project: other, palette: project.palettes.first, position: 2)
    Changes::EditSwatch.perform(other, actor:, swatch: lamp, fields: {name: "Lantern"})
    expect { undo(project) }.to raise_error(Magpie::Error, "“Kept Lamp in First colours” cannot be undone: “Renamed Lamp to Lantern” in Star trail came later and stands on it. Undo that first")
  end
end
