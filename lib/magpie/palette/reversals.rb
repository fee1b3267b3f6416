module Magpie
  class Palette
    # Where the lightness of a ramp turns back. A run of colours is a ramp when its
    # lightness goes mostly one way.
    module Reversals
      SHORTEST = 4
      # The way gained, over the way gone, from which a run is a ramp.
      ONE_WAY = 0.6
      # OKLab lightness by which a step has to turn back to count.
      STEP = 0.005

      module_function

      # @param colours [Array<Color>] in their order
      # @return [Array<Integer>] indices of the colours that turn back; empty where
      #   the run is no ramp or never turns
      def of(colours, step: STEP)
        return [] unless ramp?(colours)
        lightness = lightness(colours)
        way = (lightness.last >= lightness.first) ? 1 : -1
        (1...lightness.size).select { |index| (lightness[index] - lightness[index - 1]) * way < -step }
      end

      def ramp?(colours)
        return false if colours.size < SHORTEST
        steps = lightness(colours).each_cons(2).map { |one, two| two - one }
        gone = steps.sum(&:abs)
        gone > STEP * colours.size && steps.sum.abs / gone >= ONE_WAY
      end

      def lightness(colours) = colours.map { |colour| colour.in(:oklab).first }
    end
  end
end
