# A browser, by the random mark in its session, and the name that signs its changes.
class Visitor < Record
  self.primary_key = "mark"

  # @return [String, nil]
  def self.who(mark) = mark && find_by(mark:)&.who

  # @return [Hash{String => Object}] what was settled about shortcuts
  def self.keys(mark) = (mark && find_by(mark:)&.keys) || {}

  # @param keys [Hash{String => Object}]
  def self.keys!(mark, keys) = upsert({mark:, keys:, used_at: Time.now})

  def self.name!(mark, who) = upsert({mark:, who:, used_at: Time.now})
end
