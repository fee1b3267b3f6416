module Magpie
  # Brings colours into the sRGB gamut by reducing OKLCH chroma until they are in it,
  # as CSS Color Module Level 4 describes, but without its shortcut of clipping what
  # is within ΔEOK 0.02: that turns the hue of dark and vivid colours by up to 40
  # degrees. Lightness, hue and opacity are kept.
  module Gamut
    # Conversions leave dust in the last digits; this much is still inside.
    TOLERANCE = 1e-6
    EPSILON = 0.0001

    module_function

    def srgb?(color)
      color.in(:srgb).all? { |c| c.between?(-TOLERANCE, 1 + TOLERANCE) }
    end

    # @return [Color] in sRGB, every component 0..1
    def to_srgb(color)
      return clip(color) if srgb?(color)
      lightness, chroma, hue = color.in(:oklch)
      return Color.new(:srgb, [1, 1, 1], color.alpha) if lightness >= 1
      return Color.new(:srgb, [0, 0, 0], color.alpha) if lightness <= 0
      clip(reduced(lightness, chroma, hue, color.alpha))
    end

    # The largest OKLCH chroma inside the sRGB gamut, to 0.0001.
    # @param lightness [Float] 0..1
    # @param hue [Float] degrees
    def most_chroma(lightness, hue)
      return 0.0 unless lightness.between?(0.0001, 0.9999)
      low, high = 0.0, 0.4
      while high - low > EPSILON
        middle = (low + high) / 2
        srgb?(Color.new(:oklch, [lightness, middle, hue])) ? low = middle : high = middle
      end
      low
    end

    # A colour of this lightness and hue, with as much of the chroma as the screen has.
    # @return [Color] in OKLCH
    def reduced(lightness, chroma, hue, alpha = 1.0)
      whole = Color.new(:oklch, [lightness, chroma, hue], alpha)
      srgb?(whole) ? whole : Color.new(:oklch, [lightness, [chroma, most_chroma(lightness, hue)].min, hue], alpha)
    end

    def clip(color)
      Color.new(:srgb, color.in(:srgb).map { |c| c.clamp(0.0, 1.0) }, color.alpha)
    end
  end
end
