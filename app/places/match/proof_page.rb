module Places
  module Match
    # On press: a palette, or an artwork's colours, as two presses print them, side by side.
    class ProofPage
      include OfPalette

      MOST = 500 # rows
      SHOWN = 3 # artworks

      # A colour, and its prints.
      Row = Struct.new(:chip, :proofs)

      def hand_view = :proof_acts

      def conditions = @conditions ||= @desk.actor.conditions.to_a

      # The two: those that are asked for, or the project's and another.
      # @return [Array<Press>]
      def presses
        @presses ||= begin
          one = asked(:one) || @desk.project.press
          two = asked(:two) || conditions.find { |condition| condition != one } || one
          [one, two].map { |condition| Press.new(@desk, nil, condition) }
        end
      end

      # @return [Array<Row>]
      def rows = @rows ||= chips.first(MOST).then { |some| some.zip(*presses.map { |press| press.on_press.proofs(some.map(&:colour)) }) }.map { |chip, *proofs| Row.new(chip, proofs) }

      def shown = with_chips.first(SHOWN)

      # [[words, [number on the one, on the other]]]
      def sums
        [["Outside the gamut", ->(proof) { !proof.inside? }], ["More ink than fits", ->(proof) { proof.too_much? }], ["On black ink alone", ->(proof) { proof.alone_as }]].map do |words, test|
          [words, [0, 1].map { |side| rows.count { |row| test.call(row.proofs[side]) } }]
        end
      end

      private

      def asked(name) = conditions.find { |condition| condition.id == @param.id(name) }
    end
  end
end
