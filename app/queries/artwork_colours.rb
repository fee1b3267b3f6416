# Which colours an artwork holds: swatches that it follows, and strays.
class ArtworkColours
  # @param dressing [Dressing] the artwork's
  # @param known [Array<Chip>] of swatches that are read already
  def initialize(dressing, known = [])
    @rows = dressing.places.reject { |place| place.kind == "none" }.map { |place| [place.part_id, place.hex, place.swatch_id] }
    @known = known
  end

  # @return [Array<[Chip, Integer]>] with the number of parts, most first
  def linked
    @linked ||= begin
      counts = counted { |_, _, swatch_id| swatch_id }
      chips = @known.to_h { |chip| [chip.id, chip] }
      chips.update(Chip.of(counts.map(&:first) - chips.keys)) unless counts.all? { |id, _| chips.key?(id) }
      counts.map { |id, parts| [chips.fetch(id), parts] }
    end
  end

  # @return [Array<[String, Integer]>] hex, with the number of parts, most first
  def strays = @strays ||= counted { |_, hex, swatch_id| hex unless swatch_id }

  private

  # Of as many parts, those that lie lower first.
  def counted(&) = @rows.group_by(&).except(nil).transform_values { |rows| rows.map(&:first).uniq.size }.sort_by.with_index { |(_, parts), index| [-parts, index] }
end
