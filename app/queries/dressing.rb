# An artwork as it is dressed: what each of its places holds now, and what painters make
# of that.
class Dressing
  COLOURS = Record::ColourType.new
  PAINTS = Swatch::PaintType.new
  PLACINGS = Place::PlacingType.new

  # A place as it is kept.
  # @!attribute number [Integer] of its part, in the order of the drawing
  # @!attribute key [String] of its part
  # @!attribute swatch_id [Integer, nil] that it follows
  # @!attribute like [Integer, nil] another place whose inks it would have, see Swapped
  Held = Struct.new(:id, :part_id, :number, :key, :role, :kind, :colour, :hex, :reference, :opacity, :paint, :laid, :settings, :outfit_id, :swatch_id, :like)
  SELECTED = "p.id, p.part_id, parts.position, parts.key, p.role, p.kind, p.colour, p.hex, p.reference, p.opacity, p.paint, p.laid, p.settings, p.outfit_id, f.swatch_id"

  attr_reader :artwork

  # @param since [Integer] a stamp: only places that were repainted after it, see .stamp
  # @param compounds [Boolean] only places that follow a gradient or pattern of a palette
  # @param trying [Hash{Integer => Magpie::Color}] what swatches would hold, by id
  # @param swaps [Hash] what would give way to what, see Swapped
  def initialize(artwork, since: nil, compounds: false, trying: {}, swaps: {})
    @artwork, @since, @compounds, @trying = artwork, since, compounds, trying
    @swapped = Swapped.new(swaps)
    @colours = Hash.new { |known, json| known[json] = COLOURS.deserialize(json) } # drawings use the same few over and over
  end

  # The drawing, with what is set of its parts and the pictures that it shows.
  # @param small [Boolean] is it drawn here, and its pictures need be no larger?
  # @return [String] SVG
  def drawing(small: false)
    (@drawing ||= {})[small] ||= Magpie::Artwork::Layers.resolved(Magpie::Artwork::Settings.onto(Drawings.of(@artwork.template), settings, opaque:)) { |sha256| small ? Pictures.small(sha256) : Pictures.embedded(sha256) }
  end

  # What is set of parts, other than their file says.
  # @return [Hash{String => Magpie::Artwork::Settings}] by key
  def settings
    set = places.select(&:settings).group_by(&:key)
    set.transform_values { |held| Magpie::Artwork::Settings.kept(held.map { |place| JSON.parse(place.settings) }.reduce(:merge)) }
  end

  # Parts whose lines are made of elements of their own: what stands in their place. A page is not
  # told of all that makes a fill opaque, so that none is taken for it.
  # @return [Hash{String => String}] groups of a template, by key
  def lines
    said = PartSettings.new(@artwork, lined).all.select { |_, set| set.built? }
    said.empty? ? {} : Magpie::Artwork::Lines.new(Drawings.of(@artwork.template), said, said:, frames:).groups
  end

  # @return [Array<Held>]
  def places
    @places ||= @swapped.apply(Record.connection.select_rows(<<~SQL).map { |row| Held.new(*row) })
      SELECT #{SELECTED}
      FROM places p JOIN parts ON parts.id = p.part_id LEFT JOIN follows f ON f.place_id = p.id AND f.ink IS NULL
      WHERE #{@artwork.shows} #{"AND p.id IN (#{repainted})" if @since} #{"AND p.id IN (#{compound})" if @compounds} ORDER BY p.id
    SQL
  end

  # {[part key, role] => Magpie::Artwork::Paint}; what follows a swatch refers to it
  # by its id.
  def paints
    @paints ||= begin
      held = held_by(places.filter_map(&:swatch_id).uniq)
      of_swatches, of_places = inks(held.values.select(&:paint).map(&:id), places.select(&:paint).map { |place| place.like || place.id })
      places.to_h { |place| [[place.key, place.role], paint(place, held[place.swatch_id], of_swatches[place.swatch_id], of_places[place.like || place.id])] }
    end
  end

  # Where its parts lie.
  # @return [Magpie::Artwork::Frames]
  def frames = PartFrames.of(@artwork.template)

  # @param small [Boolean] as above
  def flat(small: false) = Magpie::Painters::Flat.new(drawing(small:), paints, frames:).to_s

  def linked
    names = Page::SwatchNames.of(Swatch.where(id: paints.values.flat_map { |paint| [paint.reference, *paint.compound&.inks&.map(&:reference)] }.compact.uniq).order(:id))
    Magpie::Painters::Linked.new(drawing, paints, names:, frames:).to_s
  end

  private

  # Keys of parts whose fills let nothing through.
  def opaque = paints.filter_map { |(key, role), paint| key if role == "fill" && paint.opaque? }

  # Those of its parts that may be among them: of what was repainted the other role says it, too.
  # @return [Array<Integer>] their numbers
  def lined = (@since ? places : places.select(&:settings)).map(&:number).uniq

  # Nobody's change is missed: what is repainted after it has a larger stamp.
  def repainted = "SELECT place_id FROM repainted WHERE artwork_id IN (#{Integer(@artwork.id)}, #{Integer(@artwork.drawn_id)}) AND stamp > #{Integer(@since)}"

  # Places of which there are few, if any: found without a look at the others.
  def compound
    <<~SQL
      SELECT f.place_id FROM reaches r JOIN swatches s ON s.id = r.swatch_id AND s.paint IS NOT NULL JOIN follows f ON f.swatch_id = s.id AND f.place_id IS NOT NULL
      WHERE r.artwork_id IN (#{Integer(@artwork.id)}, #{Integer(@artwork.drawn_id)})
    SQL
  end

  # @return [Hash{Integer => Following::Held}] by swatch, as they would be
  def held_by(ids) = @trying.empty? ? Following::Held.of(ids) : Following::Held.of(ids).merge(tried[0].slice(*ids))

  # What would follow, were swatches to hold other colours.
  # @return [[Hash{Integer => Following::Held}, Hash{Integer => Magpie::Palette::Compound}]] swatches and places, by id
  def tried
    @tried ||= begin
      flow = Following::Flow.new(@trying.keys, values: @trying)
      moved = flow.moved
      [flow.given.merge(moved.swatches.index_by(&:id)), moved.places.transform_values { |columns| columns[:paint] }]
    end
  end

  # @param swatch [Following::Held, nil] that it follows
  # @param of_swatch, of_place [Hash{Integer => Integer}] what the inks of either follow
  def paint(place, swatch, of_swatch, of_place)
    compound = swatch ? referring(swatch.paint, of_swatch) : referring(compound_of(place), of_place)
    colour = swatch ? swatch.colour : place.colour && @colours[place.colour]
    Magpie::Artwork::Paint.new(kind: compound ? :compound : Artwork::KINDS.fetch(place.kind), colour:, server: place.reference, opacity: place.opacity, compound:,
      laid: (laid[place.laid] if compound && place.laid), reference: (place.swatch_id unless compound))
  end

  def compound_of(place) = place.paint && ((tried[1][place.id] if @trying.any?) || made[place.paint])

  # Parts have the same few gradients over and over, and lie the same few ways.
  def made = @made ||= Hash.new { |known, json| known[json] = PAINTS.deserialize(json) }

  def laid = @laid ||= Hash.new { |known, json| known[json] = PLACINGS.deserialize(json) }

  # Equal ones are one: what asks for their names asks once.
  def referring(compound, inks) = compound && ((@referring ||= {}.compare_by_identity)[compound] ||= {})[inks] ||= compound.referring(inks)

  # Which swatches the inks of gradients and patterns follow.
  # @param swatches, places [Array<Integer>] ids of those that hold one
  # @return [[Hash, Hash]] {id => {number of the ink => id of the swatch}} of either
  def inks(swatches, places)
    found = (swatches + places).empty? ? [] : Follow.where.not(ink: nil).merge(Follow.where(follower_id: swatches).or(Follow.where(place_id: places))).pluck(:follower_id, :place_id, :ink, :swatch_id)
    [0, 1].map do |side|
      found.select { |row| row[side] }.group_by { |row| row[side] }.transform_values { |rows| rows.to_h { |row| row.last(2) } }.tap { |all| all.default = {}.freeze }
    end
  end
end
