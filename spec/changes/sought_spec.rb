RSpec.describe "What is looked for in libraries" do
  let!(:project) { new_project }

  def bring_in(names, name: "Tarn & Fell")
    swatches = names.map.with_index { |(each, code, text), index| Magpie::Palette::Swatch.new(name: each, code:, colour: hex(text || format("#%06X", index * 7_919 % 0xFFFFFF))) }
    Changes::BringInLibrary.perform(project, actor:, value: Magpie::Palette.new(name:, groups: [Magpie::Palette::Group.new(name:, swatches:)])).reload
  end

  let(:library) { bring_in([["Hearth clay", "TF 088"], ["Kestrel", "TF 088-B"], ["Heather clay", "TF 089"], ["Kingfisher", "88"], ["Clay", "TF 0088"], ["100% moor", nil]]) }

  describe SoughtEntries do
    def found(text, libraries = [library]) = described_class.new(libraries, text).ids.then { |ids| Entry.where(id: ids).index_by(&:id).values_at(*ids).map(&:name) }

    it "finds codes however they are written, exact ones first" do
      ["TF 088", "tf088", "TF-088"].each { |text| expect([text, found(text).first]).to eq [text, "Hearth clay"] }
      expect(["tf 88", "088"].map { |text| found(text).first }).to eq ["Hearth clay", "Hearth clay"]
      expect(found("88")).to include("Hearth clay", "Kingfisher", "Clay")
    end

    it "finds names: what begins so, what has it anywhere, what is spelt alike" do
      expect(found("clay")).to eq ["Clay", "Hearth clay", "Heather clay"]
      expect(found("KESTREL")).to eq ["Kestrel"]
      expect([found("kestrl"), found("kinfisher"), found("hearht clay").first]).to eq [["Kestrel"], ["Kingfisher"], "Hearth clay"]
    end

    it "finds nothing for nothing, takes signs for themselves, and looks only where it is told" do
      expect([found(""), found("   "), found("zzzzqq"), found("clay", [])]).to eq [[], [], [], []]
      expect(found("100%")).to eq ["100% moor"]
      expect([found("0% m"), found("_"), found("' OR 1=1 --"), found("[[:alnum:]]+(")]).to eq [["100% moor"], [], [], []]
      other = bring_in([["Clay pit", "BC 1"]], name: "Bothy")
      expect(found("clay", [other])).to eq ["Clay pit"]
      expect(found("clay", [library, other]).size).to eq 4
    end

    it "finds what stands, and not what an older edition had" do
      Changes::BringInLibrary.perform(project, actor:, value: Magpie::Palette.new(name: "x", groups: [Magpie::Palette::Group.new(name: "x", swatches: [Magpie::Palette::Swatch.new(name: "Curlew", colour: hex("#111111"))])]), into: library, before: library.value, choices: library.entries.to_h { |entry| ["gone.#{entry.id}", "theirs"] })
      expect([found("curlew", [library.reload]), found("kestrel", [library])]).to eq [["Curlew"], []]
    end
  end

  describe LibraryIndex do
    def names(text) = described_class.of(library.reload).to(hex(text), most: 2).map { |id, difference| [Entry.find(id).name, difference.round(6)] }

    it "knows an entry as soon as it is changed, and as it was when that is undone" do
      bright = hex("#FF0000")
      expect(names("#FF0000")[0][1]).to be > 1
      Changes::EditEntry.perform(project, actor:, library:, entry: library.entries.find_by!(name: "Kestrel"), colour: bright)
      expect(names("#FF0000")[0]).to eq ["Kestrel", 0.0]
      undo(project)
      expect(names("#FF0000")[0][1]).to be > 1
      redo_change(project)
      expect(names("#FF0000")[0]).to eq ["Kestrel", 0.0]
      Changes::RemoveEntry.perform(project, actor:, library:, entry: library.entries.find_by!(name: "Kestrel"))
      expect(names("#FF0000").map(&:first)).not_to include "Kestrel"
    end

    it "holds what the colours are, to the last digit, and nothing of a library without entries" do
      found = described_class.of(library).to(hex("#000000")).to_h
      expect(found).to eq library.entries.to_h { |entry| [entry.id, Magpie::Difference.de2000(entry.colour, hex("#000000"))] }
      library.entries.to_a.each { |entry| Changes::RemoveEntry.perform(project, actor:, library:, entry:) }
      expect(described_class.of(library.reload).to(hex("#000000"))).to eq []
    end
  end

  describe LibraryChart do
    let(:library) { bring_in([["Lamp", "LE 10", "#FFCE5C"], ["Moor", "LE 9", "#121720"], ["Ash", nil, "#808080"], ["Ember", "LE 100", "#E46F58"], ["Tarn", "AB 3", "#2F8FA3"]]) }

    def names(order) = described_class.of(library.reload, order).ids.map { |id| Entry.find(id).name }

    it "has four orders" do
      expect(names("chart")).to eq %w[Lamp Moor Ash Ember Tarn]
      expect(names("lightness")).to eq %w[Lamp Ember Ash Tarn Moor].sort_by { |name| -Entry.find_by!(name:).l }
      expect(names("code")).to eq %w[Tarn Moor Lamp Ember Ash]
      expect(names("hue")).to eq %w[Ash Ember Lamp Tarn Moor]
    end

    it "stands together as pages and sections do, with as many columns as cells say" do
      cells = (1..2).flat_map { |page| %w[A B].product([1, 2, 3]).map { |row, column| {page: "Tray #{page}", cell: "#{row}#{column}"} } }
      library.entries.to_a.each { |entry| Changes::RemoveEntry.perform(project, actor:, library:, entry:) }
      cells.each_with_index { |cell, index| Changes::EditEntry.perform(project, actor:, library:, fields: {"name" => "Paint #{index}", **cell.transform_keys(&:to_s)}, colour: hex("#808080")) }
      expect(described_class.of(library.reload, "chart").runs.map { |run| [run.title.to_s[/Tray \d/], run.from, run.size, run.columns] }).to eq [["Tray 1", 0, 6, 3], ["Tray 2", 6, 6, 3]]
    end

    it "takes what was selected by number, and refuses what is none" do
      chart = described_class.of(library, "chart")
      expect(chart.picked("0-1,4,900", 10)).to eq library.entries.ids.values_at(0, 1, 4)
      ["x", "3-1", "-1", "0-99999999"].each { |text| expect { chart.picked(text, 10) }.to raise_error(Magpie::Error, /cannot be read/) }
      expect(chart.picked("", 10)).to eq []
      expect { chart.picked("0-2", 2) }.to raise_error(Magpie::Error, "3 entries at once: the limit is 2")
    end
  end
end
