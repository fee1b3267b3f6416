module Magpie
  class Color
    # Three by three arithmetic for the linear steps between models.
    module Matrix
      module_function

      # @param rows [Array<Array<Float>>] 3 × 3
      # @param v [Array<Float>] 3
      def apply(rows, v)
        rows.map { |a, b, c| a * v[0] + b * v[1] + c * v[2] }
      end

      # One after the other.
      # @return [Array<Array<Float>>] 3 × 3 that does what the second does to what the first did
      def times(second, first) = second.map { |row| first.transpose.map { |column| row.zip(column).sum { |a, b| a * b } } }

      # The inverse by cofactors, so that each pair of matrices undoes itself to
      # the last bit that floats can hold.
      def invert(rows)
        (a, b, c), (d, e, f), (g, h, i) = rows
        determinant = a * (e * i - f * h) - b * (d * i - f * g) + c * (d * h - e * g)
        [[e * i - f * h, c * h - b * i, b * f - c * e],
          [f * g - d * i, a * i - c * g, c * d - a * f],
          [d * h - e * g, b * g - a * h, a * e - b * d]].map { |row| row.map { |value| value / determinant } }
      end

      # A model that is a matrix away from its base: [to_base, from_base].
      def pair(rows)
        back = invert(rows)
        [->(v) { apply(rows, v) }, ->(v) { apply(back, v) }]
      end

      # Rectangular a, b from chroma and hue in degrees.
      def from_polar(chroma, hue)
        radians = hue * Math::PI / 180
        [chroma * Math.cos(radians), chroma * Math.sin(radians)]
      end

      # [chroma, hue in degrees 0...360]; the hue of a grey is 0.
      def to_polar(a, b, grey_below)
        chroma = Math.hypot(a, b)
        return [chroma, 0.0] if chroma < grey_below
        [chroma, Math.atan2(b, a) * 180 / Math::PI % 360]
      end
    end
  end
end
