# Parts of an artwork that are painted alike: with what others are painted with, or near
# their colour, or with a swatch, or with a stray colour.
class PartsAlike
  LIMITS = 0.0..30.0 # ΔE00
  ROLES = %w[fill line].freeze

  # @param artwork [Artwork]
  def initialize(artwork) = @artwork = artwork

  # All that hold in a role what one of these holds there.
  # @param numbers [Array<Integer>]
  # @param role [String] "fill" or "line"
  # @return [Array<Integer>] numbers of parts
  def same(numbers, role)
    wanted = rows("p.role = #{quote(role)} AND parts.#{among(numbers)}").to_set { |row| row[1..4] }
    rows("p.role = #{quote(role)}").filter_map { |number, *held| number if wanted.include?(held.first(4)) }.uniq
  end

  # All with a colour near one that these have, in whatever role.
  # @param limit [Float] ΔE00
  # @return [Array<Integer>]
  def near(numbers, limit)
    all = rows("parts.kind = 'part'").select { |row| row[5] }
    given = numbers.to_set
    seen = all.select { |row| given.include?(row[0]) }.map { |row| row[5] }.uniq.map { |hex| lab(hex) }
    close = all.map { |row| row[5] }.uniq.select { |hex| seen.any? { |one| Magpie::Difference::Ciede2000.of(one, lab(hex)) <= limit } }.to_set
    all.filter_map { |row| row[0] if close.include?(row[5]) }.uniq
  end

  # @param id [Integer]
  # @return [Array<Integer>] also those of which a stop or an ink follows it
  def of_swatch(id) = @artwork.parts.where(id: @artwork.places.where(id: Follow.where(swatch_id: id).where.not(place_id: nil).select(:place_id)).select(:part_id)).order(:position).pluck(:position)

  # @param id [Integer] of an outfit
  # @return [Array<Integer>]
  def of_outfit(id) = @artwork.parts.where(id: @artwork.places.where(outfit_id: id).select(:part_id)).order(:position).pluck(:position)

  # @param hex [String] a stray colour
  # @return [Array<Integer>]
  def of_stray(hex) = rows("p.kind <> 'none' AND f.swatch_id IS NULL AND p.hex = #{quote(hex)}").map(&:first).uniq

  # Those of a colourway that differ from the first.
  # @return [Array<Integer>]
  def differing = @artwork.colourway? ? @artwork.parts.where(id: Place.where(artwork_id: @artwork.id).select(:part_id)).pluck(:position) : []

  private

  # [number, swatch, kind, own colour, reference or gradient, hex that is seen]
  def rows(condition)
    Record.connection.select_rows(<<~SQL)
      SELECT parts.position, f.swatch_id, p.kind, CASE WHEN f.swatch_id IS NULL THEN p.hex END, COALESCE(p.reference, p.paint::text), COALESCE(s.hex, p.hex)
      FROM places p JOIN parts ON parts.id = p.part_id LEFT JOIN follows f ON f.place_id = p.id AND f.ink IS NULL LEFT JOIN swatches s ON s.id = f.swatch_id
      WHERE #{@artwork.shows} AND #{condition} ORDER BY 1
    SQL
  end

  def among(numbers) = "position = ANY(#{Record.array(numbers)})"

  def quote(text) = Record.connection.quote(text)

  def lab(hex) = (@labs ||= {})[hex] ||= Magpie::Notation.parse(hex).in(:lab)
end
