# A drawing whose parts are dressed from the palettes.
class Artwork < Record
  belongs_to :project
  has_many :parts, -> { order(:position) }
  has_many :places

  def drawing = @drawing ||= Blob.bytes(template).force_encoding(Encoding::UTF_8)

  # {[part key, role] => Magpie::Artwork::Paint}; the block tells what stands in
  # for a place that follows a swatch.
  def paints
    places.includes(:part, :swatch).to_h do |place|
      paint = place.paint
      paint.swatch = yield(place.swatch) if place.swatch && block_given?
      [[place.part.key, place.role], paint]
    end
  end

  # For a page; the prefix keeps the identifiers of several drawings apart.
  def live(prefix) = Magpie::Artwork::Rendering.live(drawing, paints(&:variable), prefix: "#{prefix}-#{id}-")

  def flat = Magpie::Artwork::Rendering.flat(drawing, paints)

  def linked
    names = SwatchNames.new
    Magpie::Artwork::Rendering.linked(drawing, paints { |swatch| names.of(swatch) })
  end

  def part_count = parts.where(kind: "part").count
end
