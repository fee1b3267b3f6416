# A drawing whose parts are dressed from the palettes.
class Artwork < Record
  belongs_to :project
  has_many :parts, -> { order(:position) }
  has_many :places

  def drawing = @drawing ||= Blob.bytes(template).force_encoding(Encoding::UTF_8)

  # {[part key, role] => Magpie::Artwork::Paint}; the block tells what stands in
  # for a place that follows a swatch.
  def paints
    rows = places.joins(:part).pluck("parts.key", :role, :kind, :colour, :reference, :opacity, :swatch_id)
    swatches = Swatch.where(id: rows.map(&:last).uniq.compact).index_by(&:id)
    rows.to_h do |key, role, kind, colour, reference, opacity, swatch_id|
      swatch = swatches[swatch_id]
      paint = Magpie::Artwork::Paint.new(kind: kind.to_sym, colour: swatch ? swatch.colour : colour, reference:, opacity:)
      paint.swatch = yield(swatch) if swatch && block_given?
      [[key, role], paint]
    end
  end

  # For a page; the prefix keeps the identifiers of several drawings apart.
  def live(prefix) = Magpie::Artwork::Rendering.live(drawing, paints(&:variable), prefix: "#{prefix}-#{id}-")

  def flat = Magpie::Artwork::Rendering.flat(drawing, paints)

  def linked
    names = SwatchNames.new
    Magpie::Artwork::Rendering.linked(drawing, paints { |swatch| names.of(swatch) })
  end

  # {artwork id => number of parts} in one query.
  def self.part_counts(ids) = Part.where(artwork_id: ids, kind: "part").group(:artwork_id).count

  def part_count = parts.where(kind: "part").count
end
