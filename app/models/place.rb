# One fill or line of a part, or one gradient stop. It holds nothing, a colour, a
# reference to a gradient or pattern, or follows a shared swatch.
class Place < Record
  belongs_to :artwork
  belongs_to :part
  belongs_to :swatch, optional: true

  attribute :colour, Record::ColourType.new

  # Places of artworks that have not been removed.
  scope :standing, -> { where(artwork_id: Artwork.where(removed_at: nil).select(:id)) }
  scope :stray, -> { standing.where(swatch_id: nil).where.not(hex: nil) }

  def paint
    colour = swatch&.colour || self.colour
    Magpie::Artwork::Paint.new(kind: colour ? :colour : kind.to_sym, colour:, reference:, opacity:)
  end

  # The columns that hold a paint.
  def self.holding(paint, swatch: nil)
    {kind: paint.kind.to_s, colour: paint.colour, hex: swatch ? nil : paint.colour&.hex, reference: paint.reference,
     opacity: paint.opacity, swatch_id: swatch&.id}
  end
end
