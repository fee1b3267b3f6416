module Places
  module Mix
    # Even steps from another colour to this one, over a third if one is chosen.
    class Between < Panel
      def count = asked(:steps, 3, 0..12).round

      # Where nothing has moved yet, another swatch is the more useful beginning.
      # @return [Chip, nil] nil begins with the colour before
      def from
        return @from if defined?(@from)
        @from = chosen(:from) || (swatches.find { |each| each.hex != colour.hex } if @param[:from].nil? && before.hex == colour.hex)
      end

      def over = defined?(@over) ? @over : @over = chosen(:over)

      def title = "Between #{from ? from.name : "before"}#{" over #{over.name}" if over} and now"

      def steps = @steps ||= Magpie::Making::Between.steps([from&.colour || before, over&.colour, colour].compact, count)

      # ΔE00 of a step.
      def length = steps.each_cons(2).map { |a, b| Magpie::Difference.de2000(a, b) }.then { |lengths| lengths.sum / lengths.size }
    end
  end
end
