module Magpie
  # Contrast as WCAG 2.2 defines it, from the eight-bit colour that a screen shows.
  module Contrast
    module_function

    # Relative luminance, 0 black .. 1 white.
    def luminance(color)
      Gamut.to_srgb(color).in(:srgb_linear).zip([0.2126, 0.7152, 0.0722]).sum { |c, weight| c * weight }
    end

    # 1..21
    def ratio(a, b)
      low, high = [luminance(a), luminance(b)].minmax
      (high + 0.05) / (low + 0.05)
    end

    # Which of black and white reads better on a colour: :black or :white.
    # (L + 0.05)² against 1.05 × 0.05 is where both ratios are equal.
    def ink_on(color) = ((luminance(color) + 0.05)**2 > 1.05 * 0.05) ? :black : :white
  end
end
