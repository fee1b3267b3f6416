module Magpie
  module Press
    # A colour as a press prints it.
    class Proof
      attr_reader :color

      # @param condition [Condition]
      # @param color [Color] with inks that were typed, or any other
      def initialize(condition, color) = (@condition, @color = condition, color)

      # Those that were typed, and otherwise those that the press needs.
      # @return [Array<Float>] four, 0..100
      def inks = @inks ||= typed? ? color.components : alone || @condition.from_lab(lab)

      # @return [Float] per cent
      def total_ink = inks.sum

      # More than one place may have?
      def too_much? = !@condition.limit.nil? && total_ink > @condition.limit + 0.05

      # @return [Array<Float>] Lab
      def printed = @printed ||= @condition.to_lab(inks)

      # On the paper's own white.
      # @return [Array<Float>] Lab
      def on_paper = @condition.to_lab(inks, paper: true)

      # ΔE00 between the colour and its print.
      # @return [Float]
      def de2000 = @de2000 ||= Difference::Ciede2000.of(lab, printed)

      # In the gamut of the press? What is kept on black ink is not asked whether other inks
      # would come closer.
      def inside? = difference_of_four <= OUTSIDE

      # Why it is on black ink alone.
      # @return [Symbol, nil] :black, :grey
      def alone_as
        return if typed?
        return :black if lab[0] <= Condition::BLACK && chroma <= Condition::BLACK
        :grey if @condition.greys && chroma <= Condition::GREY
      end

      # @return [Hash] for printing
      def to_h = {inks:, total_ink:, printed:, de2000:, inside: inside?}

      private

      def lab = @lab ||= color.in(:lab)

      def chroma = Math.hypot(lab[1], lab[2])

      def typed? = color.model == :cmyk

      def difference_of_four
        return de2000 if typed? || alone_as.nil?
        Difference::Ciede2000.of(lab, @condition.to_lab(@condition.from_lab(lab)))
      end

      def alone = {black: -> { [0.0, 0.0, 0.0, 100.0] }, grey: -> { [0.0, 0.0, 0.0, black_ink] }}[alone_as]&.call

      # As much as comes to the lightness; all of it where that is darker than black ink.
      def black_ink
        less, more = 0.0, 100.0
        30.times do
          middle = (less + more) / 2
          (@condition.to_lab([0.0, 0.0, 0.0, middle])[0] > lab[0]) ? less = middle : more = middle
        end
        more.round(4)
      end
    end
  end
end
