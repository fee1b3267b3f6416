# The places that follow swatches, painted with them: how many, and in which artworks.
class Reach
  # @param actor [Actor]
  # @param ids [Array<Integer>] of swatches
  # @return [Hash{Integer => Integer}] places by swatch, none where nothing follows
  def self.of(actor, ids) = actor.places.following(ids).group("follows.swatch_id").count

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
