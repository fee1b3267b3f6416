# An artwork as it is dressed: what each of its places holds now, and what painters make
# of that.
class Dressing
  # Tells what is seen: another drawing, another paint, another key.
  # @param artworks [Array<Artwork>]
  # @return [Hash{Integer => String}] by artwork, in one query
  def self.keys(artworks)
    rows = Record.connection.select_rows(<<~SQL).to_h
      SELECT p.artwork_id, md5(string_agg(concat_ws('|', p.part_id, p.role, p.kind, COALESCE(s.colour, p.colour), COALESCE(s.paint, p.paint), p.reference, p.opacity), '/' ORDER BY p.part_id, p.role))
      FROM places p LEFT JOIN follows f ON f.place_id = p.id AND f.ink IS NULL LEFT JOIN swatches s ON s.id = f.swatch_id
      WHERE p.artwork_id = ANY(#{Record.array(artworks.map(&:id))}) GROUP BY 1
    SQL
    artworks.to_h { |artwork| [artwork.id, Digest::SHA256.hexdigest("#{artwork.template}#{rows[artwork.id]}")] }
  end

  # @param ids [Array<Integer>] of artworks
  # @return [Hash{Integer => Integer}] parts by artwork, in one query
  def self.part_counts(ids)
    Record.connection.select_rows("SELECT artwork_id, count(*) FROM parts WHERE artwork_id = ANY(#{Record.array(ids)}) AND kind = 'part' GROUP BY 1").to_h
  end

  COLOURS = Record::ColourType.new
  PAINTS = Swatch::PaintType.new

  # A place as it is kept.
  # @!attribute key [String] of its part
  # @!attribute swatch_id [Integer, nil] that it follows
  Held = Struct.new(:id, :part_id, :key, :role, :kind, :colour, :hex, :reference, :opacity, :paint, :swatch_id)

  attr_reader :artwork

  def initialize(artwork) = @artwork = artwork

  # The drawing, as it came.
  # @return [String] SVG
  def drawing = @drawing ||= Drawings.of(@artwork.template)

  # @return [Array<Held>]
  def places
    @places ||= Record.connection.select_rows(<<~SQL).map { |row| Held.new(*row) }
      SELECT p.id, p.part_id, parts.key, p.role, p.kind, p.colour, p.hex, p.reference, p.opacity, p.paint, f.swatch_id
      FROM places p JOIN parts ON parts.id = p.part_id LEFT JOIN follows f ON f.place_id = p.id AND f.ink IS NULL
      WHERE p.artwork_id = #{Integer(@artwork.id)} ORDER BY p.id
    SQL
  end

  # {[part key, role] => Magpie::Artwork::Paint}; what follows a swatch refers to it
  # by its id.
  def paints
    @paints ||= begin
      held = Following::Held.of(places.filter_map(&:swatch_id).uniq)
      of_swatches, of_places = inks(held.values.select(&:paint).map(&:id), places.select(&:paint).map(&:id))
      places.to_h { |place| [[place.key, place.role], paint(place, held[place.swatch_id], of_swatches[place.swatch_id], of_places[place.id])] }
    end
  end

  # For a page; the prefix keeps the identifiers of several drawings apart.
  def live(prefix) = Page::Painter.new(drawing, paints, prefix: "#{prefix}-#{@artwork.id}-").to_s

  def flat = Magpie::Painters::Flat.new(drawing, paints).to_s

  def linked
    names = Page::SwatchNames.of(Swatch.where(id: paints.values.filter_map(&:reference).uniq).order(:id))
    Magpie::Painters::Linked.new(drawing, paints, names:).to_s
  end

  private

  # @param swatch [Following::Held, nil] that it follows
  # @param of_swatch, of_place [Hash{Integer => Integer}] what the inks of either follow
  def paint(place, swatch, of_swatch, of_place)
    compound = swatch ? swatch.paint&.referring(of_swatch) : place.paint && PAINTS.deserialize(place.paint).referring(of_place)
    colour = swatch ? swatch.colour : COLOURS.deserialize(place.colour)
    Magpie::Artwork::Paint.new(kind: compound ? :compound : Artwork::KINDS.fetch(place.kind), colour:, server: place.reference, opacity: place.opacity, compound:, reference: (place.swatch_id unless compound))
  end

  # Which swatches the inks of gradients and patterns follow.
  # @param swatches, places [Array<Integer>] ids of those that hold one
  # @return [[Hash, Hash]] {id => {number of the ink => id of the swatch}} of either
  def inks(swatches, places)
    found = (swatches + places).empty? ? [] : Follow.where.not(ink: nil).merge(Follow.where(follower_id: swatches).or(Follow.where(place_id: places))).pluck(:follower_id, :place_id, :ink, :swatch_id)
    [0, 1].map do |side|
      found.select { |row| row[side] }.group_by { |row| row[side] }.transform_values { |rows| rows.to_h { |row| row.last(2) } }.tap { |all| all.default = {}.freeze }
    end
  end
end
