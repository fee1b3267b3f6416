# A rectangle, an ellipse or a word that is laid on an artwork to judge a colour. It is no
# part of it, and goes out with nothing.
class Patch < Record
  SHAPES = %w[rectangle ellipse word].freeze

  belongs_to :artwork

  attribute :colour, Record::ColourType.new
end
