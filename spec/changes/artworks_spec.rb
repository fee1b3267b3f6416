RSpec.describe "Artworks", :data do
  let(:project) { new_project }
  let!(:poster) { bring_in_poster(project) }
  let(:ember) { keep(project, "Ember", "#E46F58").tap { |swatch| share(project, swatch) }.reload }

  def perform(change, artwork = poster, **given) = change.perform(project, actor:, artwork:, **given)

  def dress(artwork, *keys, with: ember, role: "fill") = Changes::DressParts.perform(project, actor:, artwork:, numbers: numbers(artwork, *keys), role:, content: Hand::Content.of_swatch(with))

  def colours(artwork) = Dressing.new(artwork).paints.transform_values { |paint| [paint.kind, paint.colour&.hex, paint.reference, paint.opacity] }

  let!(:winter) { Changes::AddColourway.perform(project, actor:, artwork: poster, name: "Winter hours") }

  it "are renamed with their colourways, and ordered" do
    undone { perform(Changes::RenameArtwork, winter, name: "Night poster") }
    expect([poster, winter].map { |each| each.reload.name }).to eq ["Night poster", "Night poster, Winter hours"]
    expect { perform(Changes::RenameArtwork, name: " ") }.to raise_error(Magpie::Error, "An artwork needs a name")
    badge = bring_in_poster(project, name: "Badge.svg")
    undone { perform(Changes::MoveArtwork, badge, by: -1) }
    expect(project.artworks.firsts.map(&:name)).to eq ["Badge", "Night poster"]
    perform(Changes::MoveArtwork, badge, by: 7)
    expect(project.artworks.firsts.map(&:name)).to eq ["Night poster", "Badge"]
  end

  it "are removed with their colourways, and come back as they were" do
    dress(winter, "moor")
    before = colours(winter)
    undone { perform(Changes::RemoveArtwork) }
    expect(project.artworks.reload).to be_empty
    expect(Reach.of(actor, [ember.id])).to be_empty
    undo(project)
    expect(project.artworks.reload.map(&:name)).to eq ["Poster", "Poster, Winter hours"]
    expect(colours(winter)).to eq before
  end

  it "are duplicated with their colourways, and go ways of their own" do
    dress(poster, "moor", "title")
    dress(winter, "title", role: "line")
    copy = perform(Changes::DuplicateArtwork)
    way = Artwork.find_by!(first_id: copy.id)
    expect([copy.name, way.name, colours(copy), colours(way)]).to eq ["Poster 2", "Poster 2, Winter hours", colours(poster), colours(winter)]
    expect(copy.parts.pluck(:key, :label, :kind)).to eq poster.parts.pluck(:key, :label, :kind)
    expect(Reach.of(actor, [ember.id])).to eq(ember.id => Place.following(ember.id).count)
    dress(copy, "dome_slit")
    expect(colours(poster)[["dome_slit", "fill"]][1]).to eq "#FFCE5C"
    undo(project)
    undo(project)
    expect(project.artworks.reload.firsts.map(&:name)).to eq ["Poster"]
  end

  describe "that are replaced by a newer file" do
    # The moor goes, the sun comes, a star has moved in the file, the planet was grouped anew.
    let(:newer) do
      DataSupport::POSTER.sub(/<path id="moor".*?>/, %(<circle id="sun" r="40" fill="#C24E86"/>)).sub('id="plum_band"', 'id="violet_band"')
        .sub('<circle cx="102" cy="122" r="7"/>', "").sub("</g>", %(<circle cx="102.001" cy="122" r="7"/></g>)).sub("#A9ADB8", "#2F8FA3")
    end

    def replace(bytes = newer, artwork: poster) = perform(Changes::ReplaceArtwork, artwork, name: "newer.svg", bytes:)

    it "keep the dress of each part that is found again, by its identifier, shape or place, in all colourways" do
      stars = poster.parts.where("key LIKE 'stars/%'").order(:position).pluck(:key)
      dress(poster, "plum_band", "title", stars[0])
      dress(winter, "plum_band", role: "line")
      dress(winter, "house")
      change = replace
      made, way = change.made, Artwork.find_by!(first_id: change.made.id)
      now = colours(made)
      expect([now[["violet_band", "fill"]], now[["title", "fill"]]].map { |each| each[2] }).to eq [ember.id] * 2
      moved = made.parts.where("key LIKE 'stars/%'").order(:position).pluck(:key).last
      expect(now.select { |(key, role), paint| key.start_with?("stars/") && role == "fill" && paint[2] }.keys).to eq [[moved, "fill"]]
      expect(colours(way).select { |_, paint| paint[2] }.keys).to match_array [["ember_band", "fill"], ["violet_band", "fill"], ["violet_band", "line"], ["title", "fill"], ["house", "fill"], [moved, "fill"]]
      expect([change.lost, change.found, made.name, way.name]).to eq [[], 19, "Poster", "Poster, Winter hours"]
    end

    it "paint what was never dressed as the newer file does, and tell what is lost" do
      dress(poster, "moor")
      change = replace
      expect(colours(change.made)[["dome_roof", "fill"]][1]).to eq "#2F8FA3"
      expect(colours(change.made)[["sun", "fill"]][1]).to eq "#C24E86"
      expect(change.lost).to eq ["Moor"]
    end

    it "come back with undo, and stay as they are where the file is none" do
      dress(poster, "moor", "title")
      before = colours(poster)
      replace
      expect(project.artworks.reload.map(&:id)).not_to include(poster.id, winter.id)
      undo(project)
      expect(project.artworks.reload.map(&:id)).to eq [poster.id, winter.id]
      expect(colours(poster)).to eq before
      rows = rows_of_everything
      expect { replace("no drawing") }.to raise_error(Magpie::Error, /newer\.svg/)
      expect(rows_of_everything).to eq rows
    end

    it "lose nothing where the file is the same, whatever the drawing" do
      Dir[File.expand_path("../files/*.svg", __dir__)].each do |path|
        artwork = bring_in_poster(project, name: "Drawing.svg", bytes: File.binread(path))
        places = artwork.places.where(kind: "colour").joins(:part).order(:id)
        Changes::DressParts.perform(project, actor:, artwork:, numbers: places.pluck("parts.position").each_slice(2).map(&:first), role: "fill", content: Hand::Content.of_swatch(ember))
        change = replace(File.binread(path), artwork:)
        expect([change.lost, colours(change.made)]).to eq([[], colours(artwork)]), path
      end
    end
  end
