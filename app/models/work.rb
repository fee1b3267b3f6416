# How far long work of a person is. It is told outside the transaction that does the work,
# by a connection of its own, so that others see it.
class Work < Record
  self.primary_key = "mark"

  KEPT = 3600 # seconds that what is over is remembered

  # @param mark [String] that the page gave it
  def self.tell(mark, done, total)
    teller = Thread.new { connection_pool.with_connection { upsert({mark:, done:, total:, told_at: Time.now}) } }
    teller.report_on_exception = false
    teller.value
  end

  # @return [Array<Integer>, nil] done and total
  def self.state(mark) = where(mark:).pick(:done, :total)

  def self.forget(now: Time.now) = where(told_at: ...(now - KEPT)).delete_all
end
