require "tmpdir"

RSpec.describe "What the tables hold" do
  let(:project) { new_project }

  describe Blob do
    it "keeps the same bytes once, whoever brings them" do
      first = described_class.keep("\x00\xFFnight".b, "image/png")
      expect(described_class.keep("\x00\xFFnight".b, "image/png")).to eq first
      expect(described_class.where(sha256: first).count).to eq 1
      expect(described_class.bytes(first)).to eq "\x00\xFFnight".b
    end
  end

  describe Setting do
    it "is made once" do
      made = Array.new(3) { |n| described_class.fetch("door_code") { "made #{n}" } }
      expect(made.uniq).to eq ["made 0"]
    end
  end

  describe Swatch do
    it "keeps every model's numbers exactly, with what a screen shows beside them" do
      colour = Magpie::Color.new(:lab, [1 / 3.0, -12.123456789012345, 40], 0.2)
      kept = Changes::KeepColour.perform(project, actor:, group: project.groups.first, name: "Odd", colour:)
      again = described_class.find(kept.id)
      expect(again.colour).to eq colour
      expect(again.hex).to eq colour.hex
    end

    it "counts its reach in artworks that stand" do
      lamp = keep(project, "Lamp", "#FFCE5C")
      bring_in_poster(project)
      share(project, lamp)
      expect(Reach.of(actor, [lamp.id])).to eq(lamp.id => 8)
      project.artworks.first.update!(removed_at: Time.now)
      expect(Reach.of(actor, [lamp.id])).to eq({})
    end
  end

  describe Candidates do
    it "finds the same eight bits in every project that uses the palette, and no near miss" do
      ember = keep(project, "Ember", "oklch(0.675 0.1512 32.6)")
      expect(ember.hex).to match(/\A#E4(6F|70)5[789]\z/)
      other = new_project("Star trail")
      svg = ->(hex) { %(<svg xmlns="http://www.w3.org/2000/svg" width="9" height="9"><rect id="r" width="9" height="9" fill="#{hex}"/></svg>) }
      Changes::BringInArtwork.perform(other, actor:, name: "one.svg", bytes: svg.call(ember.hex))
      near = ember.hex.sub(/.\z/) { |digit| (digit.hex ^ 1).to_s(16) }
      Changes::BringInArtwork.perform(other, actor:, name: "two.svg", bytes: svg.call(near))
      expect(described_class.of(actor, [ember]).by_artwork).to be_empty
      Use.create!(project: other, palette: ember.group.palette, position: 2)
      expect(described_class.of(actor, [ember]).by_artwork.transform_keys(&:name).transform_values { |rows| rows.sum(&:count) }).to eq("One" => 1)
    end
  end

  describe Chip do
    it "is drawn as its swatch is, in the order of its group, and asks the database once" do
      group = project.groups.first
      ember, lamp = keep(project, "Ember", "oklch(0.675 0.1512 32.6 / 0.5)"), keep(project, "Lamp", "#FFCE5C")
      ink = ->(swatch, offset) { Magpie::Palette::Compound::Ink.new(colour: swatch.colour, reference: swatch.id, offset:) }
      dusk = Changes::KeepPaint.perform(project, actor:, paint: Magpie::Palette::Compound.new(form: "linear", angle: 90.0, size: 12.0, inks: [ink.call(ember, 0.0), ink.call(lamp, 1.0)]), group:, name: "Dusk")
      Changes::MoveSwatches.perform(project, actor:, swatches: [lamp], group:, slot: 9)
      chips = described_class.of_groups(project.groups.map(&:id))
      swatches = [ember, dusk, lamp].map(&:reload)
      drawn = ->(each) { [each.id, each.name, each.hex, each.colour, each.css, each.paint, each.shared, each.locked, each.kind, each.position] }
      expect(chips[group.id].map(&drawn)).to eq swatches.map(&drawn)
      expect(chips[0]).to eq []
      expect(chips[group.id] - described_class.of_groups([group.id])[group.id].first(2)).to eq chips[group.id].last(1)
    end
  end

  describe Hand do
    let(:hand) { described_class.create!(project:, visitor: "one") }

    def hold(text) = hand.hold(Hand::Content.new(name: text, colour: hex(text)))

    it "holds one colour and remembers the one before" do
      hold("#111")
      expect(hand.content(:before)).to be_nil
      hold("#222")
      hold("#222")
      expect([hand.content.hex, hand.content(:before).hex]).to eq %w[#222222 #111111]
      hand.swap
      expect([hand.content.hex, hand.content(:before).hex]).to eq %w[#111111 #222222]
    end

    it "shows a swatch as it is now, and its colour once it is gone" do
      lamp = keep(project, "Lamp", "#FFCE5C")
      hand.hold(Hand::Content.of_swatch(lamp))
      hand.settle
      Changes::ChangeSwatch.perform(project, actor:, swatch: lamp, colour: hex("#52A3CC"), definition: "", before: "#FFCE5C")
      expect(hand.reload.content.hex).to eq "#52A3CC"
      undo(project)
      undo(project)
      expect([hand.reload.content.hex, hand.content.swatch_id]).to eq ["#FFCE5C", nil]
    end
  end

  describe PictureCache do
    it "is made again from the bytes when it is deleted, and keeps to its size" do
      source = Changes::BringInSource.perform(project, actor:, name: "Dusk.png", bytes: noise_picture(30, 20, [90, 60, 120], 8).pngsave_buffer)
      reading = Seen.new(source).picture.at(10, 10)
      FileUtils.rm_rf(described_class.folder)
      expect(Seen.new(source).picture.at(10, 10)).to eq reading
      expect(File.binread(Seen.new(source).thumbnail)).to start_with("\xFF\xD8".b)
      stub_const("PictureCache::LARGEST_BYTES", 10)
      described_class.make_room
      expect(Dir.glob(File.join(described_class.folder, "*"))).to be_empty
      expect(Seen.new(source).picture.at(10, 10)).to eq reading
    end

    it "has the same small picture of an artwork as is made from what is read, whatever its shape, without reading it" do
      tall = %(<svg xmlns="http://www.w3.org/2000/svg" width="4" height="4000"><rect y="1000" width="4" height="3000" fill="#E46F58" fill-opacity=".5"/></svg>)
      artworks = [bring_in_poster(project), Changes::BringInArtwork.perform(project, actor:, name: "Tall.svg", bytes: tall)]
      artworks.each do |artwork|
        expect(described_class).not_to receive(:picture)
        small = Vips::Image.new_from_buffer(File.binread(Seen.new(artwork).thumbnail), "")
        RSpec::Mocks.space.proxy_for(described_class).reset
        same = Vips::Image.new_from_buffer(Seen.new(artwork).picture.thumbnail(*Seen::THUMBNAIL), "")
        expect([[small.width, small.height], small.bands]).to eq [Seen::THUMBNAIL, 3]
        expect(small.colourspace(:lab).dE00(same.colourspace(:lab)).avg).to be < 2
      end
    end

    it "makes room though something that it listed is gone by then" do
      source = Changes::BringInSource.perform(project, actor:, name: "Dusk.png", bytes: noise_picture(30, 20, [90, 60, 120], 8).pngsave_buffer)
      Seen.new(source).picture
      File.symlink("nowhere", File.join(described_class.folder, "gone.jpg")) # listed, and not there
      stub_const("PictureCache::LARGEST_BYTES", 10)
      described_class.make_room
      expect(Dir.children(described_class.folder)).to eq ["gone.jpg"]
      FileUtils.rm_f(File.join(described_class.folder, "gone.jpg"))
    end

    it "leaves what could not be drawn alone for a while, and then tries again: it may have been the machine" do
      source = Changes::BringInSource.perform(project, actor:, name: "Dusk.png", bytes: noise_picture(30, 20, [90, 60, 120], 8).pngsave_buffer)
      FileUtils.rm_rf(described_class.folder)
      tries = 0
      allow(Magpie::Walls).to receive(:picture).and_wrap_original { |read, *bytes, **how| ((tries += 1) < 3) ? raise(Magpie::Walls::Gate.broken("Dusk.png")) : read.call(*bytes, **how) }
      [1, 2].each do |tried|
        2.times { expect { Seen.new(source).picture }.to raise_error(Magpie::Error, /Dusk.png cannot be read: it makes the decoder stop/) }
        expect(tries).to eq tried
        later = Time.now - described_class::REFUSED - 1
        File.utime(later, later, *Dir[File.join(described_class.folder, "*-refused.txt")])
      end
      expect(Seen.new(source).picture.width).to eq 30
    end
  end

  describe Page::SwatchNames do
    it "gives each swatch a CSS name of its own" do
      one, two, same = keep(project, "Ember sky", "#E46F58"), keep(project, "Ember-sky!", "#E2705A"), keep(project, "夜", "#000")
      names = described_class.of([one, two, same])
      expect([names[one.id].variable, names[one.id].text]).to eq ["--ember-sky", "Ember sky"]
      expect(names[two.id].slug).to eq "ember-sky-#{two.id}"
      expect(names[same.id].slug).to eq "swatch"
    end
  end

  describe Artwork do
    it "renders linked, flat and for a page from the same places" do
      poster = bring_in_poster(project)
      ember = keep(project, "Ember sky", "#E46F58")
      share(project, ember)
      Changes::ChangeSwatch.perform(project, actor:, swatch: ember, colour: hex("#52A3CC80"), definition: "", before: "#E46F58")
      number = numbers(poster, "ember_band").first
      expect(Page::Painter.new(Dressing.new(poster)).paints).to include ["fill", "var(#{ember.variable})", 1.0, [number]]
      expect(Page::Painter.drawing(Dressing.new(poster).drawing, poster.parts.pluck(:key, :position).to_h)).to match(/id="of-file-ember_band"[^>]* data-part="#{number}"/)
      expect(Dressing.new(poster).flat).to match(/id="ember_band"[^>]* fill="#52A3CC" fill-opacity="0.502"/)
      expect(Dressing.new(poster).linked).to include("--ember-sky:#52A3CC;")
      expect(Dressing.new(poster).flat).not_to include(Magpie::Artwork::Identifiers::MARK, "data-part")
    end
  end
end
