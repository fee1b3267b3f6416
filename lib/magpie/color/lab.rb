module Magpie
  # CIE Lab and LCh on D50, as in ICC profiles and CSS lab(). CIE 15:2004.
  class Color
    LAB_EPSILON = 216 / 24389.0
    LAB_KAPPA = 24389 / 27.0

    lab_to_xyz = lambda do |(l, a, b)|
      fy = (l + 16) / 116
      inverse = ->(f) { (f**3 > LAB_EPSILON) ? f**3 : (116 * f - 16) / LAB_KAPPA }
      y = (l > LAB_KAPPA * LAB_EPSILON) ? fy**3 : l / LAB_KAPPA
      [inverse.call(a / 500 + fy), y, inverse.call(fy - b / 200)].zip(WHITE_D50).map { |v, white| v * white }
    end

    xyz_to_lab = lambda do |xyz|
      fx, fy, fz = xyz.zip(WHITE_D50).map do |v, white|
        ratio = v / white
        (ratio > LAB_EPSILON) ? Math.cbrt(ratio) : (LAB_KAPPA * ratio + 16) / 116
      end
      [116 * fy - 16, 500 * (fx - fy), 200 * (fy - fz)]
    end

    define :lab, base: :xyz_d50, to_base: lab_to_xyz, from_base: xyz_to_lab,
      channels: {"Lightness" => [0..100], "a" => [-125..125], "b" => [-125..125]},
      label: "Lab", scales: [["L", "Lightness", 0, 100, 0.1], ["a", "a, green to red", -110, 110, 0.1], ["b", "b, blue to yellow", -110, 110, 0.1]]

    define :lch, base: :lab,
      to_base: ->((l, c, h)) { [l, *Matrix.from_polar(c, h)] },
      from_base: ->((l, a, b)) { [l, *Matrix.to_polar(a, b, 1e-6)] },
      channels: {"Lightness" => [0..100], "Chroma" => [0..150], "Hue" => [0..360, "°"]},
      label: "LCh", scales: [["L", "Lightness", 0, 100, 0.1], ["C", "Chroma", 0, 140, 0.1], ["H", "Hue", 0, 360, 0.1]]
  end
end
