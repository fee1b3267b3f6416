module Places
  module Palettes
    # A ramp through several swatches, in steps that are even by ΔE.
    class Through
      # @param chosen [Array<Swatch>]
      # @param param [Frame::Asked] of the request
      def initialize(chosen, param)
        @chosen, @param = chosen, param
      end

      # From one swatch the ramp builder of Mix makes one.
      # @return [Swatch, nil]
      def single = (@chosen.first if @chosen.size == 1)

      def first = @chosen.first

      def anchors = @anchors ||= @chosen.reject(&:paint)

      def names = Magpie::Text.list(anchors.first(6).map(&:name))

      # Between the first and the last.
      def steps = @param.number(:steps, 3, 0..40).to_i

      def colours = @colours ||= (anchors.size > 1) ? Magpie::Making::Between.steps(anchors.map(&:colour), steps) : []

      def name = "#{anchors.first&.name} ramp"
    end
  end
end
