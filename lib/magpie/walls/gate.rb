module Magpie
  module Walls
    # The way to the cells, for all threads of one process.
    class Gate
      TRIES = 3

      # @return [Integer] the process whose gate it is
      attr_reader :pid

      # What a cell answered.
      # @param outcome [Array] see Cell#outcome
      # @param name [String] of the file, for messages
      # @raise [Magpie::Error]
      def self.value(outcome, name)
        kind, *rest = outcome
        case kind
        when :done then rest.first
        when :refused then raise Error.new(rest[0], file: rest[1], place: rest[2])
        else raise broken(name, rest.first)
        end
      rescue Channel::Closed
        raise broken(name)
      end

      # @param mistake [String, nil] ours
      def self.broken(name, mistake = nil)
        warn "#{name}: #{mistake}" if mistake
        Broken.new("#{name} cannot be read: it makes the decoder stop, or asks for more than a file gets here, #{SECONDS} seconds and #{MEMORY / 1024 / 1024 / 1024} GB", file: name).tap { |error| error.mistake = mistake }
      end

      # @param command [Array<String>, nil] that starts a keeper; without one it is forked
      # @param env [Hash, nil]
      def initialize(command, env)
        @command, @env = command, env
        @pid = Process.pid
        @lock = Mutex.new
      end

      # @param job [Symbol] one of Jobs
      # @return what it answers
      # @raise [Magpie::Error]
      def work(job, name, given)
        channel = taken(name)
        channel.send([job, [*given, name]], WAIT)
        Gate.value(channel.receive(WAIT + 1), name)
      rescue Channel::Closed
        raise Gate.broken(name)
      ensure
        channel&.close
      end

      # @return [UNIXSocket] that work goes by
      def open = @lock.synchronize { @control ||= start }

      private

      # @return [Channel] to a cell that has taken it on
      def taken(name)
        TRIES.times do
          control = open
          channel = hand_over(control)
          return channel if channel.receive(QUEUE) == :taken
        rescue Channel::Closed
          waited = channel && IO.select([channel.socket], nil, nil, 0).nil?
          channel&.close
          break if waited
          renew(control)
        end
        raise Error.new("#{name} has to wait too long, since many large files are being read. Nothing was done; do it again in a moment", file: name)
      end

      # Passes on one end of a line to whichever cell is free first.
      def hand_over(control)
        ours, theirs = UNIXSocket.pair
        @lock.synchronize { control.send_io(theirs) }
        theirs.close
        Channel.new(ours)
      rescue SystemCallError, IOError
        ours&.close
        raise Channel::Closed
      end

      # The keeper is gone; or was, and another thread has seen to it.
      def renew(control)
        @lock.synchronize do
          next unless @control.equal?(control)
          control.close
          @control = nil
        end
      end

      def start
        ours, theirs = UNIXSocket.pair
        pid = @command ? spawn_keeper(theirs) : fork_keeper(ours, theirs)
        Process.detach(pid)
        theirs.close
        ours
      end

      def spawn_keeper(theirs)
        spawn(@env, *@command, theirs.fileno.to_s, theirs => theirs, :in => File::NULL, :err => File::NULL, :unsetenv_others => true)
      end

      def fork_keeper(ours, theirs)
        fork do
          ours.close
          Keeper.new(theirs, 1, prepared: false).run
        end
      end
    end
  end
end
