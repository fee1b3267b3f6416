module Places
  module Deliver
    # What goes out where a library does: all of it.
    class LibraryGoing < Going
      # @return [Library, nil]
      attr_reader :library

      # @param desk [Frame::Desk]
      # @param library [Library, nil] nil where there is none
      def initialize(desk, library)
        super(desk)
        @library = library
      end

      def query = {library: @library.id}

      # @return [Array<Part>]
      def parts = @parts ||= @library ? [Part.new(@library, Magpie::Formats::Sending.new(@library.value, format, options.except("dark")))] : []
    end
  end
end
