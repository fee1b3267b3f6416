# A picture or a captured screen that colours are read from.
class Source < Record
  include Readable

  belongs_to :project
  has_many :finds

  # Sources of earlier versions have no facts: what they were was always plain.
  def plain? = facts.fetch("plain", true)

  # "JPEG, 8 bit, sRGB, 3.1 MB"
  def facts_in_words
    return "" if facts.empty?
    "#{facts["format"]}, #{facts["bits"]} bit, #{facts["space"]}, #{Magpie::Text.bytes(facts["bytes"])}"
  end
end
