module Magpie
  module Walls
    # Messages over a socket, each with its length before it, with a limit to waiting.
    class Channel
      # The other side is gone, or does not answer in time.
      class Closed < StandardError; end

      LENGTH = "Q>" # of eight bytes
      PIECE = 256 * 1024 # bytes that are written or read at once
      LARGEST = 512 * 1024 * 1024 # bytes of one message

      def initialize(socket) = @socket = socket

      # @param message [Object] what can be marshalled
      # @param seconds [Numeric] by the clock
      # @raise [Closed]
      def send(message, seconds)
        bytes = Marshal.dump(message)
        limit = now + seconds
        write([bytes.bytesize].pack(LENGTH), limit)
        write(bytes, limit)
      rescue SystemCallError, IOError
        raise Closed
      end

      # @return [Object]
      # @raise [Closed]
      def receive(seconds)
        limit = now + seconds
        size = read(8, limit).unpack1(LENGTH)
        raise Closed if size > LARGEST
        Marshal.load(read(size, limit))
      rescue SystemCallError, IOError
        raise Closed
      end

      # @return [UNIXSocket]
      attr_reader :socket

      def close = @socket.close

      private

      def write(bytes, limit)
        done = 0
        while done < bytes.bytesize
          written = @socket.write_nonblock(bytes.byteslice(done, PIECE), exception: false)
          (written == :wait_writable) ? wait(limit) { |left| IO.select(nil, [@socket], nil, left) } : done += written
        end
      end

      def read(size, limit)
        found = String.new(capacity: size)
        while found.bytesize < size
          piece = @socket.read_nonblock([size - found.bytesize, PIECE].min, exception: false)
          raise Closed if piece.nil?
          (piece == :wait_readable) ? wait(limit) { |left| IO.select([@socket], nil, nil, left) } : found << piece
        end
        found
      end

      def wait(limit)
        left = limit - now
        raise Closed unless left > 0 && yield(left)
      end

      def now = Process.clock_gettime(Process::CLOCK_MONOTONIC)
    end
  end
end
