module Magpie
  class Palette
    # Pairs that are told apart at a glance, but hardly with a colour-vision
    # deficiency.
    module Confusable
      # ΔE00 that tells two colours apart at a glance.
      APART = 10.0
      # ΔE00 under which the two are hardly told apart any more, unless set.
      LIMIT = 3.0

      NOTHING = [*Twins::NOTHING, Numo::DFloat[]].freeze

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
        lab, alphas = Bulk.columns(colours.map { |colour| colour.in(:lab) }), colours.map(&:alpha)
        linear = Vision.shown(colours)
        columns = Vision::KINDS.map { |kind| of_kind(lab, Bulk.linear_to_lab(Vision.seen_linear(linear, kind)), alphas, limit) }
        kinds = columns.zip(Vision::KINDS).flat_map { |(first, *), kind| [kind] * first.size }
        first, second, seen, plain = columns.transpose.map { |parts| parts.reduce(:concatenate) }
        order = Twins.nearest_first(first, second, seen).to_a
        rows = [first, second, plain, seen].map(&:to_a)
        order.uniq { |row| rows[0][row] * colours.size + rows[1][row] }.map { |row| Pair.new(rows[0][row], rows[1][row], kinds[row], rows[2][row], rows[3][row]) }
      end

      # Columns of the pairs that look alike so, and are apart otherwise.
      def of_kind(lab, seen_lab, alphas, limit)
        first, second, seen = Twins.columns(seen_lab, alphas, limit)
        return NOTHING if first.empty?
        plain = Bulk.de2000(*[first, second].map { |indices| lab.map { |column| column[indices].dup } })
        apart = (plain >= APART).where
        return NOTHING if apart.empty?
        [first, second, seen, plain].map { |column| column[apart] }
      end
    end
  end
end
