# A named colour in a group. The places that follow a shared swatch are its reach.
class Swatch < Record
  belongs_to :group
  belongs_to :find, optional: true
  has_many :places

  attribute :colour, Record::ColourType.new

  before_save { self.hex = colour.hex }

  def value = Magpie::Palette::Swatch.new(name:, colour:, shared:, note:, definition:)

  # The CSS custom property that its places follow in a page.
  def variable = "--swatch-#{id}"

  # {swatch id => number of places} for many swatches in one query.
  def self.reach(ids) = Place.standing.where(swatch_id: ids).group(:swatch_id).count
end
