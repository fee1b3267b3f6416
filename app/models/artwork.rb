# A drawing whose parts are dressed from the palettes.
class Artwork < Record
  include Readable

  belongs_to :project
  has_many :parts, -> { order(:position) }
  has_many :places

  def drawing = @drawing ||= Blob.bytes(template).force_encoding(Encoding::UTF_8)

  # {[part key, role] => Magpie::Artwork::Paint}; what follows a swatch refers to it
  # by its id.
  def paints
    rows = places.joins(:part).left_joins(:follow).pluck("parts.key", :role, :kind, :colour, :reference, :opacity, :paint, "follows.swatch_id", "places.id")
    swatches = Swatch.where(id: rows.map { |row| row[7] }.uniq.compact).includes(:inks).index_by(&:id)
    inks = Follow.where.not(ink: nil).where(place_id: rows.select { |row| row[6] }.map(&:last)).group_by(&:place_id)
    rows.to_h do |key, role, kind, colour, server, opacity, compound, swatch_id, id|
      swatch = swatches[swatch_id]
      compound = swatch ? swatch.paint : compound&.referring(inks.fetch(id, []).to_h { |tie| [tie.ink, tie.swatch_id] })
      [[key, role], Magpie::Artwork::Paint.new(kind: compound ? :compound : KINDS.fetch(kind), colour: swatch ? swatch.colour : colour, server:, opacity:, compound:, reference: (swatch_id unless compound))]
    end
  end

  # How places say what they hold, and how drawings do.
  KINDS = {"none" => :none, "colour" => :plain, "reference" => :server, "compound" => :compound}.freeze

  # For a page; the prefix keeps the identifiers of several drawings apart.
  def live(prefix) = Page::Painter.new(drawing, paints, prefix: "#{prefix}-#{id}-").to_s

  def flat = Magpie::Painters::Flat.new(drawing, paints).to_s

  def linked
    paints = self.paints
    names = Page::SwatchNames.of(Swatch.where(id: paints.values.filter_map(&:reference).uniq).order(:id))
    Magpie::Painters::Linked.new(drawing, paints, names:).to_s
  end

  # As a picture it is what is seen now: another drawing, another paint, another key.
  def key = @key ||= Artwork.keys([self]).fetch(id)

  attr_writer :key

  # {artwork id => key} in one query, and each told its own.
  def self.keys(artworks)
    rows = Place.where(artwork_id: artworks.map(&:id)).left_joins(:swatch).group(:artwork_id)
      .pluck(:artwork_id, Arel.sql("md5(string_agg(concat_ws('|', part_id, role, places.kind, COALESCE(swatches.colour, places.colour), COALESCE(swatches.paint, places.paint), reference, opacity), '/' ORDER BY part_id, role))")).to_h
    artworks.to_h { |artwork| [artwork.id, artwork.key = Digest::SHA256.hexdigest("#{artwork.template}#{rows[artwork.id]}")] }
  end

  def bytes = @bytes ||= flat

  def plain? = false

  # {artwork id => number of parts} in one query.
  def self.part_counts(ids) = Part.where(artwork_id: ids, kind: "part").group(:artwork_id).count

  def part_count = parts.where(kind: "part").count
end
