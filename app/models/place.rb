# One fill or line of a part, or one gradient stop. It holds nothing, a colour, a
# gradient or pattern of its own or of its artwork, or follows a shared swatch. It may wear
# an outfit, and holds what that holds then; what an outfit holds are places of no artwork.
class Place < Record
  # A column that holds how a gradient lies, or a pattern: a Magpie::Artwork::Placing, or
  # Tiling.
  class PlacingType < ActiveRecord::Type::Json
    # @param data [Hash]
    def self.read(data) = (data.key?("from") ? Magpie::Artwork::Placing : Magpie::Artwork::Tiling).from_h(data)

    def deserialize(value) = value && PlacingType.read(JSON.parse(value))

    def cast(value) = value.is_a?(Hash) ? PlacingType.read(value) : value

    def serialize(value) = value && JSON.generate(value.to_h)

    def changed_in_place?(*) = false
  end

  belongs_to :artwork
  belongs_to :part
  belongs_to :outfit, optional: true
  belongs_to :variant, optional: true # of a board, of which it is the ground or a trim
  has_one :follow, -> { where(ink: nil) } # of a swatch, as it is
  has_one :swatch, through: :follow
  has_many :inks, -> { where.not(ink: nil) }, class_name: "Follow"

  attribute :colour, Record::ColourType.new
  attribute :paint, Swatch::PaintType.new
  attribute :laid, PlacingType.new

  # All that it holds, besides what it follows.
  HELD = %w[kind colour hex reference opacity paint laid settings outfit_id].freeze
  # What goes with it, where it is copied.
  COPIED = [*HELD, "remembered"].freeze
  # How one paint lies is nothing to another.
  EMPTY = {kind: "none", colour: nil, hex: nil, reference: nil, paint: nil, laid: nil, outfit_id: nil}.freeze
  # The columns of a place that follows a swatch: the value is the swatch's.
  PAINTED = {**EMPTY, kind: "colour"}.freeze

  # Places of artworks that have not been removed.
  scope :standing, -> { where(artwork_id: Artwork.where(removed_at: nil).select(:id)) }
  scope :following, ->(swatches) { joins(:follow).where(follows: {swatch_id: swatches}) }

  # All that a place follows, in one value, as SQL.
  # @param place [String] what the place is called there
  def self.ties(place) = "(SELECT array_agg((f.swatch_id, f.ink)::text ORDER BY f.ink) FROM follows f WHERE f.place_id = #{place}.id)"

  # With what its inks follow.
  def paint = super&.referring(inks.to_h { |tie| [tie.ink, tie.swatch_id] })

  def swatch_id = follow&.swatch_id

  # The columns that hold a paint as it came with an artwork.
  def self.holding(paint)
    {**EMPTY, kind: Artwork::KINDS.key(paint.kind), colour: paint.colour, hex: paint.colour&.hex, reference: paint.server, opacity: paint.opacity}
  end

  # The columns that hold a swatch's value as it is now, or a plain colour.
  # @param value [#colour, #paint] a swatch; or a colour
  def self.copying(value)
    return {**EMPTY, kind: "colour", colour: value, hex: value.hex} if value.is_a?(Magpie::Color)
    value.paint ? {**EMPTY, kind: "compound", paint: value.paint} : copying(value.colour)
  end
end
