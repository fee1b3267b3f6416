# One fill or line of a part, or one gradient stop. It holds nothing, a colour, a
# gradient or pattern of its own or of its artwork, or follows a shared swatch.
class Place < Record
  belongs_to :artwork
  belongs_to :part
  belongs_to :swatch, optional: true

  attribute :colour, Record::ColourType.new
  attribute :paint, Swatch::PaintType.new

  EMPTY = {kind: "none", colour: nil, hex: nil, reference: nil, swatch_id: nil, paint: nil}.freeze

  # Places of artworks that have not been removed.
  scope :standing, -> { where(artwork_id: Artwork.where(removed_at: nil).select(:id)) }
  scope :stray, -> { standing.where(swatch_id: nil).where.not(hex: nil) }

  # The columns that hold a paint as it came with an artwork.
  def self.holding(paint)
    {**EMPTY, kind: paint.kind.to_s, colour: paint.colour, hex: paint.colour&.hex, reference: paint.reference, opacity: paint.opacity}
  end

  # The columns that follow a swatch.
  def self.following(swatch) = {**EMPTY, kind: "colour", swatch_id: swatch.id}

  # The columns that hold a swatch's value as it is now, or a plain colour.
  # @param value [#colour, #paint] a swatch; or a colour
  def self.copying(value)
    return {**EMPTY, kind: "colour", colour: value, hex: value.hex} if value.is_a?(Magpie::Color)
    value.paint ? {**EMPTY, kind: "compound", paint: value.paint} : copying(value.colour)
  end
end
