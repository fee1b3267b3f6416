module Magpie
  module Vision
    # What looks the same to an eye that has adapted to one light as something does to an eye
    # that has adapted to another. CAT16: Li et al., "Comprehensive color solutions: CAM16,
    # CAT16, and CAM16-UCS", 2017; in two steps over equal energy where neither eye has
    # adapted wholly: Zhai and Luo, "Study of chromatic adaptation via neutral white matches
    # on different viewing media", 2018 (CIE 248:2022).
    module Adaptation
      # XYZ to cones.
      CONES = [[0.401288, 0.650173, -0.051461], [-0.250268, 1.204414, 0.045854], [-0.002079, 0.048952, 0.953127]].freeze
      EVEN = [1.0, 1.0, 1.0].freeze

      # What of a light the surround lets an eye take for white: CIECAM02 and CAM16.
      SURROUNDS = {average: 1.0, dim: 0.9, dark: 0.8}.freeze

      module_function

      # How far an eye adapts.
      # @param luminance [Float] cd/m² of what it adapts to
      # @param surround [Symbol] a key of SURROUNDS
      # @return [Float] 0 for not at all, 1 for wholly
      def degree(luminance, surround = :average) = (SURROUNDS.fetch(surround) * (1 - Math.exp((-luminance - 42) / 92.0) / 3.6)).clamp(0.0, 1.0)

      # @param xyz [Array<Float>] under the first light
      # @param from, to [Array<Float>] XYZ of both whites, in the same unit as the colour
      # @param adapted [Array<Float>] how far the eye has, to either
      # @return [Array<Float>] XYZ under the second
      def of(xyz, from:, to:, adapted: [1.0, 1.0]) = Color::Matrix.apply(matrix(from, to, adapted), xyz)

      # @return [Array<Array<Float>>] 3 × 3, on XYZ
      def matrix(from, to, adapted = [1.0, 1.0])
        gains = gains(from, adapted[0]).zip(gains(to, adapted[1])).map { |one, other| one / other }
        Color::Matrix.times(Color::Matrix.invert(CONES), CONES.zip(gains).map { |row, gain| row.map { |value| value * gain } })
      end

      # Of each cone, from a light to equal energy.
      def gains(white, adapted) = Color::Matrix.apply(CONES, white).zip(Color::Matrix.apply(CONES, EVEN)).map { |own, even| adapted * white[1] * even / own + 1 - adapted }
    end
  end
end
