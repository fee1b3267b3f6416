# What the whole installation shares, so that several servers on one database agree.
class Setting < Record
  self.primary_key = "key"

  # The value under a key; the block makes it the first time, whichever server asks.
  def self.fetch(key)
    find_by(key:)&.value || begin
      insert({key:, value: yield})
      find(key).value
    end
  end

  # @return [String, nil]
  def self.read(key) = where(key:).pick(:value)

  def self.write(key, value) = upsert({key:, value:})
end
