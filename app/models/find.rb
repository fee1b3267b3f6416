# A reading that was taken: a colour, and the picture and place it came from.
class Find < Record
  belongs_to :project
  belongs_to :source

  attribute :colour, Record::ColourType.new
  attribute :most_common, Record::ColourType.new

  def hex = colour.hex

  def verdict = Magpie::Picture::Reading.verdict(spread)
end
