# The places that hold a swatch's colour, exactly or nearly, and follow nothing yet, in
# every project that uses its palette. "Exactly" is what a screen shows: eight bits
# and opacity. Of several swatches each place goes to the nearest.
class Candidates
  # Beyond this many places of one colour in one artwork they are ticked together.
  ONE_BY_ONE = 24
  LIMITS = 0.0..20.0

  class << self
    alias_method :of, :new
  end

  # @!attribute artwork [Integer] id
  # @!attribute swatch [Swatch] that they would follow
  # @!attribute difference [Float] ΔE00, 0 where exact
  # @!attribute count [Integer] of places
  # @!attribute places [Array<Place>] with their parts; empty where they are too many
  Row = Struct.new(:artwork, :hex, :swatch, :difference, :count, :places, keyword_init: true) do
    def exact? = hex == swatch.hex

    # How ticks name it.
    def tick = "a#{artwork}#{hex}"
  end

  # @param actor [Actor]
  # @param swatches [Array<Swatch>]
  # @param limit [Float] ΔE00 up to which a place is near; 0 takes only exact ones
  def initialize(actor, swatches, limit: 0.0)
    @actor = actor
    @swatches, @limit = swatches.reject(&:paint), limit.clamp(LIMITS.begin, LIMITS.end)
  end

  # {artwork => [Row]}, exact ones first
  def by_artwork
    small, = rows.partition { |row| row.count <= ONE_BY_ONE }
    listed = stray.where(artwork_id: small.map(&:artwork), hex: small.map(&:hex)).includes(:part).order(:id).group_by { |place| [place.artwork_id, place.hex] }
    small.each { |row| row.places = listed.fetch([row.artwork, row.hex], []) }
    artworks = @actor.artworks.where(id: rows.map(&:artwork).uniq).index_by(&:id)
    rows.group_by { |row| artworks.fetch(row.artwork) }
  end

  def total = rows.sum(&:count)

  def exact = rows.select(&:exact?).sum(&:count)

  def exact_ids = stray.where(hex: @swatches.map(&:hex)).ids

  # {swatch => [place ids]} of what was ticked.
  # @param ticks [Array<String>] "p12" for a place, "a3#E46F58" for all of a colour in an artwork
  # @raise [Magpie::Error] when a place no longer holds what was offered
  def ticked(ticks)
    places, groups = ticks.map(&:to_s).partition { |tick| tick.start_with?("p") }
    ticked = groups.to_set
    offered = rows.index_by { |row| [row.artwork, row.hex] }
    whole = rows.select { |row| ticked.include?(row.tick) }
    ids = places.to_set { |tick| tick[1..].to_i }
    listed = stray.where(artwork_id: whole.map(&:artwork), hex: whole.map(&:hex)).or(stray.where(id: ids.to_a)).pluck(:id, :artwork_id, :hex)
    taken = listed.map { |id, *key| [id, offered[key]] }.select { |id, row| row && (ticked.include?(row.tick) || ids.include?(id)) }
    missing = (groups - whole.map(&:tick)).size + (ids - taken.map(&:first)).size
    raise Magpie::Error, "#{Magpie::Text.count(missing, "place")} no longer holds that colour. Look at the list again" if missing > 0
    taken.group_by { |_, row| row.swatch }.transform_values { |list| list.map(&:first) }
  end

  private

  def stray
    uses = Use.where(palette_id: Group.where(id: @swatches.map(&:group_id)).select(:palette_id))
    @actor.places.where(artwork_id: Artwork.where(project_id: uses.select(:project_id)).select(:id)).where.not(hex: nil)
  end

  def rows
    @rows ||= begin
      near = nearest(stray.distinct.pluck(:hex))
      stray.where(hex: near.keys).group(:artwork_id, :hex).count.map { |(artwork, hex), count| Row.new(artwork:, hex:, swatch: near[hex][0], difference: near[hex][1], count:, places: []) }
        .sort_by { |row| [row.artwork, row.exact? ? 0 : 1, row.difference, row.hex] }
    end
  end

  # {hex => [swatch, ΔE00]} for those that are near enough.
  def nearest(hexes)
    index = Magpie::Library::Nearest.of(@swatches)
    hexes.each_with_object({}) do |hex, near|
      swatch, difference = index.nearest(Magpie::Notation.parse(hex), alike: true)
      near[hex] = [swatch, difference] if swatch && (hex == swatch.hex || (difference <= @limit && @limit > 0))
    end
  end
end
