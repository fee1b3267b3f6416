require "cgi"
require "vips"

module Magpie
  class Picture
    # A piece of material cut out of a picture, along an outline. Four corners of a straight
    # one may be straightened: what the camera saw aslant becomes a rectangle.
    class Piece
      LARGEST = 1200 # px of the longer side
      SMALLEST = 4 # px that an outline must be wide and high
      CORNERS = 3..2_000

      # @param image [::Vips::Image] 8 bits, sRGB
      # @param corners [Array<Array<Float>>] shares of width and height, 0..1
      # @param straightened [Boolean]
      # @raise [Magpie::Error]
      def initialize(image, corners, straightened: false)
        raise Error, "an outline has three corners or more, and not #{corners.size}" unless CORNERS.cover?(corners.size)
        raise Error, "four corners can be straightened, and not #{corners.size}" if straightened && corners.size != 4
        @image, @straightened = image, straightened
        @corners = corners.map { |x, y| [x.clamp(0.0, 1.0) * image.width, y.clamp(0.0, 1.0) * image.height] }
        raise Error, "the outline is too small to cut" if [across, down].min < SMALLEST
      end

      # @return [String] PNG
      def png
        piece = @straightened ? straight : masked
        longest = piece.size.max
        piece = piece.thumbnail_image(LARGEST, height: LARGEST, size: :down) if longest > LARGEST
        piece.pngsave_buffer(compression: 6, strip: true)
      end

      private

      def xs = @corners.map(&:first)

      def ys = @corners.map(&:last)

      def across = xs.max - xs.min

      def down = ys.max - ys.min

      # What lies outside is transparent, with an edge of one pixel between.
      def masked
        left, top = xs.min.floor, ys.min.floor
        width, height = [xs.max.ceil - left, @image.width - left].min, [ys.max.ceil - top, @image.height - top].min
        points = @corners.map { |x, y| "#{(x - left).round(2)},#{(y - top).round(2)}" }.join(" ")
        mask = ::Vips::Image.svgload_buffer(%(<svg xmlns="http://www.w3.org/2000/svg" width="#{width}" height="#{height}"><polygon points="#{points}"/></svg>))[3]
        piece = @image.crop(left, top, width, height)
        opaque = (piece.bands > 3) ? (piece[3] * mask / 255).cast(:uchar) : mask
        piece.extract_band(0, n: 3).bandjoin(opaque.crop(0, 0, width, height)).copy(interpretation: :srgb)
      end

      # By the projective map of a unit square onto the corners. Source: Heckbert 1989,
      # Fundamentals of texture mapping and image warping, 2.2.3.
      def straight
        corners = clockwise
        width, height = sides(corners)
        a, b, c, d, e, f, g, h = map(corners)
        place = ::Vips::Image.xyz(width, height).cast(:float)
        u, v = (place[0] + 0.5) / width, (place[1] + 0.5) / height
        below = u * g + v * h + 1
        index = ((u * a + v * b + c) / below - 0.5).bandjoin((u * d + v * e + f) / below - 0.5)
        @image.mapim(index, interpolate: ::Vips::Interpolate.new(:bicubic), extend: :copy).cast(:uchar).copy(interpretation: :srgb)
      end

      # From the corner that lies most to the top left.
      def clockwise
        middle = [xs.sum / 4, ys.sum / 4]
        sorted = @corners.sort_by { |x, y| Math.atan2(y - middle[1], x - middle[0]) }
        sorted.rotate(sorted.index(sorted.min_by { |x, y| x + y }))
      end

      # Mean lengths of opposite sides, in pixels.
      def sides(corners)
        lengths = corners.zip(corners.rotate).map { |one, two| Math.hypot(two[0] - one[0], two[1] - one[1]) }
        [(lengths[0] + lengths[2]) / 2, (lengths[1] + lengths[3]) / 2].map { |length| length.round.clamp(SMALLEST, 4 * LARGEST) }
      end

      def map(((x0, y0), (x1, y1), (x2, y2), (x3, y3)))
        sx, sy = x0 - x1 + x2 - x3, y0 - y1 + y2 - y3
        dx1, dx2, dy1, dy2 = x1 - x2, x3 - x2, y1 - y2, y3 - y2
        whole = dx1 * dy2 - dx2 * dy1
        raise Error, "the corners lie on one line" if whole.abs < 1e-6
        g, h = (sx * dy2 - dx2 * sy) / whole, (dx1 * sy - sx * dy1) / whole
        [x1 - x0 + g * x1, x3 - x0 + h * x3, x0, y1 - y0 + g * y1, y3 - y0 + h * y3, y0, g, h]
      end
    end
  end
end
