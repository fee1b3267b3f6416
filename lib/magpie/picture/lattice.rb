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

      # The one that spans everything.
      def self.whole = @whole ||= new

      # @param window [Array<[Integer, Integer]>] lowest and highest value of each band
      # @param steps [Integer] at most, of each
      def initialize(window = WHOLE, steps: STEPS)
        @window = window
        @counts = window.map { |low, high| [high - low + 1, steps].min }
      end

      # @param working [Working]
      # @return [Vips::Image] one band of 16 bits: the number of each pixel's cell
      def index(working)
        parts = working.image.maplut(table).bandsplit
        number = (parts[0] + parts[1] + parts[2]).cast(:ushort) # saturates at NOWHERE
        working.visible ? working.visible.ifthenelse(number, NOWHERE) : number
      end

      # The middles of all cells, in the units of the bands.
      # @return [Array<Numo::DFloat>] three columns, at most of CELLS
      def middles
        @middles ||= begin
          number = Numo::DFloat.new(@counts.reduce(:*)).seq
          3.times.map do |band|
            step = (number / weight(band)).floor % @counts[band]
            @window[band][0] + (step + 0.5) * width(band) - 0.5
          end
        end
      end

      private

      # Values of a band for each step.
      def width(band) = @window[band].then { |low, high| (high - low + 1) / @counts[band].to_f }

      def weight(band) = @counts.drop(band + 1).reduce(1, :*)

      def table
        bands = @window.each_with_index.map do |(low, high), band|
          values = (0..255).map { |v| v.between?(low, high) ? ((v - low) / width(band)).floor * weight(band) : NOWHERE }
          ::Vips::Image.new_from_array([values]).cast(:ushort)
        end
        bands[0].bandjoin(bands[1..])
      end
    end
  end
end
