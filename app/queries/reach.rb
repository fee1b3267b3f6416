# The places that follow swatches, painted with them: how many, and in which artworks.
class Reach
  # @param actor [Actor]
  # @param ids [Array<Integer>] of swatches
  # @return [Hash{Integer => Integer}] places by swatch, none where nothing follows
  def self.of(actor, ids) = actor.reaches.where(swatch_id: ids).group(:swatch_id).sum(:places)

  # @param palettes [Array<Palette>]
  # @return [Array<[Integer, Integer, Integer, Integer]>] swatch, palette, artwork (of a
  #   colourway, its first), and how many places there follow the swatch
  def self.in_palettes(actor, palettes)
    return [] if palettes.empty?
    Record.connection.select_rows(<<~SQL)
      SELECT s.id, g.palette_id, COALESCE(a.first_id, a.id), r.places
      FROM groups g JOIN swatches s ON s.group_id = g.id JOIN (#{actor.reaches.to_sql}) r ON r.swatch_id = s.id JOIN artworks a ON a.id = r.artwork_id
      WHERE g.palette_id = ANY(#{Record.array(palettes.map(&:id))})
    SQL
  end

  # @param ids [Array<Integer>] of swatches
  # @param most [Integer] artworks that are shown
  def initialize(actor, ids, most: 6)
    @actor, @ids, @most = actor, ids, most
  end

  # Places in all.
  def total = counts.values.sum

  # How many, and in how many artworks and colourways that differ there.
  # @return [String] "12 places in 2 artworks and 1 colourway"
  def words
    ways, firsts = @actor.artworks.where(id: counts.keys).pluck(:first_id).partition(&:itself).map(&:size)
    within = {"artwork" => firsts, "colourway" => ways}.reject { |_, number| number == 0 }.map { |word, number| Magpie::Text.count(number, word) }
    "#{Magpie::Text.count(total, "place")} in #{Magpie::Text.list(within)}"
  end

  # @return [Array<[Artwork, Integer]>] those with most places, and how many
  def shown
    @shown ||= begin
      first = counts.sort_by { |_, places| -places }.first(@most)
      found = @actor.artworks.where(id: first.map(&:first)).index_by(&:id)
      first.map { |id, places| [found[id], places] }
    end
  end

  # @return [Array<Artwork>]
  def artworks_shown = @artworks_shown ||= shown.map(&:first)

  # Artworks and colourways that are not shown.
  def more = counts.size - shown.size

  private

  def counts = @counts ||= @ids.empty? ? {} : @actor.reaches.where(swatch_id: @ids).group(:artwork_id).sum(:places)
end
