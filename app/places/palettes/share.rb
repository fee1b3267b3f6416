module Places
  module Palettes
    # Sharing swatches: the places that hold their colours, exactly or nearly.
    class Share
      NEAR = 2.0 # ΔE00, unless another is asked for

      attr_reader :limit

      # @param chosen [Array<Swatch>]
      # @param param [Frame::Asked] of the request
      def initialize(actor, chosen, param)
        @chosen = chosen
        @limit = param.number(:limit, NEAR, Candidates::LIMITS)
        @candidates = Candidates.of(actor, chosen, limit: @limit)
      end

      def limit_in_words = Magpie::Notation::Forms.short(limit, 1)

      def one? = @chosen.size == 1

      def name = one? ? @chosen.first.name : "#{@chosen.size} swatches"

      # What is held: "exactly #E46F58", or in words of several.
      def held = one? ? @chosen.first.hex : "these colours"

      # {artwork => [Candidates::Row]}
      def rows = @rows ||= @candidates.by_artwork

      def exact = @exact ||= @candidates.exact

      def total = @total ||= @candidates.total
    end
  end
end
