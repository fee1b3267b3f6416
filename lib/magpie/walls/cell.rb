require "fiddle"

module Magpie
  module Walls
    # A process that does one piece of work and is gone. The system ends it when it wants
    # more than it may have: memory of its own (RLIMIT_DATA; files that libvips maps are
    # not counted), processor time (RLIMIT_CPU), time by the clock (alarm). It stands behind
    # everybody else (nice), and is the first to go when the machine runs out of memory.
    module Cell
      FILES = 4 * 1024 * 1024 * 1024 # bytes of the largest file that it may write
      NICE = 5 # a third of what others get; at 10 a tenth, and a large file waits for minutes
      CLOSED = 3 # exit status when there is nobody left to work for

      module_function

      # Waits for a piece of work, which comes as a socket to answer on.
      # @param control [UNIXSocket]
      def wait(control)
        socket = take(control)
        hush
        limit
        channel = Channel.new(socket)
        channel.send(:taken, WAIT)
        job, given = channel.receive(WAIT)
        channel.send(outcome { Jobs.public_send(job, *given) }, WAIT)
        exit!(0)
      rescue Channel::Closed
        exit!(1)
      end

      # @return [Array] :done and what it is; :refused and why; :broken and, where it was our
      #   own mistake, which
      def outcome
        [:done, yield]
      rescue Error => error
        [:refused, error.message, error.file, error.place]
      rescue NoMemoryError, SystemStackError
        [:broken]
      rescue => error
        [:broken, "#{error.class}: #{error.message[0, 300]} (#{error.backtrace.grep(/magpie/).first(3).join(", ")})"]
      end

      def take(control)
        control.recv_io(UNIXSocket)
      rescue SystemCallError, IOError, SocketError
        exit!(CLOSED)
      end

      # What dies says much that helps nobody.
      def hush = [$stdin, $stdout, $stderr].each { |stream| stream.reopen(File::NULL) }

      # Where less than that is allowed already, it stays; nobody but root may raise it.
      def limit
        {CORE: 0, FSIZE: FILES, DATA: MEMORY, CPU: SECONDS}.each { |what, most| Process.setrlimit(what, [most, Process.getrlimit(what).last].min) }
        stand_back
        end_after(WAIT)
      end

      # A container may have its own mind about memory.
      def stand_back
        Process.setpriority(Process::PRIO_PROCESS, 0, [NICE, Process.getpriority(Process::PRIO_PROCESS, 0)].max)
        File.write("/proc/self/oom_score_adj", "900")
      rescue Errno::EACCES, Errno::ENOENT, Errno::EPERM
        nil
      end

      # Signals as the system has them: Ruby's own would wait for what is stuck.
      def end_after(seconds)
        %w[ALRM XCPU].each { |signal| trap(signal, "SYSTEM_DEFAULT") }
        Fiddle::Function.new(Fiddle::Handle::DEFAULT["alarm"], [Fiddle::TYPE_INT], Fiddle::TYPE_INT).call(seconds)
      end
    end
  end
end
