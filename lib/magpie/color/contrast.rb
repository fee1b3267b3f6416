module Magpie
  # Contrast as WCAG 2.2 defines it, from what a screen shows: what is not opaque lies
  # over its ground, and that over white.
  module Contrast
    module_function

    # Relative luminance, 0 black .. 1 white; of a translucent colour that over white.
    def luminance(color)
      Gamut.to_srgb(color.over(Color::WHITE)).in(:srgb_linear).zip([0.2126, 0.7152, 0.0722]).sum { |c, weight| c * weight }
    end

    # @param text, ground [Color] their order matters where the text is not opaque
    # @return [Float] 1..21
    def ratio(text, ground)
      low, high = [luminance(text.over(ground)), luminance(ground)].minmax
      (high + 0.05) / (low + 0.05)
    end

    # Which of black and white reads better on a colour: :black or :white.
    # (L + 0.05)² against 1.05 × 0.05 is where both ratios are equal.
    def ink_on(color) = ((luminance(color) + 0.05)**2 > 1.05 * 0.05) ? :black : :white
  end
end
