module Magpie
  # Hue in degrees, whiteness and blackness in per cent. CSS Color 4, section 8.
  class Color
    pure = ->(hue) { new(:hsl, [hue, 100, 50]).in(:srgb) }

    to_rgb = lambda do |(h, w, b)|
      w /= 100.0
      b /= 100.0
      next [w / (w + b)] * 3 if w + b >= 1
      pure.call(h).map { |c| c * (1 - w - b) + w }
    end

    define :hwb, base: :srgb, to_base: to_rgb,
      from_base: ->(rgb) { [HUE_OF_RGB.call(rgb), rgb.min * 100, (1 - rgb.max) * 100] },
      channels: {"Hue" => [0..360, "°"], "Whiteness" => [0..100, "%"], "Blackness" => [0..100, "%"]}
  end
end
