require "zip"

RSpec.describe "Files that come in" do
  let!(:project) { new_project }

  def swatch(name, text, **more) = Magpie::Palette::Swatch.new(name:, colour: hex(text), **more)

  def value(name = "Star trail", **groups) = Magpie::Palette.new(name:, groups: groups.map { |group, swatches| Magpie::Palette::Group.new(name: group.to_s, swatches:) })

  def bring_in(value, **given) = Changes::BringInPalette.perform(project, actor:, value:, **given)

  def named(palette) = palette.reload.value.groups.flat_map { |group| group.swatches.map { |each| [each.name, each.colour.hex] } }

  describe Meetings do
    let(:palette) { bring_in(value(Dusk: [swatch("Ember", "#E46F58"), swatch("Moor", "#121720")], Night: [swatch("Lamp", "#FFCE5C")])) }

    def meetings(theirs, **given) = described_class.new(theirs, palette, **given).all.map { |each| [each.key, each.kind, each.ours.name, each.usual, each.difference&.round(1)] }

    it "finds names with another value, in their group or elsewhere, and values with another name" do
      theirs = value(dusk: [swatch("EMBER", "#E86540"), swatch("Moor", "#121720"), swatch("Dome slit", "#FFCE5C"), swatch("Peat", "#101010")], Other: [swatch("Lamp", "#FFC93C")])
      expect(meetings(theirs)).to eq [["0.0", :name, "Ember", "ours", 4.5], ["0.2", :value, "Lamp", "both", 0.0], ["1.0", :name, "Lamp", "ours", 2.9]]
      found = described_class.new(theirs, palette)
      expect([found.added, found.same.keys]).to eq [1, ["0.1"]]
    end

    it "takes a value for the same however it is written, and gradients for what they hold" do
      expect(meetings(value(Dusk: [Magpie::Palette::Swatch.new(name: "Ember", colour: hex("#E46F58").to(:oklch))]))).to eq []
      inks = %w[#231F55 #E46F58].each_with_index.map { |text, offset| Magpie::Palette::Compound::Ink.new(colour: hex(text), offset: offset.to_f) }
      fade = Magpie::Palette::Compound.new(form: "linear", angle: 0.0, size: 24.0, inks:)
      expect(meetings(value(Dusk: [Magpie::Palette::Swatch.new(name: "Ember", colour: fade.colour, compound: fade)])).map { |each| each.first(3) }).to eq [["0.0", :name, "Ember"]]
    end

    it "tells a newer version from what came in before: what changed, what is gone, what was edited here" do
      older = value(Dusk: [swatch("Ember", "#E46F58"), swatch("Moor", "#121720")], Night: [swatch("Lamp", "#FFCE5C")])
      palette.swatches.find_by!(name: "Lamp").update!(colour: hex("#FFD000"))
      newer = value(Dusk: [swatch("Ember", "#E86540"), swatch("Peat", "#101010")], Night: [swatch("Lamp", "#FFC000")])
      gone = palette.swatches.find_by!(name: "Moor")
      found = described_class.new(newer, palette, before: older)
      expect(found.all.map { |each| [each.key, each.kind, each.usual, each.edited] }).to eq [["0.0", :name, "theirs", false], ["1.0", :name, "ours", true], ["gone.#{gone.id}", :gone, "ours", nil]]
      expect(described_class.new(value(Dusk: [swatch("Ember", "#E46F58"), swatch("Moor", "#121720")], Night: [swatch("Lamp", "#FFCE5C")]), palette, before: older).all).to eq []
    end
  end

  describe Changes::BringInPalette do
    it "settles what meets as usual where nobody says otherwise, and all in one undo" do
      palette = bring_in(value(Dusk: [swatch("Ember", "#E46F58"), swatch("Moor", "#121720"), swatch("Lamp", "#FFCE5C")]))
      before = rows_of_everything
      bring_in(value(Dusk: [swatch("Ember", "#E86540"), swatch("Late lamp", "#FFCE5C"), swatch("Peat", "#101010")]), into: palette)
      expect(named(palette)).to eq [["Ember", "#E46F58"], ["Moor", "#121720"], ["Lamp", "#FFCE5C"], ["Late lamp", "#FFCE5C"], ["Peat", "#101010"]]
      undo(project)
      expect(rows_of_everything).to eq before
      bring_in(value(Dusk: [swatch("Late lamp", "#FFCE5C"), swatch("Night", "#121720")]), into: palette, choices: {"0.0" => "theirs", "0.1" => "ours"})
      expect(named(palette)).to eq [["Ember", "#E46F58"], ["Moor", "#121720"], ["Late lamp", "#FFCE5C"]]
    end

    it "leads places along with what is taken, and keeps their colour where something is gone" do
      older = value(Dusk: [swatch("Ember", "#E46F58", shared: true), swatch("Moor", "#121720", shared: true)])
      palette, poster = bring_in(older), bring_in_poster(project)
      ember, moor = palette.swatches.order(:id).to_a
      places = poster.places.order(:id).first(2)
      [ember, moor].zip(places) { |swatch, place| Follow.create!(swatch_id: swatch.id, place_id: place.id) && place.update!(Place::PAINTED) }
      before = rows_of_everything
      bring_in(value(Dusk: [swatch("Ember", "#52A3CC", shared: true)]), into: palette, before: older, choices: {"gone.#{moor.id}" => "theirs"})
      expect([ember.reload.hex, Follow.where(place_id: places[0].id).pluck(:swatch_id), places[1].reload.hex, Swatch.exists?(moor.id)]).to eq ["#52A3CC", [ember.id], "#121720", false]
      undo(project)
      expect(rows_of_everything).to eq before
    end

    it "ties tints and inks of the file to what they follow, new or there already" do
      lamp = swatch("Lamp", "#FFCE5C")
      palette = bring_in(value(Dusk: [lamp]))
      inks = [[lamp.colour, [0, 0]], [hex("#231F55"), nil]].each_with_index.map { |(colour, reference), offset| Magpie::Palette::Compound::Ink.new(colour:, reference:, offset: offset.to_f) }
      fade = Magpie::Palette::Compound.new(form: "linear", angle: 0.0, size: 24.0, inks:)
      tint = ->(of, by) { Magpie::Making::Tints.tint(of, by) }
      file = value(Dusk: [lamp, Magpie::Palette::Swatch.new(name: "Lamp 40", colour: tint.call(lamp.colour, 40), tint: Magpie::Palette::Tint.new(40, [0, 0])), Magpie::Palette::Swatch.new(name: "Fade", colour: fade.colour, compound: fade),
        Magpie::Palette::Swatch.new(name: "Measured", colour: hex("#123456"), tint: Magpie::Palette::Tint.new(40, [0, 0]))])
      before = rows_of_everything
      bring_in(file, into: palette)
      made = palette.reload.value
      expect(made.swatches.map { |each| [each.name, each.tint, each.compound&.inks&.map(&:reference)] }).to eq [["Lamp", nil, nil], ["Lamp 40", Magpie::Palette::Tint.new(40.0, [0, 0]), nil], ["Fade", nil, [[0, 0], nil]], ["Measured", nil, nil]]
      Changes::ChangeSwatch.perform(project, actor:, swatch: palette.swatches.find_by!(name: "Lamp"), colour: hex("#52A3CC"), definition: "#52A3CC", before: "#FFCE5C")
      expect(palette.swatches.find_by!(name: "Lamp 40").colour).to eq tint.call(hex("#52A3CC"), 40)
      2.times { undo(project) }
      expect(rows_of_everything).to eq before
    end

    it "survives tints that go round in a circle" do
      one = Magpie::Palette::Swatch.new(name: "One", colour: hex("#fff"), tint: Magpie::Palette::Tint.new(40, [0, 1]))
      two = Magpie::Palette::Swatch.new(name: "Two", colour: hex("#fff"), tint: Magpie::Palette::Tint.new(40, [0, 0]))
      expect(bring_in(value(Dusk: [one, two])).value.swatches.map(&:tint)).to eq [nil, nil]
    end

    it "gives names to what has none, and none twice" do
      palette = bring_in(value(Dusk: [swatch("", "#E46F58"), swatch("", "#E46F58"), swatch("Moor", "#121720"), swatch("moor", "#000"), swatch("Moor 2", "#111")]))
      expect(palette.swatches.order(:position).pluck(:name)).to eq ["Tomato", "Tomato 2", "Moor", "moor 2", "Moor 2 2"]
    end

    it "tells names apart that differ in case alone" do
      palette = bring_in(value(Dusk: [swatch("Moor", "#121720"), swatch("MOOR", "#000")]))
      expect(palette.swatches.order(:position).pluck(:name)).to eq ["Moor", "MOOR 2"]
    end

    it "refuses to take what is locked, with nothing changed" do
      palette = bring_in(value(Dusk: [swatch("Ember", "#E46F58")]))
      palette.swatches.first.update!(locked: true)
      before = rows_of_everything
      expect { bring_in(value(Dusk: [swatch("Ember", "#fff"), swatch("New", "#000")]), into: palette, choices: {"0.0" => "theirs"}) }.to raise_error(Magpie::Error, "Ember is locked. Unlock first")
      expect(rows_of_everything).to eq before
    end

    it "tells how far it is, and leaves nothing where it is called off" do
      stub_const("Changes::BringInPalette::AT_ONCE", 10)
      told, before = [], rows_of_everything
      file = value(Dusk: Array.new(35) { |n| swatch("Ember #{n}", "#E46F58") })
      expect { bring_in(file, told: ->(done, total) { ((told << [done, total]).size == 3) ? raise(Answer::CalledOff, "off") : nil }) }.to raise_error(Answer::CalledOff)
      expect([told, rows_of_everything]).to eq [[[10, 35], [20, 35], [30, 35]], before]
    end
  end

  describe Changes::OpenFile do
    def zip(files)
      Zip::OutputStream.write_buffer { |out| files.each { |name, bytes| out.put_next_entry(name) && out.write(bytes) } }.string
    end

    def opened(*files) = described_class.palettes(project, actor:, files:)

    it "opens several at once and what lies in an archive, and says what it could not read" do
      archive = zip("trail/ember.css" => ":root{--ember:#E46F58}", "trail/notes.txt" => "nothing here", "__MACOSX/x" => "x", ".DS_Store" => "y")
      came, refused = opened(["moor.csv", "Name,Hex\nMoor,#121720\n"], ["all.zip", archive], ["odd.bin", "\x00\x01"])
      expect(came.map { |import| [import.name, import.format, import.size, import.notes] }).to eq [["moor.csv", "table", 1, 0], ["trail/ember.css", "css", 1, 0]]
      expect(came.map(&:batch).uniq.size).to eq 1
      expect(refused).to match [/\Atrail\/notes.txt: it is in no format/, /\Aodd.bin: it is in no format/]
    end

    it "bounds archives before it makes anything of them" do
      {zip((1..201).to_h { |n| ["#{n}.css", "x"] }) => "all.zip holds 201 files: expected 200 at most", "PK\x03\x04nonsense".b => /all.zip is a damaged archive/, zip("folder/.hidden" => "x") => "all.zip holds no file",
       zip("bomb.css" => "0" * 140_000_000) => "all.zip comes to more than 128 MB"}.each do |bytes, message|
        came, refused = opened(["all.zip", bytes])
        expect([came, refused]).to match [[], [message]]
      end
    end

    it "knows the older version of the same file while its palette stands" do
      first = opened(["moor.csv", "Name,Hex\nMoor,#121720\n"])[0][0]
      newer = opened(["moor.csv", "Name,Hex\nMoor,#131821\n"])[0][0]
      expect(newer.older).to be_nil
      palette = bring_in(Opened.result(first).palette)
      first.update!(brought_at: Time.now, palette:)
      expect(Import.find(newer.id).older).to eq first
      undo(project)
      expect(Import.find(newer.id).older).to be_nil
    end
  end
end
