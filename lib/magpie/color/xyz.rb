module Magpie
  # CIE XYZ, Y of white = 1. D65 is the root that every model leads to; D50 is the
  # white of ICC and of CSS lab(). Source: CSS Color Module Level 4, sample code
  # (linear Bradford adaptation).
  class Color
    # White points from CIE xy 0.3127 0.3290 and 0.3457 0.3585.
    WHITE_D65 = [0.3127 / 0.3290, 1.0, (1.0 - 0.3127 - 0.3290) / 0.3290].freeze
    WHITE_D50 = [0.3457 / 0.3585, 1.0, (1.0 - 0.3457 - 0.3585) / 0.3585].freeze

    D50_TO_D65 = [
      [0.9554734527042182, -0.023098536874261423, 0.0632593086610217],
      [-0.028369706963208136, 1.0099954580058226, 0.021041398966943008],
      [0.012314001688319899, -0.020507696433477912, 1.3303659366080753]
    ].freeze

    xyz = {"X" => [0..1.0], "Y" => [0..1.0], "Z" => [0..1.0]}
    define :xyz_d65, channels: xyz
    to, from = Matrix.pair(D50_TO_D65)
    define :xyz_d50, channels: xyz, base: :xyz_d65, to_base: to, from_base: from
  end
end
