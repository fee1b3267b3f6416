module Magpie
  module Making
    # One colour in the middle of several.
    module Blend
      module_function

      # The mean in OKLab, where the middle of two looks like the middle.
      # @param colors [Array<Color>] one or more
      # @param weights [Array<Numeric>, nil] how much each counts
      # @return [Color] in OKLab, brought into the screen's gamut
      # @raise [Magpie::Error]
      def of(colors, weights = nil)
        raise Error, "There is nothing to blend" if colors.empty?
        weights ||= [1] * colors.size
        total = weights.sum.to_f
        mean = ->(values) { values.zip(weights).sum { |value, weight| value * weight } / total }
        lab = colors.map { |color| color.in(:oklab) }.transpose.map(&mean)
        blended = Color.new(:oklab, lab, mean.call(colors.map(&:alpha)))
        Gamut.srgb?(blended) ? blended : Gamut.to_srgb(blended)
      end
    end
  end
end
