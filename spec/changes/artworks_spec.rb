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

  it "stand in nobody's way once removed: a merge into a loose swatch takes them along there and back" do
    dress(poster, "moor")
    before = colours(poster)
    perform(Changes::RemoveArtwork)
    lamp = keep(project, "Lamp", "#FFCE5C")
    Changes::MergeSwatches.perform(project, actor:, kept: lamp, others: [ember])
    expect(colours(poster)[["moor", "fill"]][2]).to eq lamp.id
    Changes::History.undo(project, RecordedChange.order(:id).last.id, actor:)
    expect(lamp.reload.shared).to be false
    undo(project) # keeping Lamp
    undo(project) # removing the poster
    expect(colours(poster)).to eq before
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

    it "take their test patches along, also back" do
      content = Hand::Content.new(name: "Lamp", colour: hex("#FFCE5C"))
      patch = Changes::AddPatch.perform(project, actor:, artwork: poster, shape: "ellipse", content:, box: {left: 0.1, top: 0.1, width: 0.2, height: 0.2})
      made = replace.made
      expect(patch.reload.artwork).to eq made
      undo(project)
      expect(patch.reload.artwork).to eq poster
    end

    it "keep how a part is drawn whose paint is the file's" do
      Changes::SetSettings.perform(project, actor:, artwork: poster, numbers: numbers(poster, "planet_ring"), settings: {width: 3.0})
      made = replace.made
      expect(PartSettings.new(made, numbers(made, "planet_ring")).all["planet_ring"].width).to eq 3.0
    end

    it "paint what was never dressed as the newer file does, and tell what is lost" do
      dress(poster, "moor")
      change = replace
      expect(colours(change.made)[["dome_roof", "fill"]][1]).to eq "#2F8FA3"
      expect(colours(change.made)[["sun", "fill"]][1]).to eq "#C24E86"
      expect(change.lost).to eq ["Moor"]
    end

    it "keep what people called their parts, and locked" do
      Changes::RenamePart.perform(project, actor:, artwork: poster, number: numbers(poster, "title").first, name: "Headline")
      Changes::RenamePart.perform(project, actor:, artwork: poster, group: "drawing/g3", name: "Sky at dusk")
      Changes::LockParts.perform(project, actor:, artwork: poster, numbers: numbers(poster, "dome_roof"), locked: true)
      made = replace.made
      expect(made.parts.where(key: %w[title dome_roof house]).pluck(:label, :locked)).to eq [["Dome roof", true], ["Headline", false], ["House", false]]
      expect(GroupsOfParts.new(made).within[0].map(&:label)).to include "Sky at dusk"
      copy = perform(Changes::DuplicateArtwork, made)
      expect(copy.parts.where(locked: true).pluck(:key)).to eq ["dome_roof"]
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
