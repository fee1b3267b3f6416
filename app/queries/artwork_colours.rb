# Which colours artworks hold: swatches that they follow, and strays. The database
# counts: an artwork may have twenty thousand places.
class ArtworkColours
  # How often a colour is held in each way. What places hold that are a gradient or pattern
  # themselves are inks, of which some are stops of gradients.
  Uses = Struct.new(:fills, :lines, :stops, :inks, :run) do
    def total = fills + lines + stops + inks

    # "3 fills, 1 line"
    def words = %w[fill line stop ink].zip([fills, lines, stops + run, inks - run]).filter_map { |word, number| Magpie::Text.count(number, word) if number > 0 }.join(", ")

    def +(other) = Uses.new(*zip(other).map(&:sum))
  end
  NONE = Uses.new(0, 0, 0, 0, 0).freeze
  PAINTS = Swatch::PaintType.new

  # @param artworks [Array<Artwork>]
  # @param known [Array<Chip>] of swatches that are read already
  def initialize(artworks, known = [])
    @artworks, @known = artworks, known
  end

  # @return [Array<[Chip, Uses]>] most first
  def linked
    @linked ||= begin
      counts = with_inks(rows.filter_map { |id, _, *uses| [id, Uses.new(*uses, 0, 0)] if id }.to_h, inks.to_h { |id, *number| [id, number] })
      chips = @known.to_h { |chip| [chip.id, chip] }
      chips.update(Chip.of(counts.keys - chips.keys)) unless counts.each_key.all? { |id| chips.key?(id) }
      counts.map { |id, uses| [chips.fetch(id), uses] }
    end
  end

  # @return [Array<[String, Uses]>] hex, most first
  def strays = @strays ||= with_inks(rows.filter_map { |id, hex, *uses| [hex, Uses.new(*uses, 0, 0)] if id.nil? && hex }.to_h, stray_inks).to_a

  private

  # @param counts [Hash{Object => Uses}]
  # @param inks [Hash{Object => [Integer, Integer]}] how many, and of them stops
  def with_inks(counts, inks)
    inks.each { |key, (number, run)| counts[key] = counts.fetch(key, NONE) + Uses.new(0, 0, 0, number, run) }
    counts.sort_by.with_index { |(_, uses), index| [-uses.total, index] }.to_h
  end

  # Of as many, those that lie lower first.
  def rows
    @rows ||= Record.connection.select_rows(<<~SQL)
      SELECT f.swatch_id, CASE WHEN f.swatch_id IS NULL THEN p.hex END AS stray,
        count(*) FILTER (WHERE p.role = 'fill'), count(*) FILTER (WHERE p.role = 'line'), count(*) FILTER (WHERE p.role = 'stop')
      FROM places p LEFT JOIN follows f ON f.place_id = p.id AND f.ink IS NULL
      WHERE #{shown} AND p.kind <> 'none' GROUP BY 1, 2 ORDER BY count(*) DESC, min(p.id)
    SQL
  end

  # Swatches that inks of places' own gradients and patterns follow.
  def inks
    @inks ||= Record.connection.select_rows(<<~SQL)
      SELECT f.swatch_id, count(*), count(*) FILTER (WHERE p.paint->>'form' IN (#{Magpie::Palette::Compound::GRADIENTS.map { |form| Record.connection.quote(form) }.join(", ")})) FROM places p JOIN follows f ON f.place_id = p.id AND f.ink IS NOT NULL
      WHERE #{shown} AND p.paint IS NOT NULL GROUP BY 1
    SQL
  end

  # {hex => [number, of them stops]} of inks that follow nothing.
  def stray_inks
    held = Record.connection.select_rows(<<~SQL)
      SELECT p.paint, (SELECT array_to_string(array_agg(ink), ',') FROM follows WHERE place_id = p.id) FROM places p WHERE #{shown} AND p.paint IS NOT NULL
    SQL
    found = held.flat_map do |paint, followed|
      compound = PAINTS.deserialize(paint)
      compound.inks.reject.with_index { |ink, index| ink.opacity.zero? || followed.to_s.split(",").include?(index.to_s) }.map { |ink| [ink.colour.hex, compound.gradient?] }
    end
    found.group_by(&:first).transform_values { |all| [all.size, all.count(&:last)] }
  end

  # Each place once, as Artwork.places_shown has them.
  def shown
    ids = @artworks.map(&:id)
    return "p.artwork_id = ANY(#{Record.array(ids)})" if @artworks.all? { |each| ids.include?(each.drawn_id) }
    (ids.size == 1) ? @artworks.first.shows : "p.id IN (#{Artwork.shown(ids)})"
  end
end
