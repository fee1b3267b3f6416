module Magpie
  # Hue in degrees, saturation and brightness in per cent (Smith 1978, "Color gamut
  # transform pairs"): brightness is the largest of red, green and blue.
  class Color
    to_rgb = lambda do |(h, s, b)|
      s /= 100.0
      b /= 100.0
      [5, 3, 1].map do |n|
        k = (n + h / 60.0) % 6
        b - b * s * [k, 4 - k, 1].min.clamp(0, 1)
      end
    end

    from_rgb = lambda do |rgb|
      low, high = rgb.minmax
      saturation = (high.abs < 1e-12) ? 0.0 : (high - low) / high
      [HUE_OF_RGB.call(rgb), saturation * 100, high * 100]
    end

    define :hsb, base: :srgb, to_base: to_rgb, from_base: from_rgb,
      channels: {"Hue" => [0..360, "°"], "Saturation" => [0..100, "%"], "Brightness" => [0..100, "%"]},
      label: "HSB", scales: [["H", "Hue", 0, 360, 1], ["S", "Saturation", 0, 100, 1], ["B", "Brightness", 0, 100, 1]]
  end
end
