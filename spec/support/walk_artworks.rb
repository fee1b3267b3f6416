# The steps of a walk that artworks take: dressing, colourways, outfits, test patches.
module WalkArtworks
  def dress
    held = chance(3) ? Hand::Content.new(name: "x", colour:) : Hand::Content.of_swatch(swatch)
    on_artwork(Changes::DressParts, numbers: parts, role: %w[fill line].sample(random: @random), content: chance(6) ? nil : held)
  end

  def role = %w[fill line].sample(random: @random)

  def laid
    return if chance(3)
    return Magpie::Artwork::Tiling.new(shift: [@random.rand.round(2), 1.0], turn: 30.0, scale: 2.0, mirror: [nil, "both"].sample(random: @random), fit: Magpie::Artwork::Tiling::FITS.keys.sample(random: @random)) if chance(2)
    Magpie::Artwork::Placing.new(from: [@random.rand.round(2), 0.0], to: [1.0, @random.rand.round(2)])
  end

  def paint_parts
    tint = [0, 40.0] if chance(4)
    on_artwork(Changes::PaintParts, numbers: parts, role:, paint:, laid:, tint:)
  end

  def lay_parts = on_artwork(Changes::LayParts, numbers: parts, role:, laid:)

  def switch_paints = on_artwork(Changes::SwitchPaints, numbers: parts, role:, kind: Changes::Remembering::KINDS.sample(random: @random), content: chance(2) ? Hand::Content.of_swatch(swatch) : nil)

  def fill_picture
    content = chance(3) ? Hand::Content.new(name: "x", colour:) : Hand::Content.of_swatch(swatch)
    points = Array.new(2) { [@random.rand(60.0), @random.rand(40.0)] }
    on_artwork(Changes::FillPicture, points:, aim: {tolerance: 8.0, everywhere: chance(2), gap: @random.rand(5), soft: 0.0}, content:, settings: {blend: %w[color normal].sample(random: @random)})
  end

  def adjust_fill = on_artwork(Changes::AdjustFill, number: @random.rand(4..9), aim: {everywhere: chance(2)})

  def remove_fills = on_artwork(Changes::RemoveFills, numbers: (4..9).to_a.sample(2, random: @random))

  def parts = (0..5).to_a.sample(3, random: @random)

  def exchange = on_artwork(Changes::ExchangePaints, numbers: parts)

  def step_parts = on_artwork(Changes::StepParts, numbers: parts, role: %w[fill line].sample(random: @random), step: Changes::StepParts::WORDS.keys.sample(random: @random), swatches: chance(2))

  def opaque = on_artwork(Changes::SetOpacity, numbers: parts, role: %w[fill line].sample(random: @random), opacity: @random.rand.round(2))

  def stray = ArtworkColours.new(shown_artworks).strays.map(&:first).sample(random: @random) || raise(Magpie::Error, "There is no stray")

  def link = perform(Changes::LinkStrays, artworks: some, links: {stray => swatch})

  def keep_strays = perform(Changes::KeepStrays, artworks: some, hexes: [stray], palette: group.palette)

  def swap
    held = chance(3) ? Hand::Content.new(name: "x", colour:) : Hand::Content.of_swatch(swatch)
    perform(Changes::SwapColour, artworks: some, from: chance(2) ? swatch : stray, content: held)
  end

  def on_artwork(change, **given)
    artwork = shown_artworks.sample(random: @random) or raise Magpie::Error, "There is no artwork"
    change.perform(artwork.project, actor: Actor.new, artwork:, **given).tap { @story << "  #{RecordedChange.order(:id).last&.words}" }
  end

  # Artworks and colourways that stand.
  def shown_artworks = Artwork.where(removed_at: nil).order(:id).to_a

  def some = shown_artworks.sample(chance(3) ? 9 : 1, random: @random)

  def colourway = on_artwork(Changes::AddColourway)

  def way = shown_artworks.select(&:colourway?).sample(random: @random) || raise(Magpie::Error, "There is no colourway")

  def on_way(change, artwork = way, **given) = change.perform(artwork.project, actor: Actor.new, artwork:, **given).tap { @story << "  #{RecordedChange.order(:id).last&.words}" }

  def swap_palette
    from = Follow.of_places.distinct.order(:swatch_id).pluck(:swatch_id).sample(2, random: @random) + ArtworkColours.new(shown_artworks).strays.map(&:first).sample(1, random: @random)
    perform(Changes::SwapPalette, artworks: some, swaps: from.to_h { |each| [each, swatch] })
  end

  def draw
    settings = {width: [nil, 2.0, 3.5], dash: [nil, "4 2", "none"], side: [nil, "inside", "middle"], run: [nil, "double"], grain: [nil, 0.3], opacity: [nil, 0.5, 1.0], hidden: [nil, true]}.to_a.sample(2, random: @random)
    on_artwork(Changes::SetSettings, numbers: parts, settings: settings.to_h { |name, values| [name, values.sample(random: @random)] })
  end

  def tint_parts = on_artwork(Changes::TintParts, numbers: parts, role: %w[fill line].sample(random: @random), percent: [100.0, 50.0, 25.0].sample(random: @random))

  def carry = on_artwork(Changes::CarryDress, numbers: parts, from: [shown_artworks.sample(random: @random), @random.rand(2..5)], what: Changes::CarryDress::WHAT.keys.sample(3, random: @random))

  def copy_artwork = on_artwork(Changes::DuplicateArtwork)

  def remove_artwork = chance(3) ? on_artwork(Changes::RemoveArtwork) : raise(Magpie::Error, "It stays")

  # By a file in which the lamp has moved, the moor is gone, and of one part no fill is said.
  def replace = on_artwork(Changes::ReplaceArtwork, name: "Card.svg", bytes: Walk::CARD.sub(/<path id="moor".*?>/, '<rect id="new" width="3" height="3"/>').sub('r="5"', 'r="6"'))

  def reset = on_way(Changes::ResetParts, numbers: chance(2) ? nil : parts)

  def leave_colourway = on_way(Changes::RemoveColourway)

  # Whichever is the first, the same is seen.
  def make_first
    one = way
    seen = -> { shown_artworks.select { |each| each.drawn_id == one.first_id }.map { |each| [each.colourway, Dressing.new(each).paints] }.sort_by { |each| [each[0], each[1].hash] } }
    before = seen.call
    on_way(Changes::MakeFirst, one)
    raise "it looks other with another first" unless seen.call == before
  end

  def outfit = Outfit.order(:id).to_a.sample(random: @random) || raise(Magpie::Error, "There is no outfit")

  def wear = on_artwork(Changes::WearOutfit, numbers: parts, outfit:)

  def take_off = on_artwork(Changes::WearOutfit, numbers: parts, outfit: nil)

  def one_part = [@random.rand(2..5)] # stops come first

  def keep_outfit = on_artwork(Changes::KeepOutfit, numbers: one_part, palette: group.palette)

  def change_outfit = on_artwork(Changes::ChangeOutfit, numbers: one_part, outfit:)

  def edit_outfit = chance(2) ? perform(Changes::EditOutfit, outfit:, by: 1) : perform(Changes::EditOutfit, outfit:, name: "Outfit #{@random.rand(9)}")

  def remove_outfit = perform(Changes::RemoveOutfit, outfit:)

  def patch = Patch.order(:id).to_a.sample(random: @random) || raise(Magpie::Error, "There is no patch")

  def on_patch(change, one = patch, **given) = change.perform(one.artwork.project, actor: Actor.new, patch: one, **given).tap { @story << "  #{RecordedChange.order(:id).last&.words}" }

  def lay_patch = on_artwork(Changes::AddPatch, shape: Patch::SHAPES.sample(random: @random), content: Hand::Content.of_swatch(swatch), box: {left: 0.1, top: 0.1, width: 0.2, height: 0.2}, word: "Dusk")

  def move_patch = on_patch(Changes::MovePatch, left: @random.rand(0.5), top: 0.1)

  def remove_patch = on_patch(Changes::RemovePatch)

  def lock_parts = on_artwork(Changes::LockParts, numbers: one_part, locked: !chance(3))

  def rename_part = on_artwork(Changes::RenamePart, name: "Part #{@random.rand(9)}", number: @random.rand(4))

  # It is no change that is listed; what parts get by it is.
  def default = Changes::SetDefault.perform(project, swatch: chance(3) ? nil : swatch, actor: Actor.new)
end
