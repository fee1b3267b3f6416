# The places that follow swatches, painted with them: how many, and in which artworks.
class Reach
  # @param actor [Actor]
  # @param ids [Array<Integer>] of swatches
  # @return [Hash{Integer => Integer}] places by swatch, none where nothing follows
  def self.of(actor, ids) = actor.places.following(ids).group("follows.swatch_id").count

  # @param palettes [Array<Palette>]
  # @return [Array<[Integer, Integer, Integer, Integer]>] swatch, palette, artwork, and how
  #   many places of that artwork follow the swatch
  def self.in_palettes(actor, palettes)
    return [] if palettes.empty?
    Record.connection.select_rows(<<~SQL)
      SELECT f.swatch_id, g.palette_id, p.artwork_id, count(*)
      FROM groups g JOIN swatches s ON s.group_id = g.id JOIN follows f ON f.swatch_id = s.id AND f.place_id IS NOT NULL AND f.ink IS NULL
      JOIN (#{actor.places.select(:id, :artwork_id).to_sql}) p ON p.id = f.place_id
      WHERE g.palette_id = ANY(#{Record.array(palettes.map(&:id))}) GROUP BY 1, 2, 3
    SQL
  end

  # @param ids [Array<Integer>] of swatches
  # @param most [Integer] artworks that are shown
  def initialize(actor, ids, most: 6)
    @actor, @ids, @most = actor, ids, most
  end

  # Places in all.
  def total = counts.values.sum

  # How many artworks they are in.
  def artworks = counts.size

  # @return [Array<[Artwork, Integer]>] those with most places, and how many
  def shown
    @shown ||= begin
      first = counts.sort_by { |_, places| -places }.first(@most)
      found = @actor.artworks.where(id: first.map(&:first)).index_by(&:id)
      first.map { |id, places| [found[id], places] }
    end
  end

  # Artworks that are not shown.
  def more = artworks - shown.size

  private

  def counts = @counts ||= @ids.empty? ? {} : @actor.places.following(@ids).group(:artwork_id).count
end
