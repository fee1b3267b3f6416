module Magpie
  module Walls
    # Keeps cells ready, and a new one for each that is gone. It has loaded what they need,
    # and never touches a file itself. It ends when the process that it works for does.
    class Keeper
      # Of the smallest kind, so that everything is loaded that reads one.
      DRAWING = '<svg xmlns="http://www.w3.org/2000/svg" width="1" height="1"><style>.a{fill:red}</style><g><rect class="a" width="1" height="1"/></g></svg>'
      TOKENS = '{"a":{"$type":"color","b":{"$value":"#000"}}}'

      # @param control [UNIXSocket] that work comes by
      # @param cells [Integer] how many stand ready, and so how many work at once
      # @param prepared [Boolean] is everything loaded before it is needed?
      def initialize(control, cells, prepared:)
        @control, @cells, @prepared = control, cells, prepared
      end

      def run
        %w[INT TERM].each { |signal| trap(signal, "SYSTEM_DEFAULT") }
        load_all if @prepared
        @cells.times { add }
        until Process.wait2.last.exitstatus == Cell::CLOSED
          add
        end
        exit!(0)
      end

      private

      def add = fork { Cell.wait(@control) }

      # Before the first fork, and without work for libvips, whose threads no fork inherits.
      def load_all
        Painters::Flat.of(Artwork.read(DRAWING))
        Formats.read(TOKENS)
        Formats.all.each(&:constants)
        [Painters::Grounds, Picture::Tone, Picture::Cells, Picture::Profile, Jobs, Channel]
        GC.start
      end
    end
  end
end
