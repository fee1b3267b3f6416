module Places
  module Match
    # On press: what the project's press makes of a colour, and what can be done about it.
    class Press
      # Less than this in chroma or lightness is not worth a word.
      TOLD = 1.0

      # @return [Magpie::Color, nil] what is asked about
      attr_reader :colour
      # @return [Condition]
      attr_reader :condition

      # @param desk [Frame::Desk]
      # @param colour [Magpie::Color, nil]
      # @param condition [Condition]
      # @param entry [Entry, nil] of a library that the colour is, or is noted as
      def initialize(desk, colour, condition = desk.project.press, entry: nil)
        @desk, @colour, @condition, @entry = desk, colour, condition, entry
      end

      # @return [Array<Condition>]
      def all = @all ||= @desk.actor.conditions.to_a

      def house = @house ||= Condition.usual

      def own? = @desk.project.condition_id == condition.id

      # Is the paper's own white shown?
      def paper? = @desk.choices[:paper] == "on"

      # @return [Magpie::Press::Proof]
      def proof = @proof ||= on_press.proof(@colour)

      # What the print looks like on the screen.
      # @return [String] hex
      def seen(proof = self.proof) = proof.seen(paper: paper?).hex

      # @return [String]
      def paper = on_press.proof(Magpie::Color.new(:lab, [100.0, 0.0, 0.0])).seen(paper: paper?).hex

      # [["C", "69"], …]
      def inks(proof = self.proof) = %w[C M Y K].zip(proof.inks.map { |ink| ink.round.to_s })

      # Name and Lab of the ink that it is, where it is an entry of a library or noted as one.
      # @return [String, nil] "TF 088 Hearth clay, Lab 58.1 47.2 30.0"
      def spot = @entry && "#{@entry.in_words}, Lab #{@entry.colour.in(:lab).map { |value| format("%.1f", value) }.join(" ")}"

      def verdict
        return "Prints as typed" if proof.color.model == :cmyk
        proof.inside? ? "Inside the press's gamut" : "Outside the press's gamut by ΔE #{format("%.1f", proof.de2000)}"
      end

      # What is to be said of it.
      # @return [Array<String>]
      def remarks
        said = []
        said << "It is kept on the black ink alone, so that type stays sharp." if proof.alone_as == :black
        said << "A grey: it is kept on the black ink alone, as chosen." if proof.alone_as == :grey
        said << "The press's black is ΔE #{format("%.1f", proof.de2000)} lighter than the screen's." if proof.alone_as == :black && proof.de2000 > 1
        said << "These inks were typed: they go to the press as they are." if proof.color.model == :cmyk
        said << "It prints #{way(@colour, proof)}." unless proof.inside?
        said << "More ink than the #{proof.limit.round} % that one place may have." if proof.too_much?
        said
      end

      # The nearest that prints, where something does that is nearer than its own print.
      # @return [Array(Magpie::Press::Proof, Float), nil]
      def closest
        return @closest if defined?(@closest)
        @closest = (proof.inside? || proof.color.model == :cmyk) ? nil : on_press.closest(@colour).then { |found| found if found.last < proof.de2000 - 0.3 }
      end

      # How colours print, in words.
      # @param colours [Array<Magpie::Color>]
      # @return [Array<String>]
      def words(colours) = on_press.proofs(colours).map { |proof| proof.inside? ? "prints as it looks" : "#{way(proof.color, proof)} in print" }

      # What becomes of a colour that the press does not reach.
      # @return [String] "duller"
      def way(colour, proof)
        was, is = [colour.in(:lch), Magpie::Color.new(:lab, proof.printed).in(:lch)]
        return "duller" if was[1] - is[1] > TOLD
        return "lighter" if is[0] - was[0] > TOLD
        return "darker" if was[0] - is[0] > TOLD
        "otherwise"
      end

      def on_press = @on_press ||= OnPress.new(condition)
    end
  end
end
