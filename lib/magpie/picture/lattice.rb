module Magpie
  class Picture
    # Cuts a window of the working bands into 40 steps each, so that every pixel
    # gets a number below 64,000 that a table can be looked up with. Outside the
    # window, and where there is no colour, the number is NOWHERE.
    class Lattice
      STEPS = 40
      CELLS = STEPS**3
      NOWHERE = 65_535

      WHOLE = [[0, 255]] * 3

      # The one that spans everything.
      def self.whole = @whole ||= new

      # @param window [Array<[Integer, Integer]>] lowest and highest value of each band
      def initialize(window = WHOLE)
        @window = window
      end

      # @param working [Working]
      # @return [Vips::Image] one band of 16 bits: the number of each pixel's cell
      def index(working)
        parts = working.image.maplut(table).bandsplit
        number = (parts[0] + parts[1] + parts[2]).cast(:ushort) # saturates at NOWHERE
        working.visible ? working.visible.ifthenelse(number, NOWHERE) : number
      end

      # The middles of all cells, in the units of the bands.
      # @return [Array<Numo::DFloat>] three columns of CELLS
      def middles
        @middles ||= begin
          number = Numo::DFloat.new(CELLS).seq
          [(number / STEPS**2).floor, (number / STEPS).floor % STEPS, number % STEPS].zip(@window).map do |step, (low, high)|
            low + (step + 0.5) * width(low, high) - 0.5
          end
        end
      end

      private

      # At most one value of a band to a step.
      def width(low, high) = [(high - low + 1) / STEPS.to_f, 1.0].max

      def table
        bands = @window.each_with_index.map do |(low, high), band|
          weight = STEPS**(2 - band)
          values = (0..255).map { |v| v.between?(low, high) ? ((v - low) / width(low, high)).floor * weight : NOWHERE }
          ::Vips::Image.new_from_array([values]).cast(:ushort)
        end
        bands[0].bandjoin(bands[1..])
      end
    end
  end
end
