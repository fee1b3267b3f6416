# Which colours an artwork holds: swatches that it follows, and strays.
class ArtworkColours
  # @param artwork [Artwork]
  def initialize(artwork)
    @linked, other = artwork.places.where.not(kind: "none").includes(:follow, :swatch).to_a.partition(&:swatch)
    @strays = other.select(&:hex)
  end

  # @return [Array<[Swatch, Integer]>] with the number of parts, most first
  def linked = counted(@linked, :swatch)

  # @return [Array<[String, Integer]>] hex, with the number of parts, most first
  def strays = counted(@strays, :hex)

  private

  def counted(places, by) = places.group_by(&by).transform_values { |held| held.map(&:part_id).uniq.size }.sort_by { |_, parts| -parts }
end
