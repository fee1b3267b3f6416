module Frame
  # How many requests are worked on at once in this process: of one person, so that nobody
  # else waits for them, and of all, so that the next one is told at once instead of waiting
  # in a row that nobody sees. What is beyond can be sent again.
  class InFlight
    # As many as browsers open to one host.
    OF_ONE = 6
    # Of one address, of those that have no mark yet.
    UNMARKED = 8
    # Fewer than there are threads, which leaves some to say so.
    OF_ALL = Integer(ENV.fetch("THREADS", "16")) * 3 / 4

    def initialize(app)
      @app = app
      @lock = Mutex.new
      @counts = Hash.new(0)
    end

    def call(env)
      mark = env["rack.session"]&.[]("visitor")
      person = mark || env["REMOTE_ADDR"].to_s
      return busy unless enter(person, mark ? OF_ONE : UNMARKED)
      begin
        @app.call(env)
      ensure
        leave(person)
      end
    end

    private

    def enter(person, most)
      @lock.synchronize do
        next false if @counts[person] >= most || @counts.values.sum >= OF_ALL
        @counts[person] += 1
      end
    end

    def leave(person) = @lock.synchronize { @counts.delete(person) if (@counts[person] -= 1).zero? }

    def busy = Door.line(503, "There is more to do here than can be done at once. Nothing was done; do it again in a moment", retry_after: "1")
  end
end
