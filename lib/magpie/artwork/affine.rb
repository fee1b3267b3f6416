module Magpie
  class Artwork
    # An affine transformation of the plane as SVG has it: matrix(a b c d e f). What stands
    # first is done last.
    Affine = Struct.new(:a, :b, :c, :d, :e, :f)

    class Affine
      # Two systems of axes: where the origin lands, where (1, 0) does, and where (0, 1) does
      # as a multiple of that, turned by a quarter.
      # @param from, to [Array<Float>] points
      # @param squash [Float]
      def self.axes(from, to, squash = 1.0)
        across, down = to[0] - from[0], to[1] - from[1]
        new(across, down, -down * squash, across * squash, *from)
      end

      # @param text [String, nil] a transform attribute
      # @return [Affine]
      def self.parse(text)
        text.to_s.scan(CALL).reduce(IDENTITY) { |made, (name, numbers)| made * of(name, numbers.scan(Geometry::NUMBER).map(&:to_f)) }
      end

      # Where too few numbers are given, it does nothing.
      def self.of(name, numbers)
        one, two, three = numbers
        return IDENTITY if one.nil?
        case name
        when "matrix" then (numbers.size >= 6) ? new(*numbers.first(6)) : IDENTITY
        when "translate" then moved(one, two || 0.0)
        when "scale" then new(one, 0.0, 0.0, two || one, 0.0, 0.0)
        when "rotate" then three ? moved(two, three) * turned(one) * moved(-two, -three) : turned(one)
        when "skewX" then new(1.0, 0.0, Math.tan(one * Math::PI / 180), 1.0, 0.0, 0.0)
        when "skewY" then new(1.0, Math.tan(one * Math::PI / 180), 0.0, 1.0, 0.0, 0.0)
        end
      end

      def self.moved(across, down) = new(1.0, 0.0, 0.0, 1.0, across, down)

      # @param degrees [Float] with the clock
      def self.turned(degrees)
        turn = degrees * Math::PI / 180
        new(Math.cos(turn), Math.sin(turn), -Math.sin(turn), Math.cos(turn), 0.0, 0.0)
      end

      def *(other)
        Affine.new(a * other.a + c * other.b, b * other.a + d * other.b, a * other.c + c * other.d, b * other.c + d * other.d, *point(other.e, other.f))
      end

      # @return [Array<Float>]
      def point(across, down) = [a * across + c * down + e, b * across + d * down + f]

      def determinant = a * d - b * c

      # @return [Affine, nil] nil where everything lands on one line
      def inverse
        size = determinant
        return if size.abs < 1e-12
        Affine.new(d / size, -b / size, -c / size, a / size, (c * f - d * e) / size, (b * e - a * f) / size)
      end

      # The rectangle in which a rectangle lands.
      # @param box [Array<Float>] left, top, width, height
      # @return [Array<Float>] the same
      def box(box)
        left, top, width, height = box
        corners = [[left, top], [left + width, top], [left, top + height], [left + width, top + height]].map { |corner| point(*corner) }
        (x0, x1), (y0, y1) = corners.transpose.map(&:minmax)
        [x0, y0, x1 - x0, y1 - y0]
      end

      # As SVG writes it.
      def to_s = "matrix(#{to_a.map { |value| Affine.short(value) }.join(" ")})"

      IDENTITY = new(1.0, 0.0, 0.0, 1.0, 0.0, 0.0).freeze
      CALL = /(matrix|translate|scale|rotate|skewX|skewY)\s*\(([^)]*)\)/

      # Six figures are enough on any screen, and small numbers keep theirs.
      def self.short(value) = format("%.6g", value).then { |text| (text == "-0") ? "0" : text }
    end
  end
end
