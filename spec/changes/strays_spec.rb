RSpec.describe "Stray colours", :data do
  let(:project) { new_project }
  let!(:poster) { bring_in_poster(project) }
  let!(:badge) { bring_in_poster(project, name: "Badge.svg") }
  let(:content) { ->(swatch) { Hand::Content.of_swatch(swatch.reload) } }

  def dress(artwork, key, swatch, role: "fill") = Changes::DressParts.perform(project, actor:, artwork:, numbers: numbers(artwork, key), role:, content: content.call(swatch))

  describe ArtworkColours do
    def colours(*artworks) = described_class.new(artworks.map(&:reload))

    it "counts fills, lines, stops and inks, of one artwork or several" do
      lamp = keep(project, "Lamp", "#FFCE5C")
      share(project, lamp, ticks: ["a#{poster.id}#FFCE5C"])
      dress(poster, "planet_ring", lamp, role: "line")
      expect(colours(poster).linked.map { |chip, uses| [chip.id, uses.words] }).to eq [[lamp.id, "8 fills, 1 line"]]
      expect(colours(badge).strays.first).to eq ["#FFCE5C", described_class::Uses.new(8, 0, 0, 0, 0)]
      expect(colours(badge, poster).strays.to_h["#B88A33"].words).to eq "3 lines"
      inks = [Magpie::Palette::Compound::Ink.new(colour: hex("#000"), reference: lamp.id, offset: 0.0), Magpie::Palette::Compound::Ink.new(colour: hex("#2F8FA3"), offset: 1.0)]
      evening = Changes::KeepPaint.perform(project, actor:, paint: Magpie::Palette::Compound.new(form: "linear", angle: 90.0, size: 12.0, inks:), group: project.groups.first, name: "Evening")
      evening.update!(shared: false)
      dress(poster, "moor", evening)
      expect(colours(poster).linked.to_h { |chip, uses| [chip.id, uses.words] }[lamp.id]).to eq "8 fills, 1 line, 1 stop"
      expect(colours(poster).strays.to_h["#2F8FA3"].words).to eq "1 stop"
    end
  end

  describe Changes::LinkStrays do
    it "links what holds exactly the colour, and undoes it" do
      lamp, brass = keep(project, "Lamp", "#FFCE5D"), keep(project, "Brass", "#B88A33")
      undone { described_class.perform(project, actor:, artworks: [poster], links: {"#FFCE5C" => lamp, "#B88A33" => brass}) }
      expect([Reach.of(actor, [lamp.id, brass.id]), lamp.reload.shared]).to eq [{lamp.id => 8, brass.id => 2}, true]
      expect(RecordedChange.last.words).to eq "Linked 10 places of Poster to 2 swatches"
      expect { described_class.perform(project, actor:, artworks: [poster], links: {"#FFCE5C" => lamp}) }.to raise_error(Magpie::Error, /No place holds that colour any more/)
      expect { described_class.perform(project, actor:, artworks: [poster], links: {}) }.to raise_error(Magpie::Error, /No stray is so near/)
    end
  end

  describe Changes::KeepStrays do
    it "makes shared swatches of them as a group, and links them everywhere it is asked to" do
      undone { described_class.perform(project, actor:, artworks: [poster, badge], hexes: ["#FFCE5C", "#B88A33"], palette: project.palettes.first, name: "Metals") }
      group = Group.find_by!(name: "Metals")
      expect(group.swatches.map { |swatch| [swatch.hex, swatch.shared, swatch.places.count] }).to eq [["#FFCE5C", true, 16], ["#B88A33", true, 4]]
      expect(RecordedChange.last.words).to eq "Made 2 swatches of strays, as the group Metals, and linked 20 places"
      expect(described_class.perform(project, actor:, artworks: [poster], hexes: ["#A35166"], palette: project.palettes.first).group.name).to eq "Colours of Poster"
      expect { described_class.perform(project, actor:, artworks: [poster], hexes: Array.new(101) { |n| format("#%06X", n) }, palette: project.palettes.first) }.to raise_error(Magpie::Error, /the limit is 100/)
    end
  end

  describe Changes::SwapColour do
    let!(:teal) { keep(project, "Teal", "#2F8FA3") }

    it "swaps a stray and a swatch, for a shared swatch, a loose one or a plain colour" do
      undone { described_class.perform(project, actor:, artworks: [poster, badge], from: "#FFCE5C", content: content.call(teal)) }
      expect([place(badge, "dome_slit").hex, place(badge, "dome_slit").swatch]).to eq ["#2F8FA3", nil]
      share(project, teal, ticks: ["a#{poster.id}#2F8FA3"])
      ember = keep(project, "Ember", "#E46F58")
      share(project, ember, ticks: [])
      undone { described_class.perform(project, actor:, artworks: [poster], from: teal.reload, content: content.call(ember)) }
      expect(Reach.of(actor, [teal.id, ember.id])).to eq(ember.id => 8)
      expect(RecordedChange.last.words).to eq "Swapped Teal for Ember in 8 places of Poster"
      described_class.perform(project, actor:, artworks: [poster], from: ember, content: Hand::Content.new(name: "Red", colour: hex("#FF0000")))
      expect(place(poster, "dome_slit").hex).to eq "#FF0000"
    end

    it "says when it is there already, or not there any more" do
      share(project, teal, ticks: [])
      expect { described_class.perform(project, actor:, artworks: [poster], from: teal.reload, content: content.call(teal)) }.to raise_error(Magpie::Error, "Teal is there already")
      expect { described_class.perform(project, actor:, artworks: [poster], from: "#010203", content: content.call(teal)) }.to raise_error(Magpie::Error, /No place holds that colour any more/)
    end
  end
end
