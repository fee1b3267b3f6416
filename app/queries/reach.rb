# The places that follow swatches, painted with them: how many, and in which artworks.
class Reach
  # @param actor [Actor]
  # @param ids [Array<Integer>] of swatches
  # @return [Hash{Integer => Integer}] places by swatch, none where nothing follows
  def self.of(actor, ids) = actor.reaches.where(swatch_id: ids).group(:swatch_id).sum(:places)

  # @param palettes [Array<Palette>]
  # @return [Array<[Integer, Integer, Integer, Integer]>] swatch, palette, artwork, and how
  #   many places of that artwork follow the swatch
  def self.in_palettes(actor, palettes)
    return [] if palettes.empty?
    Record.connection.select_rows(<<~SQL)
      SELECT s.id, g.palette_id, r.artwork_id, r.places
      FROM groups g JOIN swatches s ON s.group_id = g.id JOIN (#{actor.reaches.to_sql}) r ON r.swatch_id = s.id
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

  # @return [Array<Artwork>]
  def artworks_shown = @artworks_shown ||= shown.map(&:first)

  # Artworks that are not shown.
  def more = artworks - shown.size

  private

  def counts = @counts ||= @ids.empty? ? {} : @actor.reaches.where(swatch_id: @ids).group(:artwork_id).sum(:places)
end
