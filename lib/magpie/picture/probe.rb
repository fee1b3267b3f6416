module Magpie
  class Picture
    # A square of pixels round a place. At the picture's edge it reads the part of
    # the square that lies inside.
    class Probe
      SIZES = [1, 3, 5, 11, 31].freeze

      # @raise [Magpie::Error]
      def initialize(picture, x, y, size)
        raise Error, "the probe is #{size} px: expected #{SIZES[0..-2].join(", ")} or #{SIZES.last}" unless SIZES.include?(size)
        unless x.between?(0, picture.width - 1) && y.between?(0, picture.height - 1)
          raise Error, "#{x}, #{y} lies outside the picture, which is #{picture.width} × #{picture.height}"
        end
        @picture, @x, @y, @size = picture, x, y, size
      end

      # @return [Reading]
      def reading
        pixels = Vips.call("the picture") { Pixels.of(crop) }
        visible = pixels.select { |pixel| pixel.alpha > 0 }
        transparent = pixels.sum(&:count) - visible.sum(&:count)
        return empty(transparent) if visible.empty?
        average = average(visible)
        Reading.new(average:, most_common: MostCommon.of(visible), spread: spread(visible, average),
          at: [@x, @y], probe: @size, transparent:)
      end

      private

      def empty(transparent) = Reading.new(spread: 0.0, at: [@x, @y], probe: @size, transparent:)

      def crop
        reach = @size / 2
        left, top = [@x - reach, 0].max, [@y - reach, 0].max
        right, bottom = [@x + reach, @picture.width - 1].min, [@y + reach, @picture.height - 1].min
        @picture.image.crop(left, top, right - left + 1, bottom - top + 1)
      end

      # In linear light, as lenses and eyes add it up. A half transparent pixel
      # counts by half.
      def average(pixels)
        weight = pixels.sum { |pixel| pixel.count * pixel.alpha }
        mean = (0..2).map { |band| pixels.sum { |pixel| pixel.linear[band] * pixel.count * pixel.alpha } / weight }
        coverage = weight / pixels.sum(&:count)
        Color.new(:srgb_linear, mean, (coverage > 0.999) ? 1.0 : coverage).to(:srgb)
      end

      def spread(pixels, average)
        middle = average.in(:lab)
        total = pixels.sum(&:count)
        pixels.sum { |pixel| Difference::Ciede2000.of(middle, Color.new(:srgb_linear, pixel.linear).in(:lab)) * pixel.count } / total
      end
    end
  end
end
