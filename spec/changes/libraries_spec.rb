require_relative "../../db/demo/libraries/make"

RSpec.describe "Libraries" do
  let!(:project) { new_project }

  def entry(name, text, **more) = Magpie::Palette::Swatch.new(name:, colour: hex(text), **more)

  def value(*entries, **about) = Magpie::Palette.new(name: "Shore paints", groups: [Magpie::Palette::Group.new(name: "Shore", swatches: entries)], **about)

  def bring_in(value, **given) = Changes::BringInLibrary.perform(project, actor:, value:, **given)

  def listed(library) = library.reload.entries.map { |each| [each.code, each.name, each.hex] }

  let(:spectrum) { Magpie::Spectrum.new(400, 10, Array.new(31) { |n| (n / 40.0).round(4) }) }
  let(:first) { value(entry("Dune", "#E8D8B0", code: "SP 1", page: "2", position: "A1"), entry("Wrack", "#705030", code: "SP 2", inks: [30.0, 40.0, 60.0, 20.0]), entry("Kelp", "#404020", code: "SP 3", spectrum:)) }

  describe Magpie::Library::Codes do
    def apart(*names) = described_class.apart(value(*names.map { |name| entry(name, "#404020") })).then { |palette, example| [palette.swatches.map { |each| [each.code, each.name] }, example] }

    it "takes codes from names where all have one" do
      expect(apart("TF 088 Hearth clay", "TF 089 Lobster")).to eq [[["TF 088", "Hearth clay"], ["TF 089", "Lobster"]], "TF 088 Hearth clay"]
      expect(apart("BC-1: Ember 2", "BC-2: Ember 3")).to eq [[["BC-1", "Ember 2"], ["BC-2", "Ember 3"]], "BC-1: Ember 2"]
      expect(apart("1004 Ochre", "1005B – Étang")).to eq [[["1004", "Ochre"], ["1005B", "Étang"]], "1004 Ochre"]
    end

    it "leaves names alone of which some have none, or which have the same, or only look so" do
      [["TF 088 Hearth clay", "Lobster"], ["TF 1 Hearth", "TF 1 Lobster"], ["Ember 2", "Ember 3"], ["50 Grey", "60 Grey"], ["TF 1", "TF 2"], ["TF 1 Hearth"]].each do |names|
        expect(apart(*names)).to eq [names.map { |name| [nil, name] }, nil]
      end
    end

    it "leaves codes alone that are there" do
      given = value(entry("TF 1 Hearth", "#404020", code: "X"), entry("TF 2 Moor", "#404020"))
      expect(described_class.apart(given)).to eq [given, nil]
    end
  end

  describe Changes::BringInLibrary do
    it "keeps all that a file says, in its order, and gives it back as it was" do
      about = {note: "Two coats", condition: "on primed render", licence: "free"}
      undone { bring_in(first, about:, file: {file: "shore.cxf", sha256: "a" * 64}) }
      library = Library.last
      expect(library.value).to eq value(*first.swatches, **about)
      expect([library.file, library.entries.pluck(:position), library.entries.pluck(:section).uniq]).to eq ["shore.cxf", [1, 2, 3], ["Shore"]]
      library.entries.each { |each| expect(each.hex).to eq each.colour.hex }
      expect(bring_in(first).name).to eq "Shore paints 2"
    end

    it "leaves out what is no colour, and refuses a file of nothing else" do
      inks = %w[#231F55 #E46F58].each_with_index.map { |text, offset| Magpie::Palette::Compound::Ink.new(colour: hex(text), offset: offset.to_f) }
      fade = Magpie::Palette::Compound.new(form: "linear", angle: 0.0, size: 24.0, inks:)
      shade = entry("Fade", "#404020", compound: fade)
      expect(listed(bring_in(value(shade, entry("", "#705030"), entry("", "#E8D8B0", code: "SP 9"))))).to eq [[nil, "#705030", "#705030"], ["SP 9", "SP 9", "#E8D8B0"]]
      before = rows_of_everything
      expect { bring_in(value(shade)) }.to raise_error(Magpie::Error, "There is no colour in it that a library could hold")
      expect(rows_of_everything).to eq before
    end

    it "numbers the entries of a large one from the first to the last" do
      many = Changes::BringInLibrary::AT_ONCE + 3
      library = bring_in(value(*Array.new(many) { |n| entry("Shell #{n}", "#705030") }))
      expect(library.entries.pluck(:position)).to eq [*1..many]
    end

    it "leaves nothing of what was called off" do
      before = rows_of_everything
      expect { bring_in(first, told: ->(_done, _total) { raise Answer::CalledOff, "called off" }) }.to raise_error(Answer::CalledOff)
      expect(rows_of_everything).to eq before
    end
  end

  describe "a newer version" do
    let(:library) { bring_in(first) }
    let(:newer) { value(entry("Dune", "#E8D0A0", code: "SP 1", page: "3"), entry("Sea wrack", "#705030", code: "SP 2"), entry("Shingle", "#909088", code: "SP 4")) }

    def take_newer(choices = {}, **given) = bring_in(newer, into: library, before: first, choices:, **given)

    def gone = "gone.#{library.entries.find_by!(code: "SP 3").id}"

    it "takes what it has, keeps what it lacks unless that is to go, and gives the older back in one undo" do
      library
      undone { take_newer }
      expect(listed(library)).to eq [["SP 1", "Dune", "#E8D0A0"], ["SP 2", "Sea wrack", "#705030"], ["SP 4", "Shingle", "#909088"], ["SP 3", "Kelp", "#404020"]]
      undo(project)
      expect(listed(library).map(&:first)).to eq ["SP 1", "SP 2", "SP 3"]
      take_newer({gone => "theirs", "0.0" => "ours"})
      expect(listed(library)).to eq [["SP 1", "Dune", "#E8D8B0"], ["SP 2", "Sea wrack", "#705030"], ["SP 4", "Shingle", "#909088"]]
      expect(library.entries.map(&:page)).to eq ["3", nil, nil]
    end

    it "keeps what was edited here: texts, values, press values, and what was added" do
      dune, wrack = library.entries.to_a
      Changes::EditEntry.perform(project, actor:, library:, entry: dune, fields: {"note" => "fades"}, colour: hex("#E0C890"))
      Changes::EditEntry.perform(project, actor:, library:, entry: wrack, fields: {"name" => "Old wrack"}, inks: [1.0, 2.0, 3.0, 4.0])
      Changes::EditEntry.perform(project, actor:, library:, fields: {"name" => "Our grey", "code" => "X"}, colour: hex("#808080"))
      meetings = Meetings.new(newer, library.reload, before: first)
      expect(meetings.all.map { |each| [each.kind, each.ours.name, each.usual, each.edited] }).to eq [[:name, "Dune", "ours", true], [:gone, "Kelp", "ours", nil]]
      take_newer
      expect(listed(library)).to eq [["SP 1", "Dune", "#E0C890"], ["SP 2", "Old wrack", "#705030"], ["SP 4", "Shingle", "#909088"], ["SP 3", "Kelp", "#404020"], ["X", "Our grey", "#808080"]]
      expect(library.entries.map(&:note).compact).to eq ["fades"]
      expect(library.entries.find_by!(code: "SP 2").inks).to eq [1, 2, 3, 4]
      take_newer({"0.0" => "theirs"})
      expect(listed(library).first).to eq ["SP 1", "Dune", "#E8D0A0"]
    end

    it "that is the same changes nothing, whatever codes and names several entries have" do
      random = Random.new(88)
      20.times do
        entries = (0..random.rand(1..8)).map { |n| entry("Grey #{random.rand(2)}", format("#%06X", n * 1_000), code: [nil, "G 1", "G 2"].sample(random:)) }
        same = value(*entries)
        library = bring_in(same)
        before = listed(library)
        expect(Meetings.new(same, library, before: same).all).to be_empty
        bring_in(same, into: library, before: same)
        expect(listed(library)).to eq before
      end
    end

    it "says of itself what nobody wrote otherwise here, and leaves the name" do
      one = value(entry("Dune", "#E8D8B0"), note: "Two coats", condition: "on render", licence: nil)
      library = bring_in(one)
      Changes::EditLibrary.perform(project, actor:, library:, fields: {"note" => "Fades", "name" => "Our paints"})
      bring_in(value(entry("Dune", "#E8D8B0"), note: "Three coats", condition: "on slate", licence: "free").tap { |two| two.name = "shore-2" }, into: library, before: one)
      expect(library.reload.attributes.slice("name", "note", "condition", "licence").values).to eq ["Our paints", "Fades", "on slate", "free"]
    end

    it "is met where neither has codes nor groups, whatever the files are called" do
      named = ->(name, *entries) { Magpie::Palette.new(name:, groups: [Magpie::Palette::Group.new(name:, swatches: entries)]) }
      one, two = named["shore", entry("Dune", "#E8D8B0"), entry("Kelp", "#404020")], named["shore-2", entry("Dune", "#E8D0A0"), entry("Kelp", "#404020")]
      library = bring_in(one)
      expect(library.entries.map(&:section)).to eq [nil, nil]
      bring_in(two, into: library, before: one)
      expect(listed(library)).to eq [[nil, "Dune", "#E8D0A0"], [nil, "Kelp", "#404020"]]
      expect(library.value.groups.map(&:name)).to eq ["shore"]
    end

    it "takes swatches along that are noted with its entries" do
      dune, _, kelp = library.entries.to_a
      kept = [dune, kelp].map { |each| Changes::KeepColour.perform(project, actor:, group: project.groups.first, name: "", colour: each.colour, entry: each) }
      undone { take_newer({gone => "theirs"}) }
      now, left = kept.map { |swatch| swatch.reload.entry }
      expect([now, now.hex, kept[0].hex]).to eq [library.reload.entries.first, "#E8D0A0", "#E8D8B0"]
      expect(left).to eq kelp # of an edition that stands no longer
    end
  end

  describe "entries" do
    let(:library) { bring_in(first) }

    def edit(entry, **given) = Changes::EditEntry.perform(project, actor:, library:, entry:, **given)

    it "are changed, added and removed, each in one undo; another value drops the spectrum" do
      kelp = library.entries.last
      undone { edit(kelp, fields: {"name" => "Bull kelp", "code" => "", "cell" => "C3"}) }
      expect(kelp.reload.slice(:name, :code, :cell, :hex)).to eq("name" => "Bull kelp", "code" => nil, "cell" => "C3", "hex" => "#404020")
      expect(kelp.spectrum).to eq spectrum
      undone { edit(kelp, colour: hex("#405020"), inks: [0.0, 0.0, 0.0, 100.0]) }
      expect([kelp.reload.spectrum, kelp.hex, kelp.inks]).to eq [nil, "#405020", [0, 0, 0, 100]]
      undone { edit(nil, fields: {"name" => "Shingle"}, colour: hex("#909088")) }
      added = library.entries.last
      expect([added.section, added.position, library.entries.count]).to eq ["Shore", 4, 4]
      swatch = Changes::KeepColour.perform(project, actor:, group: project.groups.first, name: "", colour: kelp.colour, entry: kelp)
      expect(swatch.slice(:name, :code, :kind, :entry_id)).to eq("name" => "Bull kelp", "code" => nil, "kind" => "process", "entry_id" => kelp.id)
      undone { Changes::RemoveEntry.perform(project, actor:, library:, entry: kelp) }
      expect([library.entries.count, swatch.reload.entry]).to eq [3, nil]
    end

    it "stand in one order where the last was removed, another added, and the first brought back" do
      kelp = library.entries.last
      Changes::RemoveEntry.perform(project, actor:, library:, entry: kelp)
      removal = RecordedChange.order(:turn).last
      shingle = edit(nil, fields: {"name" => "Shingle"}, colour: hex("#404020"))
      Changes::History.undo(project, removal.id, actor:)
      all = library.reload.entries.to_a
      expect(all.last(2).map(&:name)).to eq ["Kelp", "Shingle"]
      expect(all.map { |entry| library.before(entry).count }).to eq [0, 1, 2, 3]
      expect(all.map { |entry| library.after(entry).count }).to eq [3, 2, 1, 0]
      expect(LibraryChart::ORDERS.keys.map { |order| LibraryChart.of(library, order).ids.then { |ids| ids.index(kelp.id) < ids.index(shingle.id) } }).to all be true
    end

    it "leave alone what nobody touched, and say who was faster" do
      dune = library.entries.first
      expect { edit(dune, fields: {"name" => "Dune"}, saw: {"name" => "Dune"}, colour: dune.colour) }.not_to change(RecordedChange, :count)
      edit(dune, fields: {"note" => "fades", "name" => "Dune"}, saw: {"note" => "", "name" => "Dune"})
      edit(dune, fields: {"note" => "", "name" => "Dry dune"}, saw: {"note" => "", "name" => "Dune"})
      expect(dune.reload.slice(:name, :note)).to eq("name" => "Dry dune", "note" => "fades")
      expect { edit(dune, fields: {"name" => "Sand"}, saw: {"name" => "Dune"}) }.to raise_error(Magpie::Error, "Dry dune was changed meanwhile: its name was Dune when you looked, and is Dry dune now. You wanted Sand")
      expect { edit(dune, fields: {"name" => ""}) }.to raise_error(Magpie::Error, "An entry needs a name")
      Changes::RemoveLibrary.perform(project, actor:, library:)
      expect { edit(dune, fields: {"name" => "Sand"}) }.to raise_error(Magpie::Error, /Somebody else removed something/)
    end
  end

  it "are renamed, noted about and removed; the file that one came from is kept" do
    sha256 = Blob.keep("a file", "text/plain")
    library = bring_in(first, file: {file: "shore.txt", sha256:})
    undone { Changes::EditLibrary.perform(project, actor:, library:, fields: {"name" => "Shore and dune", "condition" => "on cotton"}) }
    expect(library.reload.slice(:name, :condition)).to eq("name" => "Shore and dune", "condition" => "on cotton")
    expect { Changes::EditLibrary.perform(project, actor:, library:, fields: {"name" => " "}) }.to raise_error(Magpie::Error, "A library needs a name")
    Blob.update_all(kept_at: Time.now - 40 * 86_400)
    Changes::Housekeeping.perform
    expect(Blob.bytes(sha256)).to eq "a file"
    undone { Changes::RemoveLibrary.perform(project, actor:, library:) }
    expect(Library.standing).to eq []
    undo(project)
    expect(Library.standing).to eq [library]
  end

  it "cannot be undone under what was done to them since" do
    library = bring_in(first)
    brought = RecordedChange.last
    edited = Changes::EditEntry.perform(project, actor:, library:, entry: library.entries.first, fields: {"name" => "Sand"})
    expect { Changes::History.undo(project, brought.id, actor:) }.to raise_error(Magpie::Error)
    changed = RecordedChange.last
    bring_in(first, into: library, before: first)
    expect { Changes::History.undo(project, changed.id, actor:) }.to raise_error(Magpie::Error)
    3.times { undo(project) }
    expect([Library.standing.count, edited.reload.name]).to eq [0, "Dune"]
  end

  it "come with the demo as files that the script makes, through the readers" do
    files = DemoLibraries.files
    files.each { |name, bytes| expect(File.binread(File.expand_path("../../db/demo/libraries/#{name}", __dir__)) == bytes.b).to be(true), name }
    Demo.libraries(project)
    found = Library.standing.to_h { |each| [each.name, [each.file, each.entries.count, each.condition, each.import.library == each]] }
    expect(found).to eq(
      "Tarn & Fell masonry paints" => ["tarn-and-fell.icc", 212, "on masonry", true], "Lantern enamel colours" => ["lantern-enamel.cxf", 96, "fired on copper", true],
      "Bothy cut film" => ["bothy-cut-film.cgats", 64, "opaque, on white", true], "CSS named colours" => ["css-named-colours.css", 148, "on screens", true]
    )
    entries = Library.standing.to_h { |each| [each.file, each.entries.to_a] }
    expect(entries["lantern-enamel.cxf"].map { |each| Magpie::Difference.de2000(each.spectrum.color, each.colour) }.max).to be < 0.01
    expect(entries["bothy-cut-film.cgats"].all?(&:inks)).to be true
    expect(entries.values.flatten.reject(&:code).map { |each| each.library.name }.uniq).to eq ["CSS named colours"]
    expect(entries["tarn-and-fell.icc"].find { |each| each.code == "TF 088" }.slice(:name, :hex)).to eq("name" => "Hearth clay", "hex" => "#E3725F")
  end
end
