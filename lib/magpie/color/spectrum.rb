module Magpie
  # A reflectance spectrum as it was measured: nm of the first value, nm from one to the
  # next, and shares of light, 1 for all of it (more where something fluoresces).
  #
  # Its colour is what the 1931 observer (2°) sees under D50: the sum over 10 nm from 380
  # to 780 of reflectance times light times colour matching function. Source of both
  # tables: CIE 15:2004, T.4 (ISO/CIE 11664-1) and T.1 (D50); the way as in ISO 13655: what
  # was not measured at the ends is taken as the last value that was.
  Spectrum = Struct.new(:start, :step, :values) do
    # @raise [Magpie::Error] where it is no spectrum of visible light
    def self.checked(start, step, values)
      range = values.size.between?(4, 500) && start.between?(200, 780) && step.between?(0.5, 50) && start + step * (values.size - 1)
      raise Error, "a spectrum of #{Text.count(values.size, "value")} from #{start} nm by #{step} nm: expected 4 to 500 values, by 0.5 to 50 nm, that reach from 450 to 650 nm at least" unless range && start <= 450 && range >= 650
      raise Error, "a spectrum with a reflectance that is none: expected 0 to 10" unless values.all? { |value| value.is_a?(Numeric) && value.finite? && value.between?(-0.1, 10) }
      new(start, step, values)
    end

    # @return [Color] in CIE Lab
    def color
      seen = self.class::WAVES.map { |wave| at(wave) }
      Color.new(:xyz_d50, self.class::WEIGHTS.map { |weights| weights.zip(seen).sum { |weight, share| weight * share } }).to(:lab)
    end

    # The share at a wavelength, between those that were measured.
    def at(wave)
      place = ((wave - start) / step.to_f).clamp(0, values.size - 1)
      below = place.floor
      share = place - below
      share.zero? ? values[below] : values[below] * (1 - share) + values[below + 1] * share
    end
  end

  class Spectrum
    WAVES = (380..780).step(10).to_a.freeze
    X = [0.001368, 0.004243, 0.014310, 0.043510, 0.134380, 0.283900, 0.348280, 0.336200, 0.290800, 0.195360, 0.095640, 0.032010, 0.004900, 0.009300, 0.063270, 0.165500, 0.290400,
      0.433450, 0.594500, 0.762100, 0.916300, 1.026300, 1.062200, 1.002600, 0.854450, 0.642400, 0.447900, 0.283500, 0.164900, 0.087400, 0.046770, 0.022700, 0.011359, 0.005790,
      0.002899, 0.001440, 0.000690, 0.000332, 0.000166, 0.000083, 0.000042].freeze
    Y = [0.000039, 0.000120, 0.000396, 0.001210, 0.004000, 0.011600, 0.023000, 0.038000, 0.060000, 0.090980, 0.139020, 0.208020, 0.323000, 0.503000, 0.710000, 0.862000, 0.954000,
      0.994950, 0.995000, 0.952000, 0.870000, 0.757000, 0.631000, 0.503000, 0.381000, 0.265000, 0.175000, 0.107000, 0.061000, 0.032000, 0.017000, 0.008210, 0.004102, 0.002091,
      0.001047, 0.000520, 0.000249, 0.000120, 0.000060, 0.000030, 0.000015].freeze
    Z = [0.006450, 0.020050, 0.067850, 0.207400, 0.645600, 1.385600, 1.747060, 1.772110, 1.669200, 1.287640, 0.812950, 0.465180, 0.272000, 0.158200, 0.078250, 0.042160, 0.020300,
      0.008750, 0.003900, 0.002100, 0.001650, 0.001100, 0.000800, 0.000340, 0.000190, 0.000050, 0.000020, *[0.0] * 14].freeze
    D50 = [24.488, 29.871, 49.308, 56.513, 60.034, 57.818, 74.825, 87.247, 90.612, 91.368, 95.109, 91.963, 95.724, 96.613, 97.129, 102.099, 100.755, 102.317, 100.000, 97.735, 98.918,
      93.499, 97.688, 99.269, 99.042, 95.722, 98.857, 95.667, 98.190, 103.003, 99.133, 87.381, 91.604, 92.889, 76.854, 86.511, 92.580, 78.230, 57.692, 82.923, 78.274].freeze

    # XYZ of a perfect white is that of D50 to the last digit: what the sum over steps of
    # 10 nm misses of it (0.0003 of Z) is put on each function by share.
    WEIGHTS = [X, Y, Z].zip(Color::WHITE_D50).map do |function, white|
      weighted = function.zip(D50).map { |value, light| value * light }
      weighted.map { |value| value / weighted.sum * white }.freeze
    end.freeze
  end
end
