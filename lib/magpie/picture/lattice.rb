module Magpie
  class Picture
    # Cuts a window of the working bands into 40 steps each, or as many as it has values, so
    # that every pixel gets a number below 64,000 that a table can be looked up with. Outside
    # the window, and where there is no colour, the number is NOWHERE.
    class Lattice
      STEPS = 40
      CELLS = STEPS**3
      NOWHERE = 65_535

      WHOLE = [[0, 255]] * 3

      # Steps of one that only tells where to look.
      FEW = 20

      # The one that spans everything.
      def self.whole = @whole ||= new

      def self.coarse = @coarse ||= new(steps: FEW)

      # @param window [Array<[Integer, Integer]>] lowest and highest value of each band
      # @param steps [Integer] at most, of each
      def initialize(window = WHOLE, steps: STEPS)
        @window = window
        @counts = window.map { |low, high| [high - low + 1, steps].min }
      end

      # @param working [Working]
      # @return [Vips::Image] one band of 16 bits: the number of each pixel's cell
      def index(working)
        number = working.image.maplut(table).bandmean.cast(:ushort) # saturates at NOWHERE
        working.visible ? working.visible.ifthenelse(number, NOWHERE) : number
      end

      # The middles of all cells, in the units of the bands.
      # @return [Array<Numo::DFloat>] three columns, at most of CELLS
      def middles = @middles ||= middles_of(Numo::Int32.new(@counts.reduce(:*)).seq)

      # @param numbers [Numo::Int32] of cells
      # @return [Array<Numo::DFloat>] three columns
      def middles_of(numbers)
        3.times.map { |band| (numbers / weight(band) % @counts[band] + 0.5) * width(band) + (@window[band][0] - 0.5) }
      end

      # Cells of a finer lattice that lie in some of this one's, or in what touches those.
      # @param numbers [Numo::Int32] of cells of this one
      # @param fine [Lattice] within this one's window
      # @return [Numo::Int32] numbers of the other's
      def covering(numbers, fine)
        near = Numo::Int32.zeros(*@counts)
        near[numbers] = 1
        3.times { |axis| near = with_neighbours(near, axis) }
        at = 3.times.map { |band| ((fine.values(band) - @window[band][0] + 0.5) / width(band)).floor.clip(0, @counts[band] - 1) * weight(band) }
        at = Numo::Int32.cast(at[0].reshape(at[0].size, 1, 1) + at[1].reshape(1, at[1].size, 1) + at[2].reshape(1, 1, at[2].size)).flatten
        near[at].ne(0).where
      end

      # The middles of a band's steps.
      # @return [Numo::DFloat]
      def values(band) = (Numo::DFloat.new(@counts[band]).seq + 0.5) * width(band) + (@window[band][0] - 0.5)

      # Values of a band for each step.
      def width(band) = @window[band].then { |low, high| (high - low + 1) / @counts[band].to_f }

      private

      # A table in which each cell has what it or a neighbour along an axis has.
      def with_neighbours(table, axis)
        before, after = [0...-1, 1..-1].map { |range| [true, true, true].tap { |at| at[axis] = range } }
        made = table.dup
        made[*before] |= table[*after]
        made[*after] |= table[*before]
        made
      end

      def weight(band) = @counts.drop(band + 1).reduce(1, :*)

      # Each value's share of a cell's number, three times, since the mean of the bands is a sum
      # that takes one pass.
      def table
        bands = @window.each_with_index.map do |(low, high), band|
          values = (0..255).map { |v| v.between?(low, high) ? ((v - low) / width(band)).floor * weight(band) : NOWHERE }
          ::Vips::Image.new_from_array([values.map { |value| value * 3 }]).cast(:uint)
        end
        bands[0].bandjoin(bands[1..])
      end
    end
  end
end
