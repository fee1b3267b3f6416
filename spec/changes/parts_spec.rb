RSpec.describe "What parts are drawn like", :data do
  let(:project) { new_project }
  let!(:poster) { bring_in_poster(project) }
  let(:ember) { keep(project, "Ember", "#E46F58").tap { |swatch| share(project, swatch) }.reload }
  let(:winter) { Changes::AddColourway.perform(project, actor:, artwork: poster) }

  def set(artwork, *keys, **settings) = Changes::SetSettings.perform(project, actor:, artwork:, numbers: numbers(poster, *keys), settings:)

  def drawn(artwork, key) = PartSettings.new(artwork, numbers(poster, key)).all[key].to_h

  it "is set over what the file has, and set back, in each colourway" do
    expect(drawn(poster, "planet_ring")).to include(width: 8.0, dash: "none", opacity: 1.0, hidden: false)
    undone { set(poster, "planet_ring", width: 2.5, dash: "4 2", opacity: 0.5) }
    expect([poster, winter].map { |each| drawn(each, "planet_ring") }).to all include(width: 2.5, dash: "4 2", opacity: 0.5)
    set(winter, "planet_ring", width: 5.0)
    expect([poster, winter].map { |each| drawn(each, "planet_ring")[:width] }).to eq [2.5, 5.0]
    expect(Dressing.new(winter).flat).to match(/<ellipse [^>]*stroke-width="5"[^>]*stroke-dasharray="4 2"/)
    set(winter, "planet_ring", width: 2.5)
    expect(Place.where(artwork_id: winter.id)).to be_empty
    set(poster, "planet_ring", **Magpie::Artwork::Settings.members.to_h { |name| [name, nil] })
    expect(poster.places.where.not(settings: nil)).to be_empty
    expect(Dressing.new(poster).drawing).to eq Drawings.of(poster.template)
  end

  it "hides a part from all that is shown and goes out, and shows it again" do
    set(poster, "moor", hidden: true)
    expect(project.reload.then { RecordedChange.order(:id).last.words }).to eq "Hid Moor"
    expect(Dressing.new(poster).flat).to match(/<path [^>]*display="none"/)
    set(poster, "moor", hidden: nil)
    expect(Dressing.new(poster).flat).not_to include 'display="none"'
  end

  it "is told of as many parts as there are, though they have one name" do
    Changes::RenamePart.perform(project, actor:, artwork: poster, number: numbers(poster, "title").first, name: "Moor")
    set(poster, "moor", "title", width: 2.0, opacity: 0.5)
    expect(RecordedChange.order(:id).last.words).to eq "Set the line width and opacity of 2 parts"
  end

  it "refuses what is none, and says which part there is not" do
    expect { set(poster, "moor", blend: "glow") }.to raise_error(Magpie::Error, /no way to blend/)
    expect { set(poster, "nothing", width: 1.0) }.to raise_error(Magpie::Error, "Poster has no such part")
    expect { set(poster, "moor") }.to raise_error(Magpie::Error, "Nothing is set")
  end

  describe Changes::CarryDress do
    def carry(*keys, from: "planet_ring", what: described_class::WHAT.keys, artwork: poster, source: poster)
      described_class.perform(project, actor:, artwork:, numbers: numbers(artwork, *keys), from: [source, numbers(source, from).first], what:)
    end

    def colours(artwork, key) = Dressing.new(artwork).paints.values_at([key, "fill"], [key, "line"]).map { |paint| [paint.kind, paint.reference || paint.colour&.hex, paint.opacity] }

    it "gives parts all that one has, or some of it, in one step" do
      Changes::DressParts.perform(project, actor:, artwork: poster, numbers: numbers(poster, "planet_ring"), role: "line", content: Hand::Content.of_swatch(ember))
      set(poster, "planet_ring", dash: "4 2", opacity: 0.5)
      undone { carry("moor", "dome_roof", "planet_ring") }
      expect(colours(poster, "moor")).to eq colours(poster, "planet_ring")
      expect(drawn(poster, "dome_roof")).to eq drawn(poster, "planet_ring")
      expect(RecordedChange.order(:id).last.words).to eq "Carried fill, line, line width, dash, opacity and effects of Planet ring to 2 parts"
      carry("title", what: %w[line width])
      expect(colours(poster, "title").map { |_, what, _| what }).to eq ["#E0E1E8", ember.id]
      expect(drawn(poster, "title")).to include(width: 8.0, dash: "none", opacity: 1.0)
    end

    it "goes from one colourway or artwork to another, and leaves the first alone" do
      Changes::DressParts.perform(project, actor:, artwork: winter, numbers: numbers(poster, "moor"), role: "fill", content: Hand::Content.of_swatch(ember))
      carry("title", from: "moor", what: %w[fill], artwork: winter, source: winter)
      expect([winter, poster].map { |each| colours(each, "title")[0][1] }).to eq [ember.id, "#E0E1E8"]
      badge = bring_in_poster(project, name: "Badge.svg", bytes: File.binread(File.join(ROOT, "db/demo/badge.svg")))
      key = badge.parts.find_by!(kind: "part").key
      carry(key, from: "moor", what: %w[fill], artwork: badge, source: winter)
      expect(colours(badge, key)[0][1]).to eq ember.id
    end

    it "passes over what is locked, and does not count it" do
      Changes::LockParts.perform(project, actor:, artwork: poster, numbers: numbers(poster, "moor"), locked: true)
      carry("moor", "title", what: %w[fill])
      expect(RecordedChange.order(:id).last.words).to eq "Carried fill of Planet ring to Title"
      expect { carry("moor", "planet_ring") }.to raise_error(Magpie::Error, "Moor is locked. Unlock it first")
    end

    it "says what cannot be carried" do
      expect { carry("moor", what: []) }.to raise_error(Magpie::Error, /Nothing is carried/)
      expect { carry("planet_ring") }.to raise_error(Magpie::Error, "Carry it to another part")
      drawing = bring_in_poster(project, name: "Sky.svg", bytes: %(<svg xmlns="http://www.w3.org/2000/svg" width="9" height="9"><linearGradient id="g"><stop/><stop offset="1" stop-color="#fff"/></linearGradient><rect id="sky" width="9" height="9" fill="url(#g)"/></svg>))
      expect { carry("moor", from: "sky", source: drawing) }.to raise_error(Magpie::Error, "The fill of Sky is a gradient or pattern of its file, and stays there")
    end
  end

  describe Changes::TintParts do
    def tint(percent, *keys, artwork: poster) = described_class.perform(project, actor:, artwork:, numbers: numbers(poster, *keys), role: "fill", percent: percent.to_f)

    def seen(key, artwork = poster) = artwork.places.includes(:swatch).joins(:part).find_by!(parts: {key:}, role: "fill").swatch&.then { |swatch| [swatch.name, swatch.colour] }

    it "makes a tint once, follows it in all places, and goes back to the swatch" do
      Changes::DressParts.perform(project, actor:, artwork: poster, numbers: numbers(poster, "moor", "title"), role: "fill", content: Hand::Content.of_swatch(ember))
      undone { tint(30, "moor") }
      expect(seen("moor")).to eq ["Ember 30 %", Magpie::Making::Tints.tint(ember.colour, 30)]
      expect { tint(30, "title", "ember_band") }.not_to change(Swatch, :count)
      expect([seen("title"), seen("ember_band")].map(&:first)).to eq ["Ember 30 %"] * 2
      tint(60, "title")
      expect(seen("title").first).to eq "Ember 60 %" # of the swatch, and not of its tint
      Changes::ChangeSwatch.perform(project, actor:, swatch: ember.reload, colour: hex("#52A3CC"), definition: "", before: "#E46F58")
      expect(seen("moor").last.hex).to eq Magpie::Making::Tints.tint(hex("#52A3CC"), 30).hex
      tint(100, "moor", "title")
      expect([seen("moor"), seen("title")].map(&:first)).to eq %w[Ember Ember]
    end

    it "says where nothing is followed" do
      expect { tint(30, "moor") }.to raise_error(Magpie::Error, "Nothing that is picked follows a swatch there")
    end
  end
end

RSpec.describe GroupsOfParts, :data do
  let(:project) { new_project }

  it "shows the first of many, and how many more there are" do
    shapes = Array.new(described_class::SHOWN + 20) { |n| %(<rect id="tile_#{(n % 2).zero? ? "odd" : "even"}_#{n}" width="1" height="1"/>) }.join
    groups = described_class.new(bring_in_poster(project, name: "Tiles.svg", bytes: %(<svg xmlns="http://www.w3.org/2000/svg" width="9" height="9">#{shapes}</svg>)))
    expect(groups.within.then { |rows, more| [rows.size, more] }).to eq [described_class::SHOWN, 20]
    expect(groups.called("ODD").then { |rows, more| [rows.size, more] }).to eq [160, 0]
    expect(groups.called("nowhere")).to eq [[], 0]
    expect { groups.within("nothing") }.to raise_error(Magpie::Error, "Tiles has no such group")
  end
end
