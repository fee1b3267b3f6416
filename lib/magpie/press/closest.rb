require "numo/narray"

module Magpie
  module Press
    # The inks whose print comes closest to a colour by ΔE00, within the limit of ink. A
    # profile's own way in keeps the relations of a picture, and is accurate to its tables;
    # this begins there and goes on, in steps that grow smaller, as long as a step helps.
    class Closest
      FIRST, LAST = 16.0, 0.06 # per cent of ink
      ROUNDS = 200
      # One ink more or less, and one in the place of another.
      STEPS = (0..3).flat_map { |ink| [1, -1].map { |sign| Array.new(4) { |each| (each == ink) ? sign : 0 } } } +
        (0..3).to_a.permutation(2).map { |more, less| Array.new(4) { |each| {more => 1, less => -1}.fetch(each, 0) } }
      private_constant :STEPS

      # @param condition [Condition]
      # @param lab [Array<Float>]
      def initialize(condition, lab)
        @condition, @lab = condition, lab
        @steps = Numo::DFloat[*STEPS]
      end

      # @return [Array<Float>] four inks, 0..100
      def inks = found[0]

      # @return [Float] ΔE00
      def de2000 = found[1]

      private

      def found = @found ||= starts.map { |inks| descend(inks) }.min_by(&:last)

      # As the profile has it, and without its black, since some profiles lay more than it takes.
      def starts
        inks = @condition.from_lab(@lab)
        [inks, [*inks.first(3), 0.0]].uniq.map { |each| within_limit(each) }
      end

      def within_limit(inks)
        limit = @condition.limit
        (limit && inks.sum > limit) ? inks.map { |ink| ink * limit / inks.sum } : inks
      end

      def descend(inks)
        best, step = Difference::Ciede2000.of(@lab, @condition.to_lab(inks)), FIRST
        ROUNDS.times do
          break if step < LAST || best < 0.01
          tried = neighbours(inks, step)
          differences = Bulk.de2000(@lab, @condition.printed_inks((0..3).map { |ink| tried[true, ink].dup }))
          nearest = differences.min_index
          next step /= 2 unless differences[nearest] < best - 1e-6
          inks, best = tried[nearest, true].to_a, differences[nearest]
        end
        [inks, best]
      end

      # @return [Numo::DFloat] rows of four
      def neighbours(inks, step)
        tried = (@steps * step + Numo::DFloat[inks]).clip(0.0, 100.0)
        return tried unless @condition.limit
        kept = (tried.sum(axis: 1) <= [@condition.limit, inks.sum].max + 1e-9).where
        kept.empty? ? Numo::DFloat[inks] : tried[kept, true]
      end
    end
  end
end
