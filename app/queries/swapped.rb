require "json"

# What places of an artwork would hold, were colours in it, or outfits, to give way to
# others: to be looked at before anybody does it.
class Swapped
  # What a place would hold, and whose inks those are.
  COLUMNS = %i[kind colour hex reference opacity paint laid swatch_id].freeze

  # @param swaps [Hash{(Integer, String) => (Integer, String)}] ids of swatches, the hex of
  #   a stray, outfits as "o5"; what is not there any more is left out
  def initialize(swaps)
    swatches, outfits = swaps.values.partition { |to| to.is_a?(Integer) }
    there = Swatch.where(id: swatches).ids.to_set | held(outfits.map { |to| to.delete("o").to_i }).keys
    @swaps = swaps.select { |_, to| there.include?(to) }
  end

  # @param places [Array<Dressing::Held>] which are written to
  # @return [Array<Dressing::Held>] the same
  def apply(places)
    return places if @swaps.empty?
    wearing = places.filter_map { |place| [place.part_id, @held[to(place)]] if place.role == "fill" && to(place).is_a?(String) }.to_h
    places.each { |place| (outfit = wearing[place.part_id]&.[](place.role)) ? dress(place, outfit) : follow(place) }
  end

  private

  # Parts are looked at by their fill: that says what they are to wear.
  def to(place) = @swaps["o#{place.outfit_id}"] || @swaps[place.swatch_id || place.hex]

  def follow(place)
    to = @swaps[place.swatch_id || place.hex]
    place.swatch_id, place.kind, place.colour, place.hex, place.paint, place.laid = to, "colour", nil, nil, nil, nil if to.is_a?(Integer)
  end

  def dress(place, outfit)
    COLUMNS.each { |column| place[column] = outfit[column] }
    place.settings = [place.settings, outfit.settings].compact.map { |set| JSON.parse(set) }.reduce(:merge)&.then { |set| JSON.generate(set) }
    place.like = outfit.id
  end

  # What outfits hold.
  # @return [Hash{String => Hash{String => Dressing::Held}}] by "o5", then by role
  def held(ids)
    @held ||= ids.empty? ? {} : Record.connection.select_rows(<<~SQL).map { |row| Dressing::Held.new(*row) }.group_by { |each| "o#{each.outfit_id}" }.transform_values { |all| all.index_by(&:role) }
      SELECT #{Dressing::SELECTED} FROM places p LEFT JOIN parts ON parts.id = p.part_id LEFT JOIN follows f ON f.place_id = p.id AND f.ink IS NULL
      WHERE p.artwork_id IS NULL AND p.outfit_id = ANY(#{Record.array(ids)})
    SQL
  end
end
