require "numo/narray"

module Magpie
  # The same arithmetic as Color and Difference for many colours at once. Colours
  # are an array of three Numo::DFloat columns, one for each component, in the units
  # of the model; linear means linear light with sRGB primaries, not clipped.
  module Bulk
    NMath = Numo::NMath

    module_function

    # @param values [Array<Array<Float>>] rows of three
    def columns(values)
      rows = Numo::DFloat.cast(values).reshape(values.size, 3)
      (0..2).map { |axis| rows[true, axis].dup }
    end

    # @param values [Array<Float>]
    def column(values) = Numo::DFloat.cast(values)

    # sRGB 0..1 to linear light and back, the sign kept. IEC 61966-2-1.
    def srgb_to_linear(columns)
      odd(columns) { |c| choose(c <= 0.04045, c / 12.92, ((c + 0.055) / 1.055)**2.4) }
    end

    def linear_to_srgb(columns)
      odd(columns) { |c| choose(c > 0.0031308, 1.055 * c**(1 / 2.4) - 0.055, 12.92 * c) }
    end

    def linear_to_oklab(columns)
      lms = apply(LINEAR_TO_LMS, columns).map { |c| NMath.cbrt(c) }
      apply(Color::LMS_TO_OKLAB, lms)
    end

    def oklab_to_linear(columns)
      apply(LMS_TO_LINEAR, apply(OKLAB_TO_LMS, columns).map { |c| c**3 })
    end

    # To CIE Lab, D50.
    def linear_to_lab(columns)
      fx, fy, fz = apply(LINEAR_TO_XYZ_D50, columns).zip(Color::WHITE_D50).map do |c, white|
        ratio = c / white
        choose(ratio > Color::LAB_EPSILON, NMath.cbrt(ratio), (Color::LAB_KAPPA * ratio + 16) / 116)
      end
      [116 * fy - 16, 500 * (fx - fy), 200 * (fy - fz)]
    end

    def lab_to_linear((l, a, b))
      fy = (l + 16) / 116
      xyz = [fy + a / 500, fy, fy - b / 200].zip(Color::WHITE_D50).map do |f, white|
        cube = f**3
        choose(cube > Color::LAB_EPSILON, cube, (116 * f - 16) / Color::LAB_KAPPA) * white
      end
      apply(XYZ_D50_TO_LINEAR, xyz)
    end

    # ΔE00 between two sets of Lab colours, or between one set and one colour; the
    # equation numbers are those of Sharma, Wu, Dalal 2005.
    # @param one [Array] three columns, or three numbers
    # @param two [Array] three columns
    # @return [Numo::DFloat]
    def de2000(one, two)
      (l1, a1, b1), (l2, a2, b2) = [one, two].map { |lab| lab.map { |c| c.is_a?(Numeric) ? Numo::DFloat[c] : c } }
      stretch = 1.5 - 0.5 * chroma_weight((NMath.hypot(a1, b1) + NMath.hypot(a2, b2)) / 2) # (4)
      a1 *= stretch
      a2 *= stretch
      c1 = NMath.hypot(a1, b1) # (6)
      c2 = NMath.hypot(a2, b2)
      h1 = NMath.atan2(b1, a1) # (7), in radians
      h2 = NMath.atan2(b2, a2)
      grey = (c1 * c2).eq(0)
      turn = h2 - h1 # (10)
      turn -= 2 * Math::PI * (turn / (2 * Math::PI)).round
      mean_h = choose(grey, h1 + h2, h1 + turn / 2) # (14)
      terms(l1 + l2, l2 - l1, (c1 + c2) / 2, c2 - c1, 2 * NMath.sqrt(c1 * c2) * NMath.sin(turn / 2), mean_h)
    end

    def terms(sum_l, dl, mean_c, dc, dh, mean_h)
      off = (sum_l / 2 - 50)**2
      dl /= 1 + 0.015 * off / NMath.sqrt(20 + off) # (17)
      dc /= 1 + 0.045 * mean_c # (18)
      weight = 1 - 0.17 * NMath.cos(mean_h - 30 * DEGREE) + 0.24 * NMath.cos(2 * mean_h) +
        0.32 * NMath.cos(3 * mean_h + 6 * DEGREE) - 0.20 * NMath.cos(4 * mean_h - 63 * DEGREE) # (15)
      dh /= 1 + 0.015 * mean_c * weight # (19)
      degrees = mean_h / DEGREE
      degrees -= 360 * (degrees / 360).floor
      rotation = -2 * chroma_weight(mean_c) * NMath.sin(60 * DEGREE * NMath.exp(-((degrees - 275) / 25)**2)) # (16), (20), (21)
      NMath.sqrt(dl * dl + dc * dc + dh * dh + rotation * dc * dh) # (22)
    end

    # √(C⁷ / (C⁷ + 25⁷)), in (4) and (20).
    def chroma_weight(chroma)
      power = chroma**7
      NMath.sqrt(power / (power + 25.0**7))
    end

    def apply(rows, columns)
      rows.map { |a, b, c| columns[0] * a + columns[1] * b + columns[2] * c }
    end

    # The elements of one where the bits are set, of the other elsewhere.
    def choose(bits, one, other)
      other = other.dup
      other[bits] = one[bits]
      other
    end

    def odd(columns)
      columns.map do |c|
        magnitude = yield c.abs
        magnitude[c < 0] *= -1 if (c < 0).any?
        magnitude
      end
    end

    # The matrix of a step that is linear, from what it does to the three axes.
    def matrix(from, to)
      [[1, 0, 0], [0, 1, 0], [0, 0, 1]].map { |axis| Color.new(from, axis).in(to) }.transpose
    end

    DEGREE = Math::PI / 180
    LINEAR_TO_XYZ_D50 = matrix(:srgb_linear, :xyz_d50).freeze
    XYZ_D50_TO_LINEAR = matrix(:xyz_d50, :srgb_linear).freeze
    OKLAB_TO_LMS = Color::Matrix.invert(Color::LMS_TO_OKLAB).freeze
    LINEAR_TO_LMS = matrix(:srgb_linear, :xyz_d65).transpose.map { |axis| Color::Matrix.apply(Color::XYZ_TO_LMS, axis) }.transpose.freeze
    LMS_TO_LINEAR = Color::Matrix.invert(LINEAR_TO_LMS).freeze
  end
end
