module Magpie
  class Picture
    # Which pixels are read, in one of three ways. Each gives a Region.
    module Probe
      SIZES = [1, 3, 5, 11, 31].freeze
      TOLERANCES = (0.5..40)
      MOST_CORNERS = 4000

      module_function

      # A square of pixels round a place. At the picture's edge it is the part of the
      # square that lies inside.
      # @raise [Magpie::Error]
      def square(picture, x, y, size)
        raise Error, "the probe is #{size} px: expected #{SIZES[0..-2].join(", ")} or #{SIZES.last}" unless SIZES.include?(size)
        picture.check_inside(x, y)
        reach = size / 2
        left, top = [x - reach, 0].max, [y - reach, 0].max
        right, bottom = [x + reach, picture.width - 1].min, [y + reach, picture.height - 1].min
        Region.new(left, top, right - left + 1, bottom - top + 1)
      end

      # What lies inside a line drawn by hand. Where it crosses itself, the odd parts.
      # @param corners [Array<[Numeric, Numeric]>] in pixels, from the picture's top left
      # @raise [Magpie::Error]
      def round(picture, corners)
        raise Error, "an outline needs at least three corners and at most #{MOST_CORNERS}" unless corners.size.between?(3, MOST_CORNERS)
        (left, right), (top, bottom) = corners.transpose.zip([picture.width, picture.height]).map { |values, side| [values.min.floor.clamp(0, side), values.max.ceil.clamp(0, side)] }
        mask = outline(corners.map { |x, y| [x - left, y - top] }, right - left, bottom - top) if right > left && bottom > top
        raise Error, "the outline holds no pixel: draw it larger" unless mask && mask.max > 0
        Region.new(left, top, right - left, bottom - top, mask)
      end

      # The patch of like colour that grows from a pixel.
      # @param tolerance [Float] ΔE00
      # @return [Patch] a Region that knows its outline
      # @raise [Magpie::Error]
      def patch(picture, x, y, tolerance)
        raise Error, "the tolerance is #{tolerance}: expected 0.5 to 40" unless TOLERANCES.cover?(tolerance)
        picture.check_inside(x, y)
        Patch.grow(picture, x, y, tolerance)
      end

      # A pixel is inside when its middle is.
      def outline(corners, width, height)
        path = corners.map { |x, y| format("%.2f,%.2f", x, y) }.join(" ")
        drawing = %(<svg xmlns="http://www.w3.org/2000/svg" width="#{width}" height="#{height}"><polygon points="#{path}" fill-rule="evenodd" shape-rendering="crispEdges"/></svg>)
        (::Vips::Image.svgload_buffer(drawing, unlimited: true).extract_band(3) > 127).copy_memory
      end
    end
  end
end
