module Magpie
  class Picture
    # The pixels that a probe covers: a box in the picture and, where the probe is no
    # square, a mask of the box's size (255 covered, 0 not).
    class Region
      # Of larger regions so many pixels are read, spread evenly: the mean of noise
      # with a spread of ΔE 3 is then sure to 0.03.
      MOST_PIXELS = 16_384

      attr_reader :left, :top, :width, :height, :mask

      def initialize(left, top, width, height, mask = nil)
        @left, @top, @width, @height, @mask = left, top, width, height, mask
      end

      # How many pixels it covers.
      def count = @count ||= mask ? (mask.avg * width * height / 255.0).round : width * height

      # @param picture [Picture]
      # @return [Pixels]
      def pixels(picture)
        box = picture.image.crop(left, top, width, height)
        return Pixels.of(box) unless mask || count > MOST_PIXELS
        step = [Math.sqrt(count / (4.0 * MOST_PIXELS)).floor, 1].max
        Pixels.of(chosen(Pixels.every(step, box), mask && Pixels.every(step, mask)))
      end

      private

      # The covered pixels in a row, with the picture's own format and profile.
      def chosen(box, mask)
        rows = Pixels.numbers(box)
        covered = mask ? Pixels.numbers(mask)[true, 0].ne(0).where : Numo::Int32.new(rows.shape[0]).seq
        covered = covered[(Numo::Int64.new(MOST_PIXELS).seq * covered.size / MOST_PIXELS).to_a] if covered.size > MOST_PIXELS
        bytes = rows[covered, true].to_binary
        row = ::Vips::Image.new_from_memory_copy(bytes, covered.size, 1, box.bands, box.format).copy(interpretation: box.interpretation)
        Pixels.with_profile_of(box, row)
      end
    end
  end
end
