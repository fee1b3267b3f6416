# A drawing whose parts are dressed from the palettes.
class Artwork < Record
  include Readable

  # How places say what they hold, and how drawings do.
  KINDS = {"none" => :none, "colour" => :plain, "reference" => :server, "compound" => :compound}.freeze

  belongs_to :project
  has_many :parts, -> { order(:position) }
  has_many :places
end
