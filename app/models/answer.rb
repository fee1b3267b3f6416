# The answer to a form that was sent, by the form's key.
class Answer < Record
  self.primary_key = "key"

  # Whatever the block writes and its answer are kept together or not at all. Who comes
  # with the same key meanwhile waits, and gets the same answer.
  # @yieldreturn [Hash] columns of the answer
  # @return [Answer, nil] the one that was given before; nil where the block was run
  def self.once(key)
    transaction do
      connection.execute(sanitize_sql(["SELECT pg_advisory_xact_lock(hashtextextended(?, 0))", key]))
      given = find_by(key:)
      next given if given
      insert!({key:, created_at: Time.now, **yield})
      nil
    end
  end
end
