module Magpie
  module Limits
    # What a reader may spend on one file, counted before the work is done: what looks
    # small can ask for more than there is time or memory for.
    class Budget
      # @param steps [Integer]
      # @param seconds [Numeric]
      # @param what [String] what a step is, in the plural
      def initialize(steps:, seconds:, what: "steps")
        @left = @steps = steps
        @what, @seconds = what, seconds
        @until = now + seconds
      end

      # @raise [Magpie::Error] once it is spent
      def spend(steps = 1)
        @left -= steps
        raise Error, "it comes to more than #{@steps} #{@what}" if @left < 0
        raise Error, "it takes longer than #{@seconds} seconds to read" if now > @until
      end

      private

      def now = Process.clock_gettime(Process::CLOCK_MONOTONIC)
    end
  end
end
