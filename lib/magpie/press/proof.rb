module Magpie
  module Press
    # A colour as a press prints it.
    #
    # @!attribute color [Color] with inks that were typed, or any other
    # @!attribute inks [Array<Float>] four, 0..100: those that were typed, and otherwise those that the press needs
    # @!attribute printed [Array<Float>] Lab
    # @!attribute on_paper [Array<Float>] Lab, on the paper's own white
    # @!attribute de2000 [Float] between the colour and its print
    # @!attribute alone_as [Symbol, nil] :black or :grey, where it is kept on black ink alone
    # @!attribute inside [Boolean] in the gamut of the press? What is kept on black ink is not
    #   asked whether other inks would come closer
    # @!attribute limit [Float, nil] per cent of ink that one place may have in all
    Proof = Struct.new(:color, :inks, :printed, :on_paper, :de2000, :alone_as, :inside, :limit, keyword_init: true)

    class Proof
      class << self
        # @param condition [Condition]
        # @param color [Color]
        # @return [Proof]
        def of(condition, color)
          lab, alone_as = color.in(:lab), alone_as(condition, color)
          inks = inks(condition, color, lab, alone_as)
          printed = condition.to_lab(inks)
          de2000 = Difference::Ciede2000.of(lab, printed)
          of_four = alone_as ? Difference::Ciede2000.of(lab, condition.to_lab(condition.from_lab(lab))) : de2000
          new(color:, inks:, printed:, on_paper: condition.to_lab(inks, paper: true), de2000:, alone_as:, inside: of_four <= OUTSIDE, limit: condition.limit)
        end

        private

        def alone_as(condition, color)
          return if color.model == :cmyk
          lightness, a, b = color.in(:lab)
          chroma = Math.hypot(a, b)
          return :black if lightness <= Condition::BLACK && chroma <= Condition::BLACK
          :grey if condition.greys && chroma <= Condition::GREY
        end

        def inks(condition, color, lab, alone_as)
          case alone_as
          when :black then [0.0, 0.0, 0.0, 100.0]
          when :grey then [0.0, 0.0, 0.0, condition.black_ink(lab[0])]
          else (color.model == :cmyk) ? color.components : condition.from_lab(lab)
          end
        end
      end

      # @return [Float] per cent
      def total_ink = inks.sum

      # More than one place may have?
      def too_much? = !limit.nil? && total_ink > limit + 0.05

      def inside? = inside

      # What it looks like.
      # @return [Color]
      def seen(paper: false) = Color.new(:lab, paper ? on_paper : printed, color.alpha)

      # @return [Hash] for printing
      def to_h = {inks:, total_ink:, printed:, de2000:, inside:}
    end
  end
end
