module Frame
  # When the database is asked for the same rows from two sides, or does not answer.
  # Whatever was begun is taken back, so it can be tried again.
  module Busy
    COLLISIONS = [ActiveRecord::TransactionRollbackError, ActiveRecord::LockWaitTimeout].freeze
    UNREACHABLE = [ActiveRecord::ConnectionNotEstablished, ActiveRecord::ConnectionFailed, ActiveRecord::ConnectionTimeoutError].freeze
    ERRORS = [*COLLISIONS, *UNREACHABLE].freeze
    TRIES = 4

    module_function

    # @yieldreturn [Array] Rack's answer
    # @return [Array] it; after some tries, one that says that it can be sent again
    def around(env)
      tries = 0
      begin
        yield
      rescue *COLLISIONS
        env["rack.input"]&.rewind if env["rack.input"].respond_to?(:rewind)
        retry if (tries += 1) < TRIES
        later("Others are changing the same things at this moment. Nothing was done; do it again")
      rescue *UNREACHABLE
        later("The database does not answer. Nothing was done; do it again in a moment")
      end
    end

    def later(words) = [503, {"content-type" => "text/plain; charset=utf-8", "retry-after" => "1"}, [words]]
  end
end
