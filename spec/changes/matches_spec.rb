RSpec.describe "Matches" do
  let!(:project) { new_project }
  let(:group) { project.groups.first }
  let(:library) do
    swatches = {"Hearth clay" => ["TF 088", "#E3725F"], "Wet slate" => ["TF 150", "#6D7284"], "Chalk" => [nil, "#EEEDE6"]}.map { |name, (code, text)| Magpie::Palette::Swatch.new(name:, code:, colour: hex(text)) }
    Changes::BringInLibrary.perform(project, actor:, value: Magpie::Palette.new(name: "Tarn & Fell", groups: [Magpie::Palette::Group.new(name: "Tarn & Fell", swatches:)]))
  end
  let(:clay) { library.entries.find_by!(name: "Hearth clay") }
  let(:slate) { library.entries.find_by!(name: "Wet slate") }
  let!(:ember) { keep(project, "Ember sky", "#E46F58") }
  let!(:dome) { keep(project, "Slate dome", "#6E7384") }

  def note(matches) = Changes::NoteMatches.perform(project, actor:, matches:)

  def words = RecordedChange.order(:id).last.words

  describe Changes::NoteMatches do
    it "leaves the colour, and carries code and library to every sheet" do
      library
      undone { note(ember => clay, dome => slate) }
      expect(words).to eq "Noted the matches of 2 swatches"
      expect([ember.reload.hex, ember.code, ember.entry]).to eq ["#E46F58", "TF 088", clay]
      value = group.palette.reload.value
      %w[table tokens cxf].each do |key|
        read = Magpie::Formats.read(Magpie::Formats.find(key).write(value, {}), name: "sheet").palette.swatches.find { |swatch| swatch.name == "Ember sky" }
        expect([key, read.code, read.library]).to eq [key, "TF 088", "Tarn & Fell"]
      end
      expect(Magpie::Formats::Svg.write(value)).to include "TF 088 Tarn &amp; F…"
    end

    it "takes the note away with its code, and leaves a code that somebody typed" do
      note(ember => clay)
      undone { note(ember => nil) }
      expect([ember.reload.entry, ember.code, words]).to eq [nil, nil, "Took the match of Ember sky away"]
      note(ember => clay)
      Changes::EditSwatch.perform(project, actor:, swatch: ember, fields: {code: "QO 7"})
      note(ember => nil)
      expect(ember.reload.code).to eq "QO 7"
    end

    it "refuses what is gone" do
      clay
      Changes::BringInLibrary.perform(project, actor:, value: library.value, into: library, before: library.value)
      expect { note(ember => clay) }.to raise_error(Magpie::Error, "TF 088 Hearth clay is in no library any longer. Look again")
      Changes::RemoveSwatches.perform(project, actor:, swatches: [dome])
      expect { note(dome => library.reload.entries.first) }.to raise_error(Magpie::Error, /removed meanwhile/)
      expect { note({}) }.to raise_error(Magpie::Error, "There is nothing to note")
      expect(ember.reload.entry).to be_nil
    end

    it "cannot be kept where the library it stands on is taken away: that is undone first" do
      library
      brought = RecordedChange.last
      note(ember => clay)
      expect { Changes::History.undo(project, brought.id, actor:) }.to raise_error(Magpie::Error)
      2.times { undo(project) }
      expect(Library.standing.count).to eq 0
    end
  end

  describe Changes::ChangeToMatches do
    it "gives the colour, the code and the note, to all that follows, in one undo" do
      artwork = bring_in_poster(project)
      share(project, ember, ticks: Candidates.of(actor, [ember]).by_artwork.values.flatten.map(&:tick), limit: 100.0)
      library
      undone { Changes::ChangeToMatches.perform(project, actor:, matches: {ember => clay, dome => slate}) }
      expect(words).to eq "Changed 2 swatches to their matches"
      expect([ember.reload.hex, ember.code, ember.entry, dome.reload.hex]).to eq ["#E3725F", "TF 088", clay, "#6D7284"]
      expect(artwork.places.following([ember.id]).count).to be > 0
      expect(shown_at_places.values).to include "#E3725F"
    end

    it "refuses what is locked, and what somebody else changed meanwhile, with nothing changed" do
      Changes::LockSwatches.perform(project, actor:, swatches: [dome], locked: true)
      library
      before = rows_of_everything
      expect { Changes::ChangeToMatches.perform(project, actor:, matches: {ember => clay, dome => slate}) }.to raise_error(Magpie::Error, /Slate dome is locked/)
      expect { Changes::ChangeToMatches.perform(project, actor:, matches: {ember => clay}, saw: {ember => "#111111"}) }.to raise_error(Changes::Conflict)
      expect(rows_of_everything).to eq before
    end
  end

  it "become a palette of their own, each entry once" do
    library
    undone { Changes::KeepMatches.perform(project, actor:, name: "Quillmere house, matched", matches: {"Dusk sky" => [clay, clay, slate], "Empty" => [], "Stone" => [library.entries.last]}) }
    made = Palette.find_by!(name: "Quillmere house, matched")
    kept = made.groups.flat_map { |group| group.swatches.map { |swatch| [group.name, swatch.name, swatch.code, swatch.kind, swatch.entry&.name] } }
    expect(kept).to eq [["Dusk sky", "Hearth clay", "TF 088", "spot", "Hearth clay"], ["Dusk sky", "Wet slate", "TF 150", "spot", "Wet slate"], ["Stone", "Chalk", nil, "process", "Chalk"]]
    expect(project.palettes.reload).to include made
    expect { Changes::KeepMatches.perform(project, actor:, name: "x", matches: {"Empty" => []}) }.to raise_error(Magpie::Error, /tick a row/)
  end

  it "entries are kept many at once, after what is there, under free names" do
    keep(project, "Hearth clay", "#222222")
    library
    undone { Changes::KeepEntries.perform(project, actor:, group:, entries: library.entries.to_a) }
    expect(group.swatches.reload.last(3).map { |swatch| [swatch.name, swatch.code, swatch.kind] }).to eq [["Hearth clay 2", "TF 088", "spot"], ["Wet slate", "TF 150", "spot"], ["Chalk", nil, "process"]]
    expect { Changes::KeepEntries.perform(project, actor:, group:, entries: []) }.to raise_error(Magpie::Error, /select an entry/)
  end