end

RSpec.describe "What parts get by default", :data do
  let(:project) { new_project }
  let(:ember) { keep(project, "Ember", "#E46F58").tap { |swatch| share(project, swatch) }.reload }

  let(:icon) { %(<svg xmlns="http://www.w3.org/2000/svg" width="9" height="9"><path id="bare" d="M0 0h9v9z"/><g fill="#231F55"><path id="said" d="M0 0h9v9z"/></g><path id="black" fill="black" d="M0 0h9v9z"/></svg>) }

  def bring = bring_in_poster(project.reload, name: "Icon.svg", bytes: icon)

  def seen(artwork) = artwork.places.where(role: "fill").includes(:swatch).joins(:part).order(:id).map { |place| place.swatch&.name || place.hex }

  it "is black where a file says no fill, until the project gives them a swatch" do
    expect(seen(bring)).to eq %w[#000000 #231F55 #000000]
    Changes::SetDefault.perform(project, actor:, swatch: ember)
    made = bring
    expect(seen(made)).to eq %w[Ember #231F55 #000000]
    undo(project.reload)
    expect(project.artworks.reload).not_to include made
    redo_change(project)
    expect(Reach.of(actor, [ember.id])).to eq(ember.id => 1)
    Changes::SetDefault.perform(project, actor:, swatch: nil)
    expect(seen(bring)).to eq %w[#000000 #231F55 #000000]
  end

  it "is no loose swatch, and none that is gone" do
    loose = keep(project, "Loose", "#2F8FA3")
    expect { Changes::SetDefault.perform(project, actor:, swatch: loose) }.to raise_error(Magpie::Error, /Loose is loose/)
    Changes::SetDefault.perform(project, actor:, swatch: ember)
    Changes::RemoveSwatches.perform(project, actor:, swatches: [ember.reload], replacements: {ember => nil})
    expect(seen(bring)).to eq %w[#000000 #231F55 #000000]
  end

  it "comes to new parts of a newer file, and leaves those that were dressed" do
    artwork = bring
    Changes::SetDefault.perform(project, actor:, swatch: ember)
    teal = keep(project, "Teal", "#2F8FA3").tap { |swatch| share(project, swatch) }.reload
    Changes::DressParts.perform(project.reload, actor:, artwork:, numbers: numbers(artwork, "bare"), role: "fill", content: Hand::Content.of_swatch(teal))
    change = Changes::ReplaceArtwork.perform(project, actor:, artwork:, name: "Icon.svg", bytes: icon.sub("</svg>", %(<circle id="fresh" r="2"/></svg>)))
    expect(seen(change.made)).to eq %w[Teal #231F55 #000000 Ember]
  end
end

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
