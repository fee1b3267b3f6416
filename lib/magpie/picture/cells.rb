module Magpie
  class Picture
    # A picture's own histogram: for every cell of the lattice that occurs, how many
    # pixels fall in it and their mean colour. All pixels count.
    class Cells
      attr_reader :index # the lattice's image, for finding cells in the picture again
      attr_reader :numbers # [Numo::Int32] lattice numbers of the occupied cells
      attr_reader :shares # [Numo::DFloat] of the pixels that have a colour; they add up to 1
      attr_reader :oklab # three columns

      # @param picture [Picture]
      # @raise [Magpie::Error] when no pixel has a colour
      def initialize(picture)
        working = picture.working
        @index = Lattice.whole.index(working).copy_memory
        counts = bytes(@index.hist_find, Numo::UInt32) # as long as the highest number
        @numbers = counts.ne(0).where
        @numbers = @numbers[@numbers < Lattice::CELLS]
        raise Error, "the picture is transparent everywhere: there is no colour to find" if @numbers.empty?
        counts = Numo::DFloat.cast(counts[@numbers])
        sums = bytes(working.image.hist_find_indexed(@index), Numo::DFloat).reshape(nil, 3)[@numbers, true]
        @oklab = Bulk.linear_to_oklab(working.linear((0..2).map { |band| sums[true, band] / counts }))
        @shares = counts / counts.sum
      end

      private

      def bytes(image, type) = type.from_binary(image.write_to_memory)
    end
  end
end
