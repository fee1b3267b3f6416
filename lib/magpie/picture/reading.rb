module Magpie
  class Picture
    # What a probe found. `average` and `most_common` are colours, nil when every
    # pixel is transparent; `spread` is the mean ΔE00 to the average; `at` is the
    # probe's middle [x, y]; `pixels` how many it covers; `transparent` how many of
    # those that were read have no colour at all, as a share of the pixels.
    Reading = Struct.new(:average, :most_common, :spread, :at, :pixels, :transparent, keyword_init: true) do
      # Limits of the mean ΔE00.
      const_set :EVEN, 1.5
      const_set :A_LITTLE_MIXED, 4.0

      def self.verdict(spread)
        return "even" if spread < self::EVEN
        (spread < self::A_LITTLE_MIXED) ? "a little mixed" : "mixed"
      end

      # @param picture [Picture]
      # @param region [Region]
      # @return [Reading]
      def self.of(picture, region, at:)
        pixels = region.pixels(picture)
        seen = pixels.visible
        transparent = region.count * (pixels.size - seen.size) / pixels.size
        return new(spread: 0.0, at:, pixels: region.count, transparent:) if seen.size.zero?
        average = average(seen)
        new(average:, most_common: MostCommon.of(seen), spread: spread(seen, average), at:, pixels: region.count, transparent:)
      end

      # In linear light, as lenses and eyes add it up. A half transparent pixel
      # counts by half.
      def self.average(pixels)
        weight = pixels.alpha.sum
        coverage = weight / pixels.size
        Color.new(:srgb_linear, pixels.linear.map { |column| (column * pixels.alpha).sum / weight }, (coverage > 0.999) ? 1.0 : coverage).to(:srgb)
      end

      # Nine digits are more than arithmetic can vouch for, and a flat field has none.
      def self.spread(pixels, average) = Bulk.de2000(average.in(:lab), Bulk.linear_to_lab(pixels.linear)).mean.round(9)

      def verdict = self.class.verdict(spread)
    end
  end
end
