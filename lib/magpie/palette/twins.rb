require "numo/narray"

module Magpie
  class Palette
    # All pairs of colours that are closer than a limit, by CIEDE2000.
    #
    # Only pairs that can be close are measured, see Library::Bound.
    module Twins
      LIMIT = 2.0
      OPACITY = 0.02 # by so much twins may differ in opacity
      NOTHING = [Numo::Int32[], Numo::Int32[], Numo::DFloat[]].freeze

      module_function

      # @param colours [Array<Color>]
      # @param limit [Float] ΔE00
      # @return [Array<[Integer, Integer, Float]>] indices, the lower first, and ΔE00;
      #   nearest first
      def pairs(colours, limit: LIMIT)
        return [] if colours.size < 2
        columns(Bulk.columns(colours.map { |colour| colour.in(:lab) }), colours.map(&:alpha), limit).map(&:to_a).transpose
      end

      # The same as three columns, for very many colours.
      # @param lab [Array<Numo::DFloat>] three columns
      # @param alphas [Array<Float>]
      # @return [[Numo::Int32, Numo::Int32, Numo::DFloat]]
      def columns(lab, alphas, limit)
        first, second, difference = near(lab, limit)
        return NOTHING if first.empty?
        alpha = Numo::DFloat.cast(alphas)
        alike = ((alpha[first] - alpha[second]).abs <= OPACITY).where
        return NOTHING if alike.empty?
        columns = [first, second, difference].map { |column| column[alike] }
        order = nearest_first(*columns)
        columns.map { |column| column[order] }
      end

      # One whole number for each pair, so that they are sorted in one go: ΔE00 in
      # millionths, then the indices (up to 2¹⁹ colours).
      def nearest_first(first, second, difference)
        return first if first.empty?
        (((Numo::Int64.cast((difference * 1e6).round) << 19 | first) << 19) | second).sort_index
      end

      # In no order.
      def near(lab, limit)
        order = Numo::Int32.cast(lab[0].sort_index)
        sorted = lab.map { |column| column[order].dup }
        first, second = candidates(sorted, limit)
        return NOTHING if first.empty?
        difference = Bulk.de2000(sorted.map { |column| column[first].dup }, sorted.map { |column| column[second].dup })
        close = (difference <= limit).where
        return NOTHING if close.empty?
        one, two = order[first[close]], order[second[close]]
        [Bulk.choose(one < two, one, two), Bulk.choose(one < two, two, one), difference[close]]
      end

      # Pairs of rows that can be within the limit, each against those that follow it
      # in lightness.
      # @return [[Numo::Int32, Numo::Int32]]
      def candidates(sorted, limit)
        count = sorted[0].size
        chroma = Bulk::NMath.hypot(sorted[1], sorted[2])
        pairs = (1...count).lazy.map { |away| level(sorted, chroma, away, limit) }.take_while { |rows| rows }
        pairs = pairs.with_index(1).map { |rows, away| [rows, rows + away] }.reject { |rows, _| rows.empty? }.to_a
        return [Numo::Int32[], Numo::Int32[]] if pairs.empty?
        pairs.transpose.map { |parts| Numo::Int32.cast(parts.flat_map(&:to_a)) }
      end

      # Rows whose neighbour so many places on can be close; nil when none is even
      # near in lightness, and so none farther on is.
      def level(sorted, chroma, away, limit)
        here, there = 0...(chroma.size - away), away...chroma.size
        light = (sorted[0][there] - sorted[0][here]) <= Library::Bound.lightness(limit)
        return nil unless light.any?
        reach = Library::Bound.across(limit, chroma[here] + chroma[there])
        da, db = [1, 2].map { |axis| sorted[axis][there] - sorted[axis][here] }
        (light & (da * da + db * db <= reach * reach)).where
      end
    end
  end
end
