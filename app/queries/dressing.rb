# An artwork as it is dressed: what each of its places holds now, and what painters make
# of that.
class Dressing
  # Tells what is seen: another drawing, another paint, another key.
  # @param artworks [Array<Artwork>]
  # @return [Hash{Integer => String}] by artwork, in one query
  def self.keys(artworks)
    rows = Place.where(artwork_id: artworks.map(&:id)).left_joins(:swatch).group(:artwork_id)
      .pluck(:artwork_id, Arel.sql("md5(string_agg(concat_ws('|', part_id, role, places.kind, COALESCE(swatches.colour, places.colour), COALESCE(swatches.paint, places.paint), reference, opacity), '/' ORDER BY part_id, role))")).to_h
    artworks.to_h { |artwork| [artwork.id, Digest::SHA256.hexdigest("#{artwork.template}#{rows[artwork.id]}")] }
  end

  # @param ids [Array<Integer>] of artworks
  # @return [Hash{Integer => Integer}] parts by artwork, in one query
  def self.part_counts(ids) = Part.where(artwork_id: ids, kind: "part").group(:artwork_id).count

  def initialize(artwork) = @artwork = artwork

  # The drawing, as it came.
  # @return [String] SVG
  def drawing = @drawing ||= Blob.bytes(@artwork.template).force_encoding(Encoding::UTF_8)

  # {[part key, role] => Magpie::Artwork::Paint}; what follows a swatch refers to it
  # by its id.
  def paints
    @paints ||= begin
      rows = @artwork.places.joins(:part).left_joins(:follow).pluck("parts.key", :role, :kind, :colour, :reference, :opacity, :paint, "follows.swatch_id", "places.id")
      held = Following::Held.of(rows.filter_map { |row| row[7] }.uniq)
      of_swatches, of_places = inks(held.values.select(&:paint).map(&:id), rows.select { |row| row[6] }.map(&:last))
      rows.to_h do |key, role, kind, colour, server, opacity, compound, swatch_id, id|
        swatch = held[swatch_id]
        compound = swatch ? swatch.paint&.referring(of_swatches[swatch_id]) : compound&.referring(of_places[id])
        [[key, role], Magpie::Artwork::Paint.new(kind: compound ? :compound : Artwork::KINDS.fetch(kind), colour: swatch ? swatch.colour : colour, server:, opacity:, compound:, reference: (swatch_id unless compound))]
      end
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
