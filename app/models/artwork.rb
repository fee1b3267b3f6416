# A drawing whose parts are dressed from the palettes.
class Artwork < Record
  include Readable

  # How places say what they hold, and how drawings do.
  KINDS = {"none" => :none, "colour" => :plain, "reference" => :server, "compound" => :compound}.freeze

  belongs_to :project
  has_many :parts, -> { order(:position) }
  has_many :places

  RATIOS = 0.02..50 # what a page can show

  # Places of parts, found by the few parts and not among the many places.
  # @param numbers [Array<Integer>] of parts
  def places_of(numbers) = Place.where(part_id: Part.where(artwork_id: id).numbered(numbers).ids)

  # Width by height, as it is shown.
  def ratio = (width / height).clamp(RATIOS).round(5)
end
