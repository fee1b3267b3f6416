# Which colours an artwork holds: swatches that it follows, and strays. The database
# counts: an artwork may have twenty thousand places.
class ArtworkColours
  # @param artwork [Artwork]
  # @param known [Array<Chip>] of swatches that are read already
  def initialize(artwork, known = [])
    @artwork, @known = artwork, known
  end

  # @return [Array<[Chip, Integer]>] with the number of parts, most first
  def linked
    @linked ||= begin
      counts = rows.filter_map { |id, _, parts| [id, parts] if id }
      chips = @known.to_h { |chip| [chip.id, chip] }
      chips.update(Chip.of(counts.map(&:first) - chips.keys)) unless counts.all? { |id, _| chips.key?(id) }
      counts.map { |id, parts| [chips.fetch(id), parts] }
    end
  end

  # @return [Array<[String, Integer]>] hex, with the number of parts, most first
  def strays = rows.filter_map { |id, hex, parts| [hex, parts] if id.nil? && hex }

  private

  # Of as many parts, those that lie lower first.
  def rows
    @rows ||= Record.connection.select_rows(<<~SQL)
      SELECT swatch_id, stray, count(*) FROM (
        SELECT f.swatch_id, CASE WHEN f.swatch_id IS NULL THEN p.hex END AS stray, p.part_id, min(p.id) AS first
        FROM places p LEFT JOIN follows f ON f.place_id = p.id AND f.ink IS NULL
        WHERE p.artwork_id = #{Integer(@artwork.id)} AND p.kind <> 'none' GROUP BY 1, 2, 3
      ) parts GROUP BY 1, 2 ORDER BY 3 DESC, min(first)
    SQL
  end
end
