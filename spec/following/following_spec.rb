require "support/walk"
require "support/chains"

RSpec.describe Following, "of what changes, goes and comes back" do
  let(:project) { new_project }
  let(:group) { project.groups.first }
  let(:palette) { group.palette }
  let!(:ember) { keep(project, "Ember sky", "#E46F58") }

  def last = RecordedChange.order(:id).last

  def change(swatch, to) = Changes::ChangeSwatch.perform(project, actor:, swatch:, colour: hex(to), definition: to, before: swatch.reload.hex)

  def tint(parent, percent = 50.0) = Changes::KeepTint.perform(project, actor:, parent:, percent:)

  def tinted(colour, percent = 50.0) = described_class::Flow.tinted(colour, percent)

  def gradient(*swatches)
    inks = swatches.each_with_index.map { |swatch, at| Magpie::Palette::Compound::Ink.new(colour: swatch.colour, reference: swatch.id, offset: at.to_f) }
    Changes::KeepPaint.perform(project, actor:, group:, name: "Evening", paint: Magpie::Palette::Compound.new(form: "linear", angle: 0.0, size: 8.0, inks:))
  end

  def offered?(change) = described_class::Standing.new([change.reload]).on(change).nil?

  def expect_sound = expect(described_class::Invariants.broken).to eq []

  def expect_stood_on(change, by)
    expect(offered?(change)).to be false
    expect { Changes::History.undo(project, change.id, actor:) }.to raise_error(Magpie::Error, /“#{Regexp.escape(by)}” came later and stands on it/)
  end

  describe "undoing one change of the list" do
    it "is refused for a share whose swatch was used to dress with since" do
      poster = bring_in_poster(project)
      Changes::ShareSwatches.perform(project, actor:, swatches: [ember], ticks: [])
      shared = last
      expect(offered?(shared)).to be true
      Changes::DressParts.perform(project, actor:, artwork: poster, numbers: numbers(poster, "moor"), role: "fill", content: Hand::Content.of_swatch(ember.reload))
      expect_stood_on(shared, "Dressed Moor with Ember sky")
      expect(place(poster, "moor").swatch).to eq ember
    end

    it "is refused for a colour that a tint has been made of since" do
      change(ember, "#2F8FA3")
      changed = last
      half = tint(ember)
      expect_stood_on(changed, "Kept a tint of Ember sky, 50 %, and shared it")
      expect(half.reload.hex).to eq tinted(hex("#2F8FA3")).hex
    end

    it "is refused for a colour that an ink follows since, and for a keep that one follows" do
      kept = last
      change(ember, "#2F8FA3")
      changed = last
      gradient(ember, keep(project, "Plum", "#5F3566"))
      expect_stood_on(changed, "Kept Evening in First colours")
      expect(offered?(kept)).to be false
    end

    it "is refused where it would tie a tint again to what has changed since" do
      half = tint(ember)
      change(half, "#111111")
      untied = last
      change(ember, "#2F8FA3")
      expect_stood_on(untied, "Changed Ember sky everywhere from #E46F58 to #2F8FA3")
      expect(half.reload.tint_of).to be_nil
    end

    it "is refused for a merge whose followers have moved since with what they follow now" do
      twin = keep(project, "Twin", "#E46F58")
      gradient(twin, keep(project, "Plum", "#5F3566"))
      Changes::MergeSwatches.perform(project, actor:, kept: ember, others: [twin.reload])
      merged = last
      change(ember, "#2F8FA3")
      expect_stood_on(merged, "Changed Ember sky everywhere from #E46F58 to #2F8FA3")
    end

    it "is refused for an artwork that was dressed since, for what a lock holds, and for a name that was given again" do
      poster = bring_in_poster(project)
      brought = last
      Changes::DressParts.perform(project, actor:, artwork: poster, numbers: numbers(poster, "moor"), role: "fill", content: nil)
      expect_stood_on(brought, "Cleared Moor")
      change(ember, "#2F8FA3")
      changed = last
      Changes::LockSwatches.perform(project, actor:, swatches: [ember], locked: true)
      expect_stood_on(changed, "Locked Ember sky")
      Changes::EditSwatch.perform(project, actor:, swatch: ember, fields: {name: "Glow"})
      renamed = last
      keep(project, "Ember sky", "#111111")
      expect_stood_on(renamed, "Kept Ember sky in First colours")
    end

    it "is offered where places only follow, and takes nothing from them" do
      poster = bring_in_poster(project)
      share(project, ember)
      change(ember, "#2F8FA3")
      changed = last
      Changes::DressParts.perform(project, actor:, artwork: poster, numbers: numbers(poster, "moor"), role: "fill", content: Hand::Content.of_swatch(ember.reload))
      expect(offered?(changed)).to be true
      Changes::History.undo(project, changed.id, actor:)
      expect(place(poster, "moor").swatch).to have_attributes(hex: "#E46F58")
      expect_sound
    end
  end

  it "runs what is taken from a file through tints, inks and tints of tints" do
    half = tint(ember)
    quarter = tint(half)
    evening = gradient(ember.reload, half)
    theirs = Magpie::Palette.new(name: "In", groups: [Magpie::Palette::Group.new(name: group.name, swatches: [Magpie::Palette::Swatch.new(name: "Ember sky", colour: hex("#2F8FA3"))])])
    Changes::BringInPalette.perform(project, actor:, value: theirs, into: palette, choices: {"0.0" => "theirs"})
    expect(half.reload.hex).to eq tinted(hex("#2F8FA3")).hex
    expect(quarter.reload.hex).to eq tinted(half.colour).hex
    expect(evening.reload.paint.inks.map { |ink| ink.colour.hex }).to eq ["#2F8FA3", half.hex]
    expect_sound
  end

  it "lets what a file has replace a gradient whole" do
    evening = gradient(ember, keep(project, "Plum", "#5F3566"))
    theirs = Magpie::Palette.new(name: "In", groups: [Magpie::Palette::Group.new(name: group.name, swatches: [Magpie::Palette::Swatch.new(name: "Evening", colour: hex("#2F8FA3"))])])
    Changes::BringInPalette.perform(project, actor:, value: theirs, into: palette, choices: {"0.0" => "theirs"})
    expect(evening.reload).to have_attributes(hex: "#2F8FA3", paint: nil)
    expect(evening.inks).to be_empty
  end

  it "keeps a tint tied to what a file changes in the same way, and frees one that the file has otherwise" do
    half, other = tint(ember), tint(ember, 20.0)
    swatches = [["Ember sky", hex("#2F8FA3")], [half.name, tinted(hex("#2F8FA3"))], [other.name, hex("#111111")]].map { |name, colour| Magpie::Palette::Swatch.new(name:, colour:) }
    theirs = Magpie::Palette.new(name: "In", groups: [Magpie::Palette::Group.new(name: group.name, swatches:)])
    Changes::BringInPalette.perform(project, actor:, value: theirs, into: palette, choices: %w[0.0 0.1 0.2].to_h { |key| [key, "theirs"] })
    expect([half, other].map { |each| [each.reload.tint_of, each.hex] }).to eq [[ember, tinted(hex("#2F8FA3")).hex], [nil, "#111111"]]
  end

  it "merges a swatch into the tint of its tint" do
    half = tint(ember)
    quarter = tint(half)
    Changes::MergeSwatches.perform(project, actor:, kept: quarter, others: [ember.reload])
    expect(quarter.reload).to have_attributes(tint_of: nil, hex: tinted(tinted(hex("#E46F58"))).hex)
    expect(half.reload).to have_attributes(tint_of: quarter, hex: tinted(quarter.colour).hex)
    expect_sound
    undo(project)
    expect([half, quarter].map { |each| Swatch.find(each.id).tint_of }).to eq [ember, half]
  end

  it "merges a swatch into a gradient that follows it, which then follows no more" do
    evening = gradient(ember, keep(project, "Plum", "#5F3566"))
    half = tint(ember)
    Changes::MergeSwatches.perform(project, actor:, kept: evening, others: [ember.reload])
    expect(evening.reload.paint.inks.map(&:reference).compact.size).to eq 1
    expect(half.reload.tint_of).to be_nil
    expect_sound
  end

  it "refuses to move what is locked and follows, whatever would move it" do
    half = tint(ember)
    Changes::LockSwatches.perform(project, actor:, swatches: [half], locked: true)
    other = keep(project, "Moor", "#1D2432")
    theirs = Magpie::Palette.new(name: "In", groups: [Magpie::Palette::Group.new(name: group.name, swatches: [Magpie::Palette::Swatch.new(name: "Ember sky", colour: hex("#111"))])])
    [-> { change(ember, "#2F8FA3") }, -> { Changes::ChangeSwatches.perform(project, actor:, colours: {ember.reload => hex("#111")}, what: "Shifted") },
      -> { Changes::MergeSwatches.perform(project, actor:, kept: other, others: [ember.reload]) }, -> { Changes::RemoveSwatches.perform(project, actor:, swatches: [ember.reload], replacements: {ember => other}) },
      -> { Changes::BringInPalette.perform(project, actor:, value: theirs, into: palette, choices: {"0.0" => "theirs"}) }].each do |attempt|
      expect(&attempt).to raise_error(Magpie::Error, "Ember sky 50 % follows and is locked. Unlock first")
    end
    expect(described_class::Plan.new([ember.reload, half.reload, other]).free).to eq [other]
  end

  it "changes several at once: a tint follows its swatch, or becomes a colour of its own" do
    half, other = tint(ember), tint(keep(project, "Moor", "#1D2432"))
    Changes::ChangeSwatches.perform(project, actor:, colours: {ember.reload => hex("#2F8FA3"), half => hex("#111111"), other => hex("#222222")}, what: "Shifted")
    expect(half.reload).to have_attributes(tint_of: ember, hex: tinted(hex("#2F8FA3")).hex)
    expect(other.reload).to have_attributes(tint_of: nil, hex: "#222222")
    expect_sound
  end

  it "tells beforehand what a change of several will make of all that follows" do
    half, quarter = tint(ember), tint(ember, 25.0)
    values = described_class::Plan.new([ember.reload, half.reload]).free.to_h { |each| [each, hex("#2F8FA3")] }
    expect(described_class::Plan.preview(values).transform_values(&:hex)).to eq(ember.id => "#2F8FA3", half.id => tinted(hex("#2F8FA3")).hex, quarter.id => tinted(hex("#2F8FA3"), 25.0).hex)
  end

  it "makes loose what tints and inks follow: they keep their colours and follow nothing" do
    half = tint(ember)
    evening = gradient(ember.reload, keep(project, "Plum", "#5F3566"))
    Changes::LoosenSwatches.perform(project, actor:, swatches: [ember.reload])
    expect(half.reload.tint_of).to be_nil
    expect(evening.reload.paint.inks.map { |ink| ink.reference.nil? }).to eq [true, false]
    expect_sound
  end

  it "renews the inks of a gradient that a place holds by itself" do
    poster = bring_in_poster(project)
    evening = gradient(ember, keep(project, "Plum", "#5F3566"))
    Changes::DressParts.perform(project, actor:, artwork: poster, numbers: numbers(poster, "moor"), role: "fill", content: Hand::Content.of_swatch(evening))
    Changes::LoosenSwatches.perform(project, actor:, swatches: [evening.reload])
    change(ember, "#2F8FA3")
    expect(place(poster, "moor").paint.inks.map { |ink| [ink.reference, ink.colour.hex] }.first).to eq [ember.id, "#2F8FA3"]
    Changes::LoosenSwatches.perform(project, actor:, swatches: [ember.reload])
    expect(place(poster, "moor").paint.inks.map { |ink| [ink.reference, ink.colour.hex] }.first).to eq [nil, "#2F8FA3"]
  end

  describe "in the database" do
    it "lets nothing follow what is loose or gone, nor a swatch itself" do
      plum = keep(project, "Plum", "#5F3566")
      follow = ->(**row) { Record.transaction(requires_new: true) { Follow.create!(swatch_id: plum.id, tint: 50.0, **row) } }
      expect { follow.call(follower_id: ember.id) }.to raise_error(ActiveRecord::InvalidForeignKey)
      Changes::ShareSwatches.perform(project, actor:, swatches: [plum], ticks: [])
      expect { follow.call(follower_id: plum.id) }.to raise_error(ActiveRecord::StatementInvalid, /check/)
      follow.call(follower_id: ember.id)
      expect { Record.transaction(requires_new: true) { Swatch.where(id: plum.id).update_all(shared: false) } }.to raise_error(ActiveRecord::InvalidForeignKey)
      expect(described_class::Invariants.broken).to eq ["swatch #{ember.id} is no tint of #{plum.id}"]
    end

    it "notices every kind of value that grew stale" do
      half = tint(ember)
      evening = gradient(ember.reload, keep(project, "Plum", "#5F3566"))
      Swatch.where(id: ember.id).update_all(colour: hex("#111111"))
      expect(described_class::Invariants.broken([ember.id])).to contain_exactly("swatch #{half.id} is no tint of #{ember.id}", "ink 0 of #{evening.id} has not the colour of #{ember.id}", "swatch #{ember.id} is kept as #E46F58, and is #111111")
    end
  end

  it "goes through followers after what they follow, and refuses circles" do
    edge = ->(follower_id, swatch_id) { described_class::Graph::Edge.new(follower_id, nil, swatch_id, nil, 50.0) }
    # 2 follows 1, 3 follows 2, 4 follows all three.
    graph = described_class::Graph.new([[4, 1], [2, 1], [4, 3], [3, 2], [4, 2]].map { |pair| edge.call(*pair) })
    expect(graph.layers).to eq [[2], [3], [4]]
    expect { described_class::Graph.new([[2, 1], [3, 2], [2, 3]].map { |pair| edge.call(*pair) }).layers }.to raise_error(Magpie::Error, /cannot follow itself/)
  end

  # 200 chains of five under one root, and 10,000 places that follow here and there.
  it "runs a change at the root through a thousand followers in a bounded number of statements" do
    root = Chains.new(project).root
    chained = Swatch.where("name LIKE 'Chain%'")
    before, statements = chained.pluck(:id, :hex), 0
    counted = ActiveSupport::Notifications.subscribe("sql.active_record") { statements += 1 }
    Changes::ChangeSwatch.perform(project, actor:, swatch: root, colour: hex("#2F8FA3"), definition: "", before: root.hex)
    ActiveSupport::Notifications.unsubscribe(counted)
    expect(statements).to be < 40
    expect(before.size).to eq 1000
    expect(before & chained.pluck(:id, :hex)).to be_empty
    expect_sound
    undo(project)
    expect(chained.pluck(:id, :hex)).to match_array before
    expect_sound
  end
end