end

RSpec.describe Condition do
  let!(:project) { new_project }
  let(:profile) { Magpie::Press.shipped[1].profile }
  let(:coated) { described_class.find_by!(shipped: "coated") }

  def bring_in(bytes = profile.sub("Uncoated", "Moorland"), name: "moor.icc") = Changes::BringInCondition.perform(project, actor:, name:, bytes:)

  def edit(condition, **given) = Changes::EditCondition.perform(project, actor:, condition:, name: condition.name, intent: condition.intent, black_point: condition.black_point, greys: condition.greys, most_ink: condition.most_ink, **given)

  it "comes as a profile, with the name that it has and the ink that it lays" do
    made = bring_in
    undo(project)
    expect(described_class.standing.map(&:shipped)).to eq %w[coated uncoated]
    redo_change(project)
    expect(described_class.standing.last).to eq made
    expect([made.name, made.file, made.intent, made.intents.size]).to eq ["Moorland paper, four inks", "moor.icc", "relative", 4]
    expect(made.most_ink).to be_between(200, 400)
    expect { bring_in }.to raise_error(Magpie::Error, "moor.icc is here already, as Moorland paper, four inks")
    expect { bring_in("not at all" * 50) }.to raise_error(Magpie::Error, "moor.icc: it is no ICC profile")
  end

  it "makes of colours behind the walls what it would make here" do
    colours = %w[#E46F58 #000000 #808080 #00FF00].map { |text| hex(text) } + [Magpie::Color.new(:cmyk, [10.0, 20.0, 30.0, 40.0])]
    made = edit(bring_in, greys: true)
    here = Magpie::Press::Condition.new(made.name, made.profile, greys: true, limit: made.most_ink)
    2.times { expect(OnPress.new(made).proofs(colours).map(&:to_a)).to eq colours.map { |colour| here.proof(colour).to_a } }
    closest, difference = OnPress.new(made).closest(hex("#00FF00"))
    expect(difference).to be < OnPress.new(made).proof(hex("#00FF00")).de2000
    expect(closest.inks.sum).to be <= made.most_ink + 0.01
    expect(OnPress.new(made).outside(colours.first(4), 2.0)).to eq Magpie::Palette::Unprintable.of(colours.first(4), condition: here)
  end

  it "is set up, and set back" do
    undone { edit(coated, name: "House press", intent: "perceptual", black_point: false, greys: true, most_ink: nil) }
    expect(coated.reload.press.then { |press| [press.intent, press.black_point, press.greys, press.limit] }).to eq [:perceptual, false, true, nil]
    before = RecordedChange.count
    edit(coated)
    expect(RecordedChange.count).to eq before
    {{name: ""} => "A press needs a name", {name: "uncoated paper, four inks"} => /There is a press called/, {intent: "gloss"} => /has no tables for "gloss"/, {most_ink: 40.0} => /expected 100 to 400/}.each do |given, words|
      expect { edit(coated, **given) }.to raise_error(Magpie::Error, words)
    end
  end

  it "keeps the bytes of what was brought in, however long ago" do
    made = bring_in
    Blob.update_all(kept_at: Time.now - 90 * 86_400)
    Changes::Housekeeping.perform(now: Time.now + 90 * 86_400)
    expect(Blob.bytes(made.sha256)).to eq made.profile
  end

  it "is the house's, or the project's own; a project whose press is gone has the house's" do
    made = bring_in
    expect(project.press).to eq coated
    Changes::ChooseCondition.perform(nil, actor:, condition: described_class.find_by!(shipped: "uncoated"))
    expect(project.reload.press.shipped).to eq "uncoated"
    Changes::ChooseCondition.perform(project, actor:, condition: made)
    expect(project.reload.press).to eq made
    undone { Changes::RemoveCondition.perform(project, actor:, condition: made) }
    expect(project.reload.press.shipped).to eq "uncoated"
    expect { Changes::RemoveCondition.perform(project, actor:, condition: coated) }.to raise_error(Magpie::Error, /comes with the application/)
  end
end
