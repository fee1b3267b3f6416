module Places
  module Match
    # A row of the table: a colour, and what it is matched to.
    #
    # @!attribute key [String] "s34" of a swatch, a hex of a stray
    # @!attribute chip [Chip, nil] the swatch
    # @!attribute candidates [Array<Near>] nearest first
    # @!attribute rank [Integer] which of them is taken
    # @!attribute ticked [Boolean]
    # @!attribute same_as [String, nil] the name of an earlier one that is matched to the same
    Pair = Struct.new(:key, :name, :colour, :css, :chip, :candidates, :rank, :ticked, :same_as, keyword_init: true)

    class Pair
      # Beyond it nothing is near.
      FAR = 5.0

      # @return [Near, nil] what is taken, if that is near
      def near = candidates[rank]&.then { |found| found if found.difference <= FAR }

      def near? = !near.nil?

      # What is written beside it.
      def remark
        return "nothing within ΔE #{FAR.round}" unless near?
        return "same as #{same_as}'s" if same_as
        near.words if near.difference >= 2
      end

      # Is there a next-best, or one before?
      def more? = (candidates[rank + 1]&.difference || Float::INFINITY) <= FAR

      def first? = rank.zero?
    end
  end
end
