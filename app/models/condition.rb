# A press condition of the house: a profile that ships or was brought in, and how colours come
# to it.
class Condition < Record
  INTENTS = {
    "relative" => "Relative: on paper white", "perceptual" => "Perceptual: keeps steps apart", "absolute" => "Absolute: paper white too", "saturation" => "Saturation: keeps it strong"
  }.freeze
  INK = (100.0..400.0) # per cent that a limit may be
  HOUSE = "condition" # the key of a Setting

  scope :standing, -> { where(removed_at: nil).order(:id) }

  # Those that come with the application, in a house that has none.
  def self.ship
    return if exists?
    Magpie::Press::SHIPPED.each { |key, (name, limit)| create!(shipped: key, name:, most_ink: limit) }
  end

  # The house's: the one that was chosen, or the first.
  # @return [Condition]
  def self.usual = standing.find_by(id: Setting.read(HOUSE)) || standing.first

  # Those that were made, by what they make: their transforms take a while.
  MADE = {}
  LOCK = Mutex.new
  MOST = 12
  private_constant :MADE, :LOCK, :MOST

  # @return [Magpie::Press::Condition]
  def press
    settings = {intent: intent.to_sym, black_point:, greys:, limit: most_ink}
    LOCK.synchronize do
      key = [shipped || sha256, name, settings]
      MADE.shift if MADE.size >= MOST && !MADE.key?(key)
      MADE[key] ||= Magpie::Press::Condition.new(name, profile, **settings)
    end
  end

  # @return [String] bytes
  def profile = shipped ? Magpie::Press.shipped[Magpie::Press::SHIPPED.keys.index(shipped)].profile : Blob.bytes(sha256)
end
