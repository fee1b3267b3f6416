module Magpie
  # Brings colours into the sRGB gamut by reducing OKLCH chroma until they are in it,
  # as CSS Color Module Level 4 describes, but without its shortcut of clipping what
  # is within ΔEOK 0.02: that turns the hue of dark and vivid colours by up to 40
  # degrees. Lightness, hue and opacity are kept.
  #
  # The edge of sRGB is hollow toward blue: at lightness 0.45 and hue 264.05° chroma
  # 0.313 is inside, 0.27 to 0.31 is not, 0.26 is again. A colour in the hollow sticks
  # out by less than ΔEOK 0.001, which nobody sees, and is clipped: led back to 0.26, a
  # small step from blue would be a leap.
  module Gamut
    # Conversions leave dust in the last digits; this much is still inside.
    TOLERANCE = 1e-6
    EPSILON = 0.0001
    # Hues at which the edge is hollow, found by looking at every tenth of a degree.
    HOLLOW = 240.0..266.0
    # ΔEOK by which a colour may stick out while the far side of the hollow is looked
    # for, and how far below where that ends the far side may lie.
    UNSEEN = 0.001
    BELOW = 0.004

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
      at = ->(chroma) { Color.new(:oklch, [lightness, chroma, hue]) }
      near = bisect(0.0, 0.4) { |chroma| srgb?(at.call(chroma)) }
      return near unless HOLLOW.cover?(hue % 360)
      out = ->(chroma) { at.call(chroma).then { |color| Difference.ok(color, clip(color)) } }
      far = bisect(near, 0.4) { |chroma| out.call(chroma) < UNSEEN }
      far.step([near + UNSEEN, far - BELOW].max, -EPSILON).find { |chroma| out.call(chroma) < EPSILON } || near
    end

    # A colour of this lightness and hue, with as much of the chroma as the screen has.
    # @return [Color] in OKLCH
    def reduced(lightness, chroma, hue, alpha = 1.0)
      whole = Color.new(:oklch, [lightness, chroma, hue], alpha)
      return whole if srgb?(whole)
      reduced = Color.new(:oklch, [lightness, [chroma, most_chroma(lightness, hue)].min, hue], alpha)
      srgb?(reduced) ? reduced : clip(reduced).to(:oklch)
    end

    # Where between two numbers the block stops being true, to EPSILON.
    def bisect(low, high)
      while high - low > EPSILON
        middle = (low + high) / 2
        yield(middle) ? low = middle : high = middle
      end
      low
    end

    def clip(color)
      Color.new(:srgb, color.in(:srgb).map { |c| c.clamp(0.0, 1.0) }, color.alpha)
    end
  end
end
