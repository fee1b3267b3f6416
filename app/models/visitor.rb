# A browser, by the random mark in its session, and the name that signs its changes.
class Visitor < Record
  self.primary_key = "mark"

  # @return [String, nil]
  def self.who(mark) = mark && find_by(mark:)&.who

  def self.name!(mark, who) = upsert({mark:, who:, used_at: Time.now})
end
