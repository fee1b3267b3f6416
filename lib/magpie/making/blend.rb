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
        mean = ->(values, weighed) { values.zip(weighed).sum { |value, weight| value * weight } / weighed.sum.to_f }
        opaque = colors.zip(weights).map { |color, weight| color.alpha * weight } # what is less opaque colours less
        lab = colors.map { |color| color.in(:oklab) }.transpose.map { |values| mean.call(values, opaque.sum.zero? ? weights : opaque) }
        blended = Color.new(:oklab, lab, mean.call(colors.map(&:alpha), weights))
        Gamut.srgb?(blended) ? blended : Gamut.to_srgb(blended)
      end
    end
  end
end
