module Magpie
  class Palette
    # Where the chips of a palette lie on its grid. Those that nobody has put
    # anywhere lie in rows, a group each, wrapped at the grid's width, below what
    # was put.
    module Grid
      WIDTHS = 1..60
      HEIGHTS = 1..200

      module_function

      # @param put [Hash{key => [across, down]}] what has a slot of its own, from 0
      # @param groups [Array<Array>] keys in their order, those with slots among them
      # @param width [Integer] columns
      # @return [Hash{key => [across, down]}] for all; no two alike
      def slots(put, groups, width)
        row = put.empty? ? 0 : put.values.map(&:last).max + 1
        groups.each_with_object(put.dup) do |keys, slots|
          keys.reject { |key| slots.key?(key) }.each_slice(width) do |line|
            line.each_with_index { |key, across| slots[key] = [across, row] }
            row += 1
          end
        end
      end

      # The size that shows everything, and at least what was set.
      # @return [[columns, rows]]
      def size(slots, columns, rows)
        [[columns, *slots.values.map { |across, _| across + 1 }].max, [rows, *slots.values.map { |_, down| down + 1 }].max]
      end
    end
  end
end
