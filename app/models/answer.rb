# The answer to a form that was sent, by the form's key.
class Answer < Record
  self.primary_key = "key"

  # It was called off while it was under way: nothing of it stays.
  class CalledOff < Magpie::Error; end

  # Whatever the block writes and its answer are kept together or not at all. Who comes
  # with the same key meanwhile waits, and gets the same answer.
  # @yieldreturn [Hash] columns of the answer
  # @return [Answer, nil] the one that was given before; nil where the block was run
  def self.once(key)
    transaction do
      connection.execute(sanitize_sql(["SELECT pg_advisory_xact_lock(hashtextextended(?, 0))", key]))
      given = find_by(key:)
      next given if given
      answer = yield
      raise CalledOff, "It was called off, and nothing came in" if called_off?(key)
      insert!({key:, created_at: Time.now, **answer})
      nil
    end
  end

  # Nothing that is under way with this key may stay, or come later. It waits for what is
  # under way, since only then it is known; so it must not be part of a transaction.
  # @return [Boolean] false where it was done already
  def self.call_off(key)
    insert_all([{key: off(key), status: 499, headers: {}, body: "", created_at: Time.now}])
    transaction do
      connection.execute(sanitize_sql(["SELECT pg_advisory_xact_lock(hashtextextended(?, 0))", key]))
      !exists?(key:)
    end
  end

  # Long work asks on its way: what was said meanwhile is heard.
  def self.called_off?(key) = uncached { exists?(key: off(key)) }

  def self.off(key) = "off #{key}"
  private_class_method :off
end
