# A drawing whose parts are dressed from the palettes.
class Artwork < Record
  include Readable

  # How places say what they hold, and how drawings do.
  KINDS = {"none" => :none, "colour" => :plain, "reference" => :server, "compound" => :compound}.freeze

  belongs_to :project
  has_many :parts, -> { order(:position) }
  has_many :places

  RATIOS = 0.02..50 # what a page can show

  # Width by height, as it is shown.
  def ratio = (width / height).clamp(RATIOS).round(5)
end
