module Magpie
  module Formats
    # Measured numbers as files hold them: no darker than black, no lighter than white, so
    # many decimals.
    module Rounded
      module_function

      # @return [Array<Float>] Lab
      def lab(colour, decimals = 4)
        lightness, a, b = colour.in(:lab)
        [lightness.clamp(0.0, 100.0), a.clamp(-200.0, 200.0), b.clamp(-200.0, 200.0)].map { |value| value.round(decimals) }
      end

      # @return [Array<Float>] XYZ on D50, Y of white 100
      def xyz(colour, decimals = 4) = colour.in(:xyz_d50).map { |value| (value * 100).clamp(0.0, 200.0).round(decimals) }

      # @return [Array<Float>] cyan, magenta, yellow and black in per cent: as they are given,
      #   or as the press makes them
      def inks(swatch, decimals = 2) = (swatch.inks || swatch.colour.in(:cmyk)).map { |ink| ink.round(decimals) }
    end
  end
end
