module Magpie
  class Picture
    # What a probe found. `average` and `most_common` are colours, nil when every
    # pixel is transparent; `spread` is the mean ΔE00 to the average; `at` is the
    # probe's middle [x, y]; `probe` the side of its square; `transparent` how many
    # of its pixels have no colour at all.
    Reading = Struct.new(:average, :most_common, :spread, :at, :probe, :transparent, keyword_init: true) do
      # Limits of the mean ΔE00.
      const_set :EVEN, 1.5
      const_set :A_LITTLE_MIXED, 4.0

      def self.verdict(spread)
        return "even" if spread < self::EVEN
        (spread < self::A_LITTLE_MIXED) ? "a little mixed" : "mixed"
      end

      def verdict = self.class.verdict(spread)
    end
  end
end
