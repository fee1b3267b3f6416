module Magpie
  # Brings colours into the sRGB gamut by reducing OKLCH chroma until clipping is
  # no longer noticed (ΔEOK 0.02). Source: CSS Color Module Level 4, "CSS gamut
  # mapping algorithm". Hue and opacity are kept.
  module Gamut
    # Conversions leave dust in the last digits; this much is still inside.
    TOLERANCE = 1e-6
    JUST_NOTICEABLE = 0.02
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
      reduce(lightness, chroma, hue, color.alpha)
    end

    def reduce(lightness, chroma, hue, alpha)
      current = Color.new(:oklch, [lightness, chroma, hue], alpha)
      clipped = clip(current)
      return clipped if Difference.ok(clipped, current) < JUST_NOTICEABLE
      low = 0.0
      high = chroma
      low_is_inside = true
      while high - low > EPSILON
        middle = (low + high) / 2
        current = Color.new(:oklch, [lightness, middle, hue], alpha)
        if low_is_inside && srgb?(current)
          low = middle
          next
        end
        clipped = clip(current)
        difference = Difference.ok(clipped, current)
        if difference < JUST_NOTICEABLE
          return clipped if JUST_NOTICEABLE - difference < EPSILON
          low_is_inside = false
          low = middle
        else
          high = middle
        end
      end
      clip(current)
    end

    def clip(color)
      Color.new(:srgb, color.in(:srgb).map { |c| c.clamp(0.0, 1.0) }, color.alpha)
    end
  end
end
