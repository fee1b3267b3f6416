module Magpie
  module Making
    # Mixing as paint does: reflectances in ten bands, mixed by Kubelka and Munk's
    # ratio of absorption to scattering. From RGB to reflectance as in Smits, "An RGB
    # to Spectrum Conversion for Reflectances", 1999 (his table of seven spectra, 380
    # to 720 nm); back with the colour matching functions of Wyman, Sloan, Shirley,
    # "Simple Analytic Approximations to the CIE XYZ Color Matching Functions", 2013.
    # The way there and back is coarse, so its error at both ends is taken off by share.
    module Paint
      BANDS = 10
      RANGE = (380.0..720.0)
      # Nothing reflects nothing, or its ratio would have no bounds.
      DARKEST = 0.002

      SPECTRA = {
        white: [1.0000, 1.0000, 0.9999, 0.9993, 0.9992, 0.9998, 1.0000, 1.0000, 1.0000, 1.0000],
        cyan: [0.9710, 0.9426, 1.0007, 1.0007, 1.0007, 1.0007, 0.1564, 0.0000, 0.0000, 0.0000],
        magenta: [1.0000, 1.0000, 0.9685, 0.2229, 0.0000, 0.0458, 0.8369, 1.0000, 1.0000, 0.9959],
        yellow: [0.0001, 0.0000, 0.1088, 0.6651, 1.0000, 1.0000, 0.9996, 0.9586, 0.9685, 0.9840],
        red: [0.1012, 0.0515, 0.0000, 0.0000, 0.0000, 0.0000, 0.8325, 1.0149, 1.0149, 1.0149],
        green: [0.0000, 0.0000, 0.0273, 0.7937, 1.0000, 0.9418, 0.1719, 0.0000, 0.0000, 0.0025],
        blue: [1.0000, 1.0000, 0.8916, 0.3323, 0.0000, 0.0000, 0.0003, 0.0369, 0.0483, 0.0496]
      }.freeze
      # For the smallest of red, green, blue: the spectrum of the other two together,
      # and for the next the spectrum of the largest.
      PAIRS = [:cyan, :magenta, :yellow].freeze
      SINGLES = [:red, :green, :blue].freeze

      module_function

      # @param share [Float] of the second, 0..1
      # @return [Color] opaque, in sRGB
      def mix(one, two, share)
        ends = [one, two].map { |color| Gamut.to_srgb(color).in(:srgb_linear) }
        spectra = ends.map { |rgb| reflectance(rgb) }
        mixed = spectra[0].zip(spectra[1]).map { |a, b| reflected(Mix.between(ratio(a), ratio(b), share)) }
        errors = ends.zip(spectra).map { |rgb, spectrum| rgb.zip(linear(spectrum)).map { |wanted, got| wanted - got } }
        rgb = linear(mixed).zip(*errors).map { |value, first, second| value + Mix.between(first, second, share) }
        Gamut.to_srgb(Color.new(:srgb_linear, rgb.map { |value| value.clamp(0.0, 1.0) }))
      end

      # @param rgb [Array<Float>] linear light, 0..1
      # @return [Array<Float>] BANDS reflectances
      def reflectance(rgb)
        low, middle, high = (0..2).sort_by { |i| rgb[i] }
        parts = [[:white, rgb[low]], [PAIRS[low], rgb[middle] - rgb[low]], [SINGLES[high], rgb[high] - rgb[middle]]]
        (0...BANDS).map { |band| parts.sum { |name, amount| SPECTRA[name][band] * amount }.clamp(DARKEST, 1.0) }
      end

      def ratio(reflectance) = (1 - reflectance)**2 / (2 * reflectance)

      def reflected(ratio) = 1 + ratio - Math.sqrt(ratio * ratio + 2 * ratio)

      # What the bands look like under a light in which a perfect white is white.
      def linear(spectrum) = RGB.map { |weights| weights.zip(spectrum).sum { |weight, value| weight * value } }

      # One lobe with different widths below and above its middle, in nm.
      def lobe(wave, middle, below, above) = Math.exp(-0.5 * ((wave - middle) / ((wave < middle) ? below : above))**2)

      # @return [Array<Float>] x, y and z of the 1931 observer
      def observer(wave)
        [1.056 * lobe(wave, 599.8, 37.9, 31.0) + 0.362 * lobe(wave, 442.0, 16.0, 26.7) - 0.065 * lobe(wave, 501.1, 20.4, 26.2),
          0.821 * lobe(wave, 568.8, 46.9, 40.5) + 0.286 * lobe(wave, 530.9, 16.3, 31.1),
          1.217 * lobe(wave, 437.0, 11.8, 36.0) + 0.681 * lobe(wave, 459.0, 26.0, 13.8)]
      end

      # For red, green and blue the weight of each band, so that all of white make 1.
      def weights
        width = (RANGE.end - RANGE.begin) / BANDS
        xyz = (0...BANDS).map { |band| (0...17).map { |step| observer(RANGE.begin + width * (band + (step + 0.5) / 17)) }.transpose.map(&:sum) }
        bands = xyz.map { |values| Color.new(:xyz_d65, values).in(:srgb_linear) }.transpose
        bands.map { |row| row.map { |value| value / row.zip(SPECTRA[:white]).sum { |a, b| a * b } } }
      end

      RGB = weights.freeze
      private_constant :RGB
    end
  end
end
