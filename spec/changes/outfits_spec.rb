require "support/walk"

RSpec.describe "Outfits", :data do
  let(:project) { new_project }
  let!(:poster) { bring_in_poster(project) }
  let(:palette) { project.palettes.first }
  let(:ember) { keep(project, "Ember", "#E46F58").tap { |swatch| share(project, swatch, ticks: []) }.reload }
  let(:winter) { Changes::AddColourway.perform(project, actor:, artwork: poster) }
  let(:ring) { keep_outfit("planet_ring", name: "Ring") }

  def keep_outfit(*keys, name: nil, artwork: poster) = Changes::KeepOutfit.perform(project, actor:, artwork:, numbers: numbers(poster, *keys), palette:, name:)

  def wear(outfit, *keys, artwork: poster) = Changes::WearOutfit.perform(project, actor:, artwork:, numbers: numbers(artwork, *keys), outfit:)

  def change(outfit, *keys, artwork: poster) = Changes::ChangeOutfit.perform(project, actor:, artwork:, numbers: numbers(artwork, *keys), outfit:)

  def dress(key, content, role: "fill", artwork: poster) = Changes::DressParts.perform(project, actor:, artwork:, numbers: numbers(artwork, key), role:, content: content && Hand::Content.of_swatch(content))

  def draw(*keys, artwork: poster, **settings) = Changes::SetSettings.perform(project, actor:, artwork:, numbers: numbers(artwork, *keys), settings:)

  def looks(artwork, key)
    paints = Dressing.new(artwork).paints.values_at([key, "fill"], [key, "line"]).map { |paint| [paint.kind, paint.reference || paint.colour&.hex, paint.opacity] }
    [paints, PartSettings.new(artwork, numbers(artwork, key)).all[key].to_h.slice(:width, :dash, :opacity, :blend)]
  end

  def wearing(outfit, artwork: nil) = outfit.worn.where(artwork ? {artwork_id: artwork.id} : {}).joins(:part).order("parts.key", :role).pluck("parts.key", :role)

  def said = RecordedChange.order(:id).last.words

  it "is what a part has, under a name; the part wears it from then on and looks as before" do
    before = looks(poster, "planet_ring")
    undone { ring }
    expect(looks(poster, "planet_ring")).to eq before
    expect(wearing(Outfit.sole)).to eq [%w[planet_ring fill], %w[planet_ring line]]
    expect([said, Outfit.sole.palette]).to eq ["Kept the outfit Ring in #{palette.name}", palette]
  end

  it "is called after the part where no name is given, and by no name twice" do
    expect([keep_outfit("moor"), keep_outfit("moor")].map(&:name)).to eq ["Moor", "Moor 2"]
    expect { keep_outfit("moor", name: "moor 2") }.to raise_error(Magpie::Error, "#{palette.name} already has an outfit called moor 2")
  end

  it "is kept of several parts only where they are alike" do
    expect(wearing(keep_outfit("planet_ring", "planet_disc")).map(&:first).uniq).to eq %w[planet_disc planet_ring]
    expect { keep_outfit("moor", "title") }.to raise_error(Magpie::Error, "The parts that are picked have different fills. Pick one of them, or some that are alike")
    draw("planet_ring", width: 2.0)
    expect { keep_outfit("planet_ring", "planet_disc") }.to raise_error(Magpie::Error, /drawn differently/)
    expect { keep_outfit("nothing") }.to raise_error(Magpie::Error, "Poster has no such part")
    expect(Outfit.count).to eq 1
  end

  it "is worn by other parts in one step, with the line's width that the file of the first has" do
    ring
    undone { wear(ring, "moor", "title") }
    expect([looks(poster, "moor"), looks(poster, "title")]).to all eq looks(poster, "planet_ring")
    expect(looks(poster, "moor")).to eq [[[:none, nil, 1.0], [:plain, "#B88A33", 1.0]], {width: 8.0, dash: "none", opacity: 1.0, blend: "normal"}]
    expect(said).to eq "Gave 2 parts the outfit Ring"
  end

  it "keeps what is the part's own: what it is hidden by" do
    draw("moor", hidden: true)
    wear(ring, "moor")
    expect(PartSettings.new(poster, numbers(poster, "moor")).all["moor"].hidden).to be true
    draw("moor", hidden: nil)
    expect(wearing(ring).map(&:first)).to include "moor"
  end

  it "reaches every part that wears it when it is changed: in other artworks and colourways, too" do
    other = bring_in_poster(project, name: "Card.svg")
    wear(ring, "moor")
    wear(ring, "dome_wall", artwork: other)
    wear(ring, "title", artwork: winter)
    dress("planet_disc", ember)
    draw("planet_disc", width: 3.0, dash: "4 2", opacity: 0.5)
    undone { change(ring, "planet_disc") }
    expect([looks(poster, "moor"), looks(poster, "planet_ring"), looks(other, "dome_wall"), looks(winter, "title")]).to all eq looks(poster, "planet_disc")
    expect(looks(winter, "title")).to eq [[[:plain, ember.id, 1.0], [:plain, "#B88A33", 1.0]], {width: 3.0, dash: "4 2", opacity: 0.5, blend: "normal"}]
    expect(said).to eq "Changed the outfit Ring, which 5 parts wear"
    expect(looks(poster, "title")).not_to eq looks(winter, "title")
  end

  it "follows what its fill and line follow, and keeps the colour of a swatch that goes" do
    dress("moor", ember)
    night = keep_outfit("moor", name: "Night")
    wear(night, "title")
    Changes::ChangeSwatch.perform(project, actor:, swatch: ember, colour: hex("#112233"), definition: "", before: ember.hex)
    expect(Dressing.new(poster).flat.scan("#112233").size).to eq 2
    undone { Changes::RemoveSwatches.perform(project, actor:, swatches: [ember.reload], replacements: {}) }
    expect([night.places.find_by!(role: "fill").hex, looks(poster, "title")[0][0]]).to eq ["#112233", [:plain, "#112233", 1.0]]
    expect(wearing(night).map(&:first).uniq).to eq %w[moor title]
    expect(Following::Invariants.misworn).to eq []
  end

  it "is left where a part is given something else, and only there" do
    wear(ring, "moor", "title", "dome_wall", "house", "dome_roof")
    dress("moor", ember)
    Changes::SetOpacity.perform(project, actor:, artwork: poster, numbers: numbers(poster, "title"), role: "line", opacity: 0.5)
    draw("dome_wall", width: 1.0)
    Changes::ExchangePaints.perform(project, actor:, artwork: poster, numbers: numbers(poster, "house"))
    Changes::CarryDress.perform(project, actor:, artwork: poster, numbers: numbers(poster, "dome_roof"), from: [poster, numbers(poster, "night_sky").first], what: %w[fill line])
    expect(wearing(ring)).to eq [%w[dome_wall fill], %w[moor line], %w[planet_ring fill], %w[planet_ring line], %w[title fill]]
    expect(Following::Invariants.misworn).to eq []
  end

  it "is left in so many places by a colour that gives way to another, as is told" do
    wear(ring, "moor", "title")
    change = Changes::SwapColour.perform(project, actor:, artworks: [poster], from: "#B88A33", content: Hand::Content.of_swatch(ember))
    expect([change.swapped, change.left_outfits, wearing(ring).map(&:last).uniq]).to eq [4, 3, ["fill"]]
  end

  it "is not changed by somebody who saw what it was before" do
    saw = ring.edition
    change(ring, "moor")
    expect { Changes::ChangeOutfit.perform(project, actor:, artwork: poster, numbers: numbers(poster, "title"), outfit: ring, saw:) }.to raise_error(Magpie::Error, "Ring was changed meanwhile. Nothing was done. Look at it, and do it again")
    expect(looks(poster, "planet_ring")).to eq looks(poster, "moor")
  end

  it "is taken off, and the part looks as before and follows it no longer" do
    wear(ring, "moor")
    before = looks(poster, "moor")
    undone { wear(nil, "moor") }
    change(ring, "title")
    expect(looks(poster, "moor")).to eq before
    expect(looks(poster, "planet_ring")).to eq looks(poster, "title")
    expect { wear(nil, "moor") }.to raise_error(Magpie::Error, "Nothing that is picked wears an outfit")
  end

  it "is removed, by itself or with its palette: what wears it stays as it is" do
    wear(ring, "moor")
    before = looks(poster, "moor")
    undone { Changes::RemoveOutfit.perform(project, actor:, outfit: ring) }
    undo(project)
    undone { Changes::RemovePalette.perform(project, actor:, palette:) }
    expect([looks(poster, "moor"), Outfit.count, Place.where.not(outfit_id: nil).count]).to eq [before, 0, 0]
  end

  it "goes with its palette into another, under a name that is free there" do
    other = Changes::AddPalette.perform(project, actor:, name: "Winter")
    Changes::KeepOutfit.perform(project, actor:, artwork: poster, numbers: numbers(poster, "moor"), palette: other, name: "ring")
    ring
    undone { Changes::MergePalettes.perform(project, actor:, from: other, into: palette, limit: 0.0) }
    expect(palette.outfits.reload.map(&:name)).to contain_exactly("Ring", "ring 2")
    expect(wearing(palette.outfits.find_by!(name: "ring 2")).map(&:first).uniq).to eq %w[moor]
  end

  it "is duplicated with its palette, and follows the copies there" do
    dress("moor", ember)
    keep_outfit("moor", name: "Night")
    ring
    copy = nil
    undone { copy = Changes::CopyGroups.perform(project, actor:, groups: palette.groups.includes(:swatches).to_a) }
    expect(copy.outfits.map(&:name)).to eq %w[Night Ring]
    fill = copy.outfits.first.places.find_by!(role: "fill")
    expect(fill.swatch).to eq copy.swatches.find_by!(name: "Ember")
    expect(copy.outfits.last.places.pluck(:role, :hex, :settings)).to match [["fill", nil, a_hash_including("blend" => "normal", "opacity" => 1.0)], ["line", "#B88A33", a_hash_including("dash" => "none", "width" => 8.0)]]
  end

  it "is renamed and put in order" do
    keep_outfit("moor", name: "Moor")
    ring
    undone { Changes::EditOutfit.perform(project, actor:, outfit: ring, by: -1) }
    expect(palette.outfits.reload.map(&:name)).to eq %w[Ring Moor]
    undone { Changes::EditOutfit.perform(project, actor:, outfit: ring, name: "  Halo ") }
    expect(said).to eq "Renamed the outfit Ring to Halo"
    expect { Changes::EditOutfit.perform(project, actor:, outfit: ring.reload, name: "MOOR") }.to raise_error(Magpie::Error, /already has an outfit called MOOR/)
    expect { Changes::EditOutfit.perform(project, actor:, outfit: ring, name: " ") }.to raise_error(Magpie::Error, "An outfit needs a name")
  end

  it "is worn by copies as well, and by a newer file's parts" do
    wear(ring, "moor")
    Changes::DuplicateArtwork.perform(project, actor:, artwork: poster)
    copy = Artwork.order(:id).last
    expect(wearing(ring, artwork: copy).map(&:first).uniq).to eq %w[moor planet_ring]
    newer = Changes::ReplaceArtwork.perform(project, actor:, artwork: poster, name: "Poster.svg", bytes: DataSupport::POSTER).made
    expect(wearing(ring, artwork: newer).map(&:first).uniq).to eq %w[moor planet_ring]
  end

  it "is refused where it cannot be shared: the gradient of a file" do
    own = Changes::BringInArtwork.perform(project, actor:, name: "Dusk.svg", bytes: Walk::CARD)
    sky = own.parts.find_by!(key: "sky")
    expect { Changes::KeepOutfit.perform(project, actor:, artwork: own, numbers: [sky.position], palette:, name: "Sky") }.to raise_error(Magpie::Error, /The fill of Sky is a gradient or pattern of its file/)
    expect(Outfit.count).to eq 0
  end

  it "stands under what wears it: keeping it cannot be undone by itself, nor a change of it" do
    kept = (ring and RecordedChange.order(:id).last)
    wear(ring, "moor")
    expect { Changes::History.undo(project, kept.id, actor:) }.to raise_error(Magpie::Error, /“Gave Moor the outfit Ring” came later and stands on it/)
    changed = (change(ring, "title") and RecordedChange.order(:id).last)
    wear(ring, "house")
    expect { Changes::History.undo(project, changed.id, actor:) }.to raise_error(Magpie::Error, /“Gave House the outfit Ring” came later/)
  end

  it "is forgotten by a copy that was undone, and its keeping can be undone then" do
    kept = (ring and RecordedChange.order(:id).last)
    Changes::DuplicateArtwork.perform(project, actor:, artwork: poster)
    undo(project)
    Changes::History.undo(project, kept.id, actor:)
    expect(Place.where.not(outfit_id: nil)).to be_empty
  end

  it "lets a swatch go, too, that only a copy follows which was undone" do
    share(project, ember, ticks: []) unless ember.shared
    dress("moor", ember)
    Changes::DuplicateArtwork.perform(project, actor:, artwork: poster)
    2.times { undo(project) }
    copy = Artwork.order(:id).last
    expect(Follow.where(swatch: ember).joins(:place).pluck("places.artwork_id")).to eq [copy.id]
    undo(project) while Swatch.exists?(ember.id)
    expect([copy.reload.removed_at.nil?, looks(copy, "moor")[0][0]]).to eq [false, [:plain, "#E46F58", 1.0]]
  end

  describe "in several artworks at once" do
    let!(:card) { bring_in_poster(project, name: "Card.svg") }

    def swap(swaps, *artworks) = Changes::SwapPalette.perform(project, actor:, artworks:, swaps:)

    def parts_of(dressing) = dressing.places.map { |place| [place.key, place.role, place.kind, place.swatch_id || place.hex, place.opacity, JSON.parse(place.settings || "{}")] }

    it "is given to all parts whose fill has a colour, as it was shown before" do
      stray = "#FFCE5C"
      shown = [poster, card].map { |each| parts_of(Dressing.new(each, swaps: {stray => "o#{ring.id}"})) }
      undone { swap({stray => ring}, poster, card) }
      expect([poster, card].map { |each| parts_of(Dressing.new(each)) }).to eq shown
      expect(wearing(ring, artwork: card).map(&:first)).to include("dome_slit", "stars/circle1")
      expect(Following::Invariants.misworn).to eq []
    end

    it "takes the place of another outfit, and goes before what the fill's colour says" do
      stars = keep_outfit("stars/circle1", name: "Star")
      wear(stars, "moor", artwork: card)
      shown = parts_of(Dressing.new(card, swaps: {"o#{stars.id}" => "o#{ring.id}", "#FFCE5C" => ember.id}))
      swap({"o#{stars.id}" => ring, "#FFCE5C" => ember}, poster, card)
      expect(parts_of(Dressing.new(card))).to eq shown
      expect([wearing(ring, artwork: card).map(&:first).uniq, wearing(stars)]).to eq [%w[moor], []]
    end
  end
end
