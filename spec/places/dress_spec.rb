require "support/desks"

RSpec.describe Places::Dress, :data do
  let(:project) { new_project }
  let!(:poster) { bring_in_poster(project) }
  let(:ember) { keep(project, "Ember", "#E46F58").tap { |swatch| share(project, swatch) } }

  def dress(*keys, swatch, role: "fill") = Changes::DressParts.perform(project, actor:, artwork: poster, numbers: numbers(poster, *keys), role:, content: swatch && Hand::Content.of_swatch(swatch.reload))

  describe Places::Dress::Numbers do
    it "reads what it writes, whatever it is" do
      random = Random.new(12)
      50.times do
        some = Array.new(random.rand(200)) { random.rand(400) }.uniq.sort
        expect(described_class.read(described_class.write(some))).to eq some
        expect(described_class.read("=#{[Array.new(400) { |n| some.include?(n) ? "1" : "0" }.join].pack("b*").then { |bytes| [bytes].pack("m0") }}")).to eq some
      end
    end

    it "writes nothing that is too long to be read, however scattered" do
      most = Magpie::Limits::ELEMENTS
      [(0...5_000).step(2), (0...most).step(2), (0...most).step(3)].map(&:to_a).each do |scattered|
        text = described_class.write(scattered)
        expect(text.size).to be <= [described_class::LONGEST, Frame::Asked::LONGEST].min
        expect(described_class.read(text)).to eq scattered
      end
    end

    it "reads no more than there can be, and says what is no list" do
      expect(described_class.read("0-999999").size).to eq Magpie::Limits::ELEMENTS
      expect(described_class.read("=#{["\xFF" * 9000].pack("m0")}").size).to eq Magpie::Limits::ELEMENTS
      ["x", "1-", "1,,2", "-1", "1-2-3", "=!", "1" * 9000].each { |text| expect { described_class.read(text) }.to raise_error(Magpie::Error, /is no list of parts/), text[0, 20] }
    end
  end

  describe Look do
    def look = described_class.of([poster])[poster.id]

    it "is another whenever something else is seen, and only then" do
      looks = [look.key]
      seen = -> { looks << look.key }
      ember
      seen.call
      dress("moor", ember)
      seen.call
      Changes::ChangeSwatch.perform(project, actor:, swatch: ember.reload, colour: hex("#52A3CC"), definition: "", before: "#E46F58")
      seen.call
      undo(project)
      expect(look.key).to eq looks[-2]
      Changes::EditSwatch.perform(project, actor:, swatch: ember.reload, fields: {name: "Other"})
      expect(look.key).to eq looks[-2]
      expect(looks.uniq.size).to eq 4
      expect(look.follows).to eq [ember.id]
    end
  end

  describe Places::Dress::Told do
    # Paints as a page would have them, by role and number.
    def paint(page, told) = told[:paints].each { |role, text, opacity, parts| parts.each { |number| page[[role, number]] = [text, opacity] } }

    def told(since = 0) = described_class.new(poster, since:).to_h

    it "tells what changed, and a page that is told so shows what one shows that is told all" do
      ember
      first = told
      page, stamp = {}.tap { |all| paint(all, first) }, first[:stamp]
      changes = [
        -> { dress("moor", "plum_band", ember) }, -> { dress("moor", nil) }, -> { undo(project) }, -> { redo_change(project) },
        -> { Changes::ExchangePaints.perform(project, actor:, artwork: poster, numbers: numbers(poster, "planet_ring", "ember_band")) },
        -> { Changes::LoosenSwatches.perform(project, actor:, swatches: [ember.reload]) }, -> { undo(project) }, -> { undo(project) }
      ]
      changes.each do |change|
        change.call
        since = told(stamp)
        expect(since[:paints].sum { |row| row.last.size }).to be < 12
        paint(page, since)
        stamp = since[:stamp]
        expect(page).to eq({}.tap { |all| paint(all, told) })
      end
    end

    it "tells nothing of a colour that only moves, since its property does" do
      ember
      stamp = told[:stamp]
      Changes::ChangeSwatch.perform(project, actor:, swatch: ember.reload, colour: hex("#52A3CC"), definition: "", before: "#E46F58")
      expect(told(stamp)).to include paints: [], stamp:
    end
  end

  describe PartsAlike do
    let(:alike) { described_class.new(poster) }

    def labels(found) = poster.parts.where(position: found).order(:position).pluck(:key)

    it "finds what has the same fill or line, a near colour, a swatch, a stray" do
      ember
      dress("moor", ember)
      expect(labels(alike.same(numbers(poster, "ember_band"), "fill"))).to match_array %w[ember_band moor]
      expect(labels(alike.same(numbers(poster, "planet_ring"), "line"))).to eq labels(alike.of_stray("#B88A33"))
      expect(labels(alike.of_swatch(ember.id))).to match_array %w[ember_band moor]
      expect(labels(alike.of_stray("#E46F58"))).to eq []
      near = ->(limit) { labels(alike.near(numbers(poster, "ember_band"), limit)) }
      expect(near.call(0)).to match_array %w[ember_band moor]
      expect(near.call(30)).to include("apricot_band")
      expect(near.call(30).size).to be < poster.parts.count
    end
  end

  describe Changes::ExchangePaints do
    it "exchanges fill and line with what each follows, and back" do
      ember
      dress("planet_ring", ember, role: "line")
      place(poster, "planet_ring").update!(opacity: 0.4)
      undone { described_class.perform(project, actor:, artwork: poster, numbers: numbers(poster, "planet_ring", "plum_band")) }
      expect([place(poster, "planet_ring").swatch, place(poster, "planet_ring", "line").opacity]).to eq [ember, 0.4]
      expect([place(poster, "plum_band").kind, place(poster, "plum_band", "line").hex]).to eq ["none", "#5F3566"]
      expect { described_class.perform(project, actor:, artwork: poster, numbers: [999]) }.to raise_error(Magpie::Error, "Poster has no such part")
    end
  end

  it "tells the values of swatches that no palette of the page shows, in one question for all drawings" do
    other = new_project("Star trail")
    strange = keep(other, "Strange", "#E46F58")
    badge = bring_in_poster(project, name: "Badge.svg")
    share(other, strange, ticks: [])
    [poster, badge].each { |artwork| Demo.link(artwork.places.where(hex: "#E46F58"), strange.reload) }
    drawn = Frame::Drawn.new([poster, badge], desk(project))
    asked = 0
    allow(Chip).to receive(:of).and_wrap_original { |of, ids| (asked += 1) && of.call(ids) }
    expect([poster, badge].map { |artwork| drawn.drawing(artwork) }).to all(include(";--swatch-#{strange.id}:#E46F58"))
    expect(asked).to eq 1
  end

  it "shows other artworks as drawings only where they follow what is tried, and are light together" do
    badge = bring_in_poster(project, name: "Badge.svg")
    poster
    drawn = Frame::Drawn.new([badge, poster], desk(project))
    expect(drawn.moving(badge)).to include("data-drawing").and include("--ratio")
    badge.update_columns(part_count: Frame::Drawn::LIGHT)
    heavy = Frame::Drawn.new([badge, poster], desk(project))
    expect(heavy.moving(badge)).to match(%r{<img class="drawn" src="/artworks/#{badge.id}/small.png\?v=\h{8}" alt="Badge" .*data-moves=""})
  end
end
