module Magpie
  module Limits
    # What may be spent on one file, counted before the work is done: what looks small
    # can ask for more than there is time or memory for. Every loop whose length a file
    # decides asks it.
    class Budget
      LOOK = 64 # spendings between two looks at the clock

      # @param seconds [Numeric] of this thread's processor time, so that a machine that is
      #   busy with others refuses nothing
      # @param most [Hash{Symbol => Integer}] what there may be of each, in the plural: how
      #   a person calls it, too
      def initialize(seconds:, **most)
        @seconds, @most = seconds, most
        @left = most.dup
        @until = now + seconds
        @spent = 0
      end

      # @param what [Symbol] a key of `most`
      # @raise [Exceeded] once there is no more of it, or no more time
      def spend(what, count = 1)
        left = (@left[what] -= count)
        raise Exceeded, "it comes to more than #{Text.thousands(@most[what])} #{what.to_s.tr("_", " ")}" if left < 0
        look if ((@spent += 1) % LOOK).zero?
      end

      # @raise [Exceeded] when there is no more time
      def look
        raise Exceeded, "it takes longer than #{@seconds} seconds to read" if now > @until
      end

      private

      def now = Process.clock_gettime(Process::CLOCK_THREAD_CPUTIME_ID)
    end
  end
end
