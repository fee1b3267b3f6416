module Places
  module Match
    # A board to look at and nothing else: all its variants, of which one is seen.
    class ShowPage
      # @return [Board]
      attr_reader :board
      # @return [String, nil] where Esc goes
      attr_reader :back

      # @param first [Integer, nil] the variant that is seen first
      # @yieldreturn [String] the address of its piece
      def initialize(board, first: nil, back: nil, &piece)
        @board, @first, @back, @piece = board, first, back, piece
      end

      def shown = @shown ||= ShownBoard.new(board)

      def variants = shown.variants

      def first?(variant) = (variants.find { |each| each.id == @first } || variants.first) == variant

      def drawing(variant) = shown.painter(variant, piece: @piece.call).svg
    end
  end
end
