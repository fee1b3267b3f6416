# A reading that was taken: colours, and where they came from: a place in a source,
# or in an artwork, or somewhere on a screen.
class Find < Record
  belongs_to :project
  belongs_to :source, optional: true
  belongs_to :artwork, optional: true

  attribute :average, Record::ColourType.new
  attribute :most_common, Record::ColourType.new

  scope :kept, -> { where(removed_at: nil) }

  # The one of its two colours that is held, kept and shown.
  def colour = (chosen == "most_common") ? most_common : average

  def hex = colour.hex

  def verdict = Magpie::Picture::Reading.verdict(spread)

  def readable = source || artwork

  # Has it pixels to read again?
  def pixels? = !readable.nil? && %w[square round patch].include?(way)

  # Where it came from, in words.
  def origin
    of = "of #{readable.name}" if readable
    case way
    when "square" then "#{probe} × #{probe} px at #{x}, #{y} #{of}#{", as seen" if artwork}"
    when "round" then "#{count} drawn round, about #{x}, #{y} #{of}"
    when "patch" then "patch of #{count} from #{x}, #{y} #{of}, tolerance #{format("%g", tolerance)}"
    when "main" then "main colour #{of}, #{format("%.1f", share * 100)} % of it"
    when "fill", "line" then "#{part}’s own #{way} in #{readable.name}, whatever covers it"
    when "typed" then "typed or pasted as a notation"
    else "sampled from the screen"
    end
  end

  private

  def count = "#{pixels.to_s.gsub(/(?<=\d)(?=(\d{3})+\z)/, " ")} px"
end
