# Which colours an artwork holds: swatches that it follows, and strays.
class ArtworkColours
  # @param artwork [Artwork]
  def initialize(artwork)
    @rows = artwork.places.where.not(kind: "none").left_joins(:follow).order(:id).pluck(:part_id, :hex, "follows.swatch_id")
  end

  # @return [Array<[Chip, Integer]>] with the number of parts, most first
  def linked
    @linked ||= begin
      counts = counted { |_, _, swatch_id| swatch_id }
      chips = Chip.of(counts.map(&:first))
      counts.map { |id, parts| [chips.fetch(id), parts] }
    end
  end

  # @return [Array<[String, Integer]>] hex, with the number of parts, most first
  def strays = @strays ||= counted { |_, hex, swatch_id| hex unless swatch_id }

  private

  # Of as many parts, those that lie lower first.
  def counted(&) = @rows.group_by(&).except(nil).transform_values { |rows| rows.map(&:first).uniq.size }.sort_by.with_index { |(_, parts), index| [-parts, index] }
end
