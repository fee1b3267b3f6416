module Magpie
  # A reflectance spectrum as it was measured: nm of the first value, nm from one to the
  # next, and shares of light, 1 for all of it (more where something fluoresces).
  #
  # Its colour is what the 1931 observer (2°) sees under D50, as in ISO 13655: what was not
  # measured at the ends is taken as the last value that was.
  Spectrum = Struct.new(:start, :step, :values) do
    # @raise [Magpie::Error] where it is no spectrum of visible light
    def self.checked(start, step, values)
      range = values.size.between?(4, 500) && start.between?(200, 780) && step.between?(0.5, 50) && start + step * (values.size - 1)
      raise Error, "a spectrum of #{Text.count(values.size, "value")} from #{start} nm by #{step} nm: expected 4 to 500 values, by 0.5 to 50 nm, that reach from 450 to 650 nm at least" unless range && start <= 450 && range >= 650
      raise Error, "a spectrum with a reflectance that is none: expected 0 to 10" unless values.all? { |value| value.is_a?(Numeric) && value.finite? && value.between?(-0.1, 10) }
      new(start, step, values)
    end

    # @return [Color] in CIE Lab
    def color = Color.new(:xyz_d50, under(Light::D50)).to(:lab)

    # @param light [Light]
    # @return [Array<Float>] XYZ, of which a perfect white has the light's own
    def under(light)
      seen = light.waves.map { |wave| at(wave) }
      light.weights.map { |weights| weights.zip(seen).sum { |weight, share| weight * share } }
    end

    # The share at a wavelength, between those that were measured.
    def at(wave)
      place = ((wave - start) / step.to_f).clamp(0, values.size - 1)
      below = place.floor
      share = place - below
      share.zero? ? values[below] : values[below] * (1 - share) + values[below + 1] * share
    end
  end
end
