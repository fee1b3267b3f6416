module Magpie
  class Palette
    # Empty slots between chips that lie in one line, and the colours that fill them
    # evenly. Slots are [across, down]; in Rows every group is a line of its own.
    module Gaps
      # @!attribute from, to [Object] keys of the chips at the ends
      # @!attribute slots [Array<[Integer, Integer]>] between them
      Gap = Struct.new(:from, :to, :slots)

      module_function

      # @param taken [Hash{[across, down] => key}]
      # @param chosen [Array] keys of the chips between which it is to be filled
      # @param ways [Array<Symbol>] :across, :down
      # @return [Array<Gap>] between each two chosen chips of a line that follow one
      #   another with nothing but empty slots between
      def between(taken, chosen, ways: [:across, :down])
        ways.flat_map do |way|
          line, along = (way == :across) ? [1, 0] : [0, 1]
          taken.keys.group_by { |slot| slot[line] }.values.flat_map { |slots| in_line(taken, chosen, slots.sort_by { |slot| slot[along] }, along) }
        end
      end

      def in_line(taken, chosen, slots, along)
        slots.each_cons(2).filter_map do |one, two|
          next unless chosen.include?(taken[one]) && chosen.include?(taken[two]) && two[along] - one[along] > 1
          Gap.new(taken[one], taken[two], (one[along] + 1...two[along]).map { |at| one.dup.tap { |slot| slot[along] = at } })
        end
      end

      # @return [Array<Color>] for as many slots, evenly by ΔE00
      def colours(from, to, count) = Making::Between.steps([from, to], count)[1..-2]
    end
  end
end
