module Magpie
  # OKLab and OKLCH on D65, lightness 0..1. Björn Ottosson, "A perceptual color
  # space for image processing", 2020, with the matrices of CSS Color 4.
  class Color
    XYZ_TO_LMS = [
      [0.8190224379967030, 0.3619062600528904, -0.1288737815209879],
      [0.0329836539323885, 0.9292868615863434, 0.0361446663506424],
      [0.0481771893596242, 0.2642395317527308, 0.6335478284694309]
    ].freeze
    LMS_TO_OKLAB = [
      [0.2104542683093140, 0.7936177747023054, -0.0040720430116193],
      [1.9779985324311684, -2.4285922420485799, 0.4505937096174110],
      [0.0259040424655478, 0.7827717124575296, -0.8086757549230774]
    ].freeze

    lms_to_xyz = Matrix.invert(XYZ_TO_LMS)
    oklab_to_lms = Matrix.invert(LMS_TO_OKLAB)

    define :oklab, base: :xyz_d65,
      to_base: ->(lab) { Matrix.apply(lms_to_xyz, Matrix.apply(oklab_to_lms, lab).map { |v| v**3 }) },
      from_base: ->(xyz) { Matrix.apply(LMS_TO_OKLAB, Matrix.apply(XYZ_TO_LMS, xyz).map { |v| Math.cbrt(v) }) },
      channels: {"Lightness" => [0..1.0], "a" => [-0.4..0.4], "b" => [-0.4..0.4]}

    define :oklch, base: :oklab,
      to_base: ->((l, c, h)) { [l, *Matrix.from_polar(c, h)] },
      from_base: ->((l, a, b)) { [l, *Matrix.to_polar(a, b, 1e-6)] },
      channels: {"Lightness" => [0..1.0], "Chroma" => [0..0.4], "Hue" => [0..360, "°"]},
      label: "OKLCH", scales: [["L", "Lightness", 0, 1, 0.001], ["C", "Chroma", 0, 0.37, 0.001], ["H", "Hue", 0, 360, 0.1]]
  end
end
