module Magpie
  class Picture
    # All the colours of a picture that has only a few: a palette that somebody drew.
    module Few
      LOOK = 20_000 # pixels that tell at once of most pictures that they have many

      module_function

      # @param image [Vips::Image] of 8 bits, sRGB, with opacity or without
      # @param thinned [Vips::Image] some of its pixels
      # @param most [Integer]
      # @return [Hash{Array<Integer> => Integer}, nil] pixels of each [red, green, blue,
      #   opacity], 0..255; nil where there are more than so many
      def of(image, thinned, most)
        known = numbers(thinned).to_a.uniq
        return if known.size > most
        counts, rest = {}, numbers(image)
        until rest.empty?
          value = known.shift || rest[0]
          same = rest.eq(value)
          counts[value] = same.count_true if same.count_true > 0
          return if counts.size > most
          rest = rest[(~same).where]
        end
        counts.transform_keys { |value| [value].pack("N").unpack("C4") }
      end

      # One whole number for each pixel.
      def numbers(image)
        image = image.bandjoin(255) unless image.has_alpha?
        bands = Numo::UInt8.from_binary(image.cast(:uchar).write_to_memory).reshape(image.width * image.height, 4)
        (0..3).map { |band| Numo::UInt32.cast(bands[true, band]) << (24 - 8 * band) }.reduce(:|)
      end
    end
  end
end
