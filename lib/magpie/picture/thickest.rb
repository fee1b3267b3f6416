module Magpie
  class Picture
    # Where each of several colours lies thickest in a picture: the block that has
    # most of it in it and round it. All colours at once.
    class Thickest
      BLOCK = 8 # pixels along a side
      AROUND = 4 # blocks each way that count as round one
      FEW = 512

      # The same for one colour that hardly any pixel has: the pixel with most others
      # of it near.
      # @param mask [Numo::Bit] rows × columns, at least one set
      # @return [[Integer, Integer]] x, y
      def self.of_few(mask)
        found = mask.where
        found = found[(Numo::Int64.new(FEW).seq * found.size / FEW).to_a] if found.size > FEW
        y, x = found / mask.shape[1], found % mask.shape[1]
        near = [x, y].map { |at| (at.expand_dims(1) - at.expand_dims(0)).abs < BLOCK }.reduce(:&)
        best = near.count_true(axis: 1).max_index
        [x[best], y[best]]
      end

      # @param labels [Numo::UInt8] rows × columns: the number of each pixel's colour
      # @param count [Integer] of colours; other numbers are none of them
      def initialize(labels, count)
        @labels, @count = labels, count
      end

      # @return [Array<[Integer, Integer], nil>] x, y of the block's middle for each
      #   colour; nil where no pixel has it
      def to_a
        here = blocks
        round = 2.times.reduce(here) { |counts, _| Boxes.sums(counts, AROUND) } # twice is near a bell
        Array.new(@count) do |number|
          own = here[true, true, number]
          middle(*(round[true, true, number] * own.gt(0)).max_index.divmod(own.shape[1])) if own.max > 0
        end
      end

      private

      # How many pixels of each colour lie in each block: rows × columns × colours.
      def blocks
        high, wide = @labels.shape
        down, across = [high, wide].map { |side| side.fdiv(BLOCK).ceil }
        row = Numo::Int32.new(high, 1).seq / BLOCK
        column = Numo::Int32.new(1, wide).seq / BLOCK
        numbers = Numo::Int32.cast(@labels)
        numbers[numbers >= @count] = @count
        places = (row * across + column) * (@count + 1) + numbers
        Numo::DFloat.cast(places.flatten.bincount(minlength: down * across * (@count + 1))).reshape(down, across, @count + 1)
      end

      def middle(row, column) = [column, row].zip(@labels.shape.reverse).map { |at, side| [at * BLOCK + BLOCK / 2, side - 1].min }
    end
  end
end
