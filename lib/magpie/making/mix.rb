module Magpie
  module Making
    # A colour between two, by share. What is less opaque colours less (CSS Color 4,
    # section 12.3, premultiplied): halfway from red to nothing is red still.
    module Mix
      # How, and in which model: evenly for the eye, as light adds up, as opacity over
      # a ground does, as paint does.
      WAYS = {eye: :oklab, light: :srgb_linear, opacity: :srgb, paint: nil}.freeze

      module_function

      # @param share [Float] of the second colour, 0..1; 0 gives the first, 1 the second
      # @param way [Symbol] a key of WAYS
      # @return [Color]
      # @raise [Magpie::Error]
      def of(one, two, share, way: :eye)
        model = WAYS.fetch(way) { raise Error, "no such way of mixing: expected #{WAYS.keys.join(", ")}" }
        share = share.clamp(0.0, 1.0)
        return one if share.zero?
        return two if share == 1
        alpha = between(one.alpha, two.alpha, share)
        share = share * two.alpha / alpha unless alpha.zero?
        return Paint.mix(one, two, share).with(alpha:) unless model
        Color.new(model, one.in(model).zip(two.in(model)).map { |a, b| between(a, b, share) }, alpha)
      end

      # What is seen when a colour with its opacity lies over an opaque ground.
      # @return [Color] opaque, in sRGB
      def over(color, ground)
        Gamut.to_srgb(color).over(Gamut.to_srgb(ground).with(alpha: 1.0))
      end

      def between(a, b, share) = a + (b - a) * share
    end
  end
end
