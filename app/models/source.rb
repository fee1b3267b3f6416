# A picture or a captured screen that colours are read from.
class Source < Record
  include Readable

  # Pixels from which its tone is told: on the demo's pictures within 0.0002 of all of them.
  TONED = 200_000

  belongs_to :project
  has_many :finds

  # Sources of earlier versions have no facts: what they were was always plain.
  def plain? = facts.fetch("plain", true)

  # "JPEG, 8 bit, sRGB, 3.1 MB"
  def facts_in_words
    return "" if facts.empty?
    "#{facts["format"]}, #{facts["bits"]} bit, #{facts["space"]}, #{Magpie::Text.bytes(facts["bytes"])}"
  end

  # As #tone holds it.
  def self.tone_of(picture)
    Magpie::Picture::Tone.of(Magpie::Picture::Cells.new(picture.thinned(TONED))).to_h
  rescue Magpie::Error
    nil
  end
end
