module Magpie
  class Palette
    # Pairs that are told apart at a glance, but hardly with a colour-vision
    # deficiency.
    module Confusable
      # ΔE00 that tells two colours apart at a glance.
      APART = 10.0
      # ΔE00 under which the two are hardly told apart any more, unless set.
      LIMIT = 3.0

      # @!attribute first, second [Integer] indices
      # @!attribute kind [Symbol] one of Vision::KINDS
      # @!attribute plain, seen [Float] ΔE00 without and with the deficiency
      Pair = Struct.new(:first, :second, :kind, :plain, :seen)

      module_function

      # @param colours [Array<Color>]
      # @param limit [Float] ΔE00 with the deficiency, at its full severity
      # @return [Array<Pair>] each pair once, with the deficiency that hides it most
      def pairs(colours, limit: LIMIT)
        return [] if colours.size < 2
        lab = Bulk.columns(colours.map { |colour| colour.in(:lab) })
        found = Vision::KINDS.flat_map { |kind| of_kind(colours, lab, kind, limit) }
        found.group_by { |pair| [pair.first, pair.second] }.map { |_, same| same.min_by(&:seen) }.sort_by { |pair| [pair.seen, pair.first, pair.second] }
      end

      def of_kind(colours, lab, kind, limit)
        alike = Twins.pairs(colours.map { |colour| Vision.seen(colour, kind) }, limit:)
        return [] if alike.empty?
        first, second = alike.transpose.first(2).map { |indices| lab.map { |column| column[indices].dup } }
        alike.zip(Bulk.de2000(first, second).to_a).filter_map { |(i, j, seen), plain| Pair.new(i, j, kind, plain, seen) if plain >= APART }
      end
    end
  end
end
