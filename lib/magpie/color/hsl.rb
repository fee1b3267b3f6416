module Magpie
  # Hue in degrees, saturation and lightness in per cent. CSS Color 4, section 7.
  class Color
    # Hue 0...360 of [r, g, b]; 0 for a grey.
    HUE_OF_RGB = lambda do |(r, g, b)|
      high = [r, g, b].max
      range = high - [r, g, b].min
      next 0.0 if range < 1e-12
      sixth = if high == r
        (g - b) / range
      elsif high == g
        (b - r) / range + 2
      else
        (r - g) / range + 4
      end
      sixth * 60 % 360
    end

    to_rgb = lambda do |(h, s, l)|
      s /= 100.0
      l /= 100.0
      amount = s * [l, 1 - l].min
      [0, 8, 4].map do |n|
        k = (n + h / 30.0) % 12
        l - amount * [k - 3, 9 - k, 1].min.clamp(-1, 1)
      end
    end

    from_rgb = lambda do |rgb|
      low, high = rgb.minmax
      l = (low + high) / 2
      room = [l, 1 - l].min
      s = ((high - low).abs < 1e-12 || room.abs < 1e-12) ? 0.0 : (high - l) / room
      # Outside the gamut saturation can come out negative: the opposite hue says the same.
      hue = HUE_OF_RGB.call(rgb)
      hue, s = (hue + 180) % 360, -s if s < 0
      [hue, s * 100, l * 100]
    end

    define :hsl, base: :srgb, to_base: to_rgb, from_base: from_rgb,
      channels: {"Hue" => [0..360, "°"], "Saturation" => [0..100, "%"], "Lightness" => [0..100, "%"]},
      label: "HSL", scales: [["H", "Hue", 0, 360, 1], ["S", "Saturation", 0, 100, 1], ["L", "Lightness", 0, 100, 1]]
  end
end
