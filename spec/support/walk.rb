require_relative "data"
require_relative "walk_artworks"
require_relative "walk_libraries"
require_relative "walk_boards"

# A random walk through everything that touches what follows what: two projects that
# share a palette, each step one change, undo, redo or undoing of one of the list.
class Walk
  include DataSupport
  include WalkArtworks
  include WalkLibraries
  include WalkBoards

  CARD = <<~SVG
    <svg xmlns="http://www.w3.org/2000/svg" width="60" height="40"><defs><linearGradient id="g"><stop stop-color="#231F55"/><stop offset="1" stop-color="#E46F58"/></linearGradient></defs>
    <rect id="ground" width="60" height="40" fill="#231F55"/><rect id="sky" width="60" height="20" fill="url(#g)"/><circle id="lamp" r="5" fill="#FFCE5C" stroke="#E46F58"/><path id="moor" d="M0 9h9z" fill="#FFCE5C"/></svg>
  SVG
  COLOURS = %w[#231F55 #E46F58 #FFCE5C #2F8FA3 #111111].freeze
  STEPS = {
    dress: 4, paint_parts: 3, lay_parts: 2, switch_paints: 4, fill_picture: 3, adjust_fill: 1, remove_fills: 2, exchange: 2, step_parts: 3, opaque: 1, link: 2, keep_strays: 1, colourway: 2, reset: 2, make_first: 1, leave_colourway: 1, swap_palette: 2, draw: 2, carry: 2, tint_parts: 2, copy_artwork: 1, remove_artwork: 1, replace: 1, swap: 2, wear: 4, keep_outfit: 2, change_outfit: 3, edit_outfit: 1, remove_outfit: 1, take_off: 1, lay_patch: 1, move_patch: 1, remove_patch: 1, lock_parts: 1, rename_part: 1, default: 1, share: 3, loosen: 2, tint: 4, gradient: 3, repaint: 2, change: 4, shift: 3, merge: 3, remove: 2, import: 2, lock: 3, copy: 1, duplicate: 1,
    bring_in_library: 2, newer_library: 2, edit_entry: 2, remove_entry: 1, keep_entry: 2, remove_library: 1,
    begin_board: 2, add_variant: 2, edit_variant: 5, remove_variant: 1, remove_board: 1,
    note_matches: 3, change_to_matches: 2, keep_matches: 1, keep_entries: 1, bring_in_press: 1, set_up_press: 2, remove_press: 1,
    gather_palettes: 1, rename: 1, move: 1, undo: 6, redo: 4, undo_only: 6
  }.freeze
  BAG = STEPS.flat_map { |step, weight| [step] * weight }.freeze

  # What was done, for whoever has to find out.
  attr_reader :story

  def initialize
    @random = Random.new(0)
    @projects = ["Night open house", "Star trail"].map { |name| Project.create!(name:, client: "Quillmere Observatory") }
    @palettes = ["Quillmere house", "Star trail"].map { |name| Palette.create!(name:) }
    @projects.product(@palettes).each_with_index { |(project, palette), position| Use.create!(project:, palette:, position:) }
    @palettes.each { |palette| 2.times { |n| Group.create!(palette:, name: "Group #{n}", position: n) } }
    @projects.each { |project| Changes::BringInArtwork.perform(project, actor: Actor.new, name: "Card.svg", bytes: CARD) }
    Artwork.order(:id).first.then { |artwork| Changes::AddLayer.perform(artwork.project, actor: Actor.new, artwork:, name: "Wall.png", bytes: picture, at: "above") } # the other one can be replaced
    Group.order(:id).each { |group| 3.times { |n| Swatch.create!(group:, name: "Swatch #{n}", colour: hex(COLOURS[n]), shared: n > 0, position: n + 1) } }
    Artwork.order(:id).zip(@palettes) { |artwork, palette| Changes::KeepOutfit.perform(artwork.project, actor: Actor.new, artwork:, numbers: [4], palette:) }
  end

  # @param seed [Integer] the same seed walks the same way
  def from(seed)
    @random = Random.new(seed)
    @story = ["seed #{seed}"]
    @pages = Hash.new { |pages, artwork| Places::Dress::Told.new(artwork).to_h.then { |told| pages[artwork] = [told[:stamp], shown({}, told), artwork.template] } }
    pages
    self
  end

  # Two walls at dusk.
  def picture = Vips::Image.black(24, 16).draw_rect([200], 2, 2, 8, 12, fill: true).draw_rect([90], 14, 2, 8, 12, fill: true).cast(:uchar).copy(interpretation: :"b-w").pngsave_buffer

  def project = @projects.sample(random: @random)

  def chance(one_in) = @random.rand(one_in).zero?

  def colour = hex(COLOURS.sample(random: @random)).with(alpha: chance(6) ? 0.5 : 1.0)

  def swatch = Swatch.order(:id).to_a.sample(random: @random) || raise(Magpie::Error, "There is none left")

  def swatches(most = 4) = Swatch.order(:id).includes(:group).to_a.sample(@random.rand(1..most), random: @random)

  def group = Group.order(:id).to_a.sample(random: @random) || raise(Magpie::Error, "There is none left")

  # One step, or none where it is refused.
  # @return [Symbol] :done or :refused
  def step
    name = BAG.sample(random: @random)
    @story << name
    send(name)
    :done
  rescue Magpie::Error => error
    @story << "  refused: #{error.message}"
    :refused
  end

  def perform(change, **given) = change.perform(project, actor: Actor.new, **given).tap { @story << "  #{RecordedChange.order(:id).last&.words}" }

  # What pages show that are only ever told what changed, and what they ought to show.
  # @return [Array<String>] what is wrong
  def pages
    shown_artworks.filter_map do |artwork|
      @pages.delete(artwork) unless @pages[artwork].last == artwork.template # another drawing is told whole
      stamp, page = @pages[artwork]
      since = Places::Dress::Told.new(artwork, since: stamp).to_h
      shown(page, since)
      @pages[artwork][0] = since[:stamp]
      whole = shown({}, Places::Dress::Told.new(artwork).to_h)
      missing = served(page)
      next "a page of #{artwork.name} has no #{missing.inspect}" if missing.any?
      "a page of #{artwork.name} shows #{(page.to_a - whole.to_a).inspect}" unless page.except(:servers) == whole.except(:servers)
    end
  end

  def shown(page, told)
    page[:servers] = page[:servers].to_a | told[:servers].scan(/ id="([^"]+)"/).flatten
    told[:paints].each_with_object(page) do |(role, text, opacity, numbers), all|
      numbers.each do |number|
        all[[role, number]] = [text, opacity]
        all[[:built, number]] = [told[:lines][number].to_s] unless role == "stop"
      end
    end
  end

  # Gradients and patterns of palettes that it paints with, and never was told of.
  def served(page) = page.except(:servers).values.filter_map { |text, _| text[/\Aurl\(#(.*)\)\z/, 1] }.grep_v(/\A#{Page::Painter::PREFIX}/o).uniq - page[:servers]

  def share
    chosen = swatches
    ticks = Candidates.of(Actor.new, chosen, limit: 3.0).by_artwork.values.flatten.map(&:tick)
    perform(Changes::ShareSwatches, swatches: chosen, ticks: ticks.sample(2, random: @random), limit: 3.0)
  end

  def loosen = perform(Changes::LoosenSwatches, swatches:)

  def tint = perform(Changes::KeepTint, parent: swatch, percent: @random.rand(10..90).to_f)

  def paint
    inks = Array.new(2) { |n| chance(4) ? Magpie::Palette::Compound::Ink.new(colour:, offset: n.to_f) : swatch.then { |each| Magpie::Palette::Compound::Ink.new(colour: each.colour, reference: each.id, offset: n.to_f) } }
    Magpie::Palette::Compound.new(form: %w[linear conic stripes].sample(random: @random), angle: 0.0, size: 8.0, mixing: %w[oklab srgb].sample(random: @random), inks:)
  end

  def gradient = perform(Changes::KeepPaint, paint:, group:)

  def repaint = perform(Changes::KeepPaint, paint:, swatch: Swatch.where.not(paint: nil).order(:id).to_a.sample(random: @random) || raise(Magpie::Error, "There is none"))

  def change
    one = swatch
    perform(Changes::ChangeSwatch, swatch: one, colour:, definition: "", before: one.hex, bring_along: chance(2))
  end

  def shift
    chosen = chance(2) ? Following::Plan.new(swatches(8)).free : swatches(5)
    perform(Changes::ChangeSwatches, colours: chosen.to_h { |each| [each, colour] }, what: "Shifted")
  end

  def merge
    chosen = swatches
    perform(Changes::MergeSwatches, kept: chosen.first, others: chosen.drop(1), blend: chance(3))
  end

  def remove
    chosen = swatches(3)
    others = Swatch.where.not(id: chosen.map(&:id)).order(:id).to_a
    perform(Changes::RemoveSwatches, swatches: chosen, replacements: chosen.to_h { |each| [each, chance(2) ? others.sample(random: @random) : nil] })
  end

  def import
    into = @palettes.sample(random: @random)
    into = Palette.find_by(id: into.id) or raise Magpie::Error, "It was merged"
    groups = into.groups.includes(:swatches).map { |each| Magpie::Palette::Group.new(name: each.name, swatches: each.swatches.map { |one| Magpie::Palette::Swatch.new(name: one.name, colour: chance(2) ? colour : one.colour) }) }
    before = Magpie::Palette.new(name: "In", groups: groups.map { |each| each.dup.tap { |copy| copy.swatches = each.swatches.dup } }) if chance(2)
    newcomers(groups)
    gone = before && groups.flat_map(&:swatches).any? && groups.reject { |each| each.swatches.empty? }.sample(random: @random).swatches.shift
    choices = groups.each_with_index.flat_map { |each, g| each.swatches.each_index.map { |s| ["#{g}.#{s}", %w[ours theirs theirs both].sample(random: @random)] } }.to_h
    choices = choices.merge(Swatch.where(name: gone.name).ids.to_h { |id| ["gone.#{id}", "theirs"] }) if gone
    perform(Changes::BringInPalette, value: Magpie::Palette.new(name: "In", groups:), into:, before:, choices:)
  end

  # A tint of the first of a group, and a gradient that follows it: of what may be there already.
  def newcomers(groups)
    g = groups.index { |each| each.swatches.any? } or return
    first, name = groups[g].swatches.first.colour, "New #{@random.rand(99)}"
    groups[g].swatches << Magpie::Palette::Swatch.new(name:, colour: Magpie::Making::Tints.tint(first, 40), tint: Magpie::Palette::Tint.new(40, [g, 0]))
    inks = [[first, [g, 0]], [colour, nil]].each_with_index.map { |(colour, reference), offset| Magpie::Palette::Compound::Ink.new(colour:, reference:, offset: offset.to_f) }
    compound = Magpie::Palette::Compound.new(form: "linear", angle: 0.0, size: 24.0, inks:)
    groups[g].swatches << Magpie::Palette::Swatch.new(name: "#{name} fade", colour: compound.colour, compound:)
  end

  def lock = perform(Changes::LockSwatches, swatches: swatches(2), locked: !chance(3))

  def copy = perform(Changes::MoveSwatches, swatches: swatches(2), group:, copy: true)

  def move = perform(Changes::MoveSwatches, swatches: swatches(2), group:, close: chance(2))

  def duplicate = perform(Changes::CopyGroups, groups: [group], into: Palette.find_by(id: @palettes.sample(random: @random).id) || Palette.first)

  def gather_palettes = chance(3) ? perform(Changes::MergePalettes, from: Palette.last, into: Palette.first, limit: 2.0) : perform(Changes::RemovePalette, palette: (one = group).palette, groups: [one])

  def rename = perform(Changes::EditSwatch, swatch: swatch, fields: {name: "Renamed #{@random.rand(1000)}"})

  def undo(which = project) = @story << "  undid #{Changes::History.undo(which, actor: Actor.new).words}"

  def redo(which = project) = @story << "  redid #{Changes::History.redo(which, actor: Actor.new).words}"

  # Whatever is offered must work.
  def undo_only
    which = project
    listed = RecordedChange.undoable.where(project: which).order(:id).to_a
    free = listed.reject { |each| Following::Standing.new(listed).on(each) }
    chosen = free.sample(random: @random) or raise Magpie::Error, "Something stands on each"
    @story << "  undoes only #{chosen.words}"
    Changes::History.undo(which, chosen.id, actor: Actor.new)
  rescue Magpie::Error => error
    raise error unless chosen
    raise "was offered, and refused: #{error.message}"
  end
end
