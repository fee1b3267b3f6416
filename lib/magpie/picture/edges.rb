require "numo/narray"

module Magpie
  class Picture
    # Where a mask changes, as paths. Coarse ones only: they are for the eye and the pointer.
    module Edges
      module_function

      # All sides between what is in and what is out, in runs.
      # @param mask [Numo::UInt8] rows of columns, 0 outside
      # @param left, top, width, height [Integer] where it lies in the picture
      # @return [String] the d of a path
      def path(mask, left, top, width, height)
        inside = framed(mask)
        across, down = scales(inside, width, height)
        flat = runs((inside[0...-1, true] - inside[1..-1, true]).abs).map { |row, from, to| "M#{at(left, from - 1, across)} #{at(top, row, down)}H#{at(left, to - 1, across)}" }
        upright = runs((inside[true, 0...-1] - inside[true, 1..-1]).abs.transpose.dup).map { |column, from, to| "M#{at(left, column, across)} #{at(top, from - 1, down)}V#{at(top, to - 1, down)}" }
        (flat + upright).join
      end

      # A rectangle for each run of a row.
      # @param (see .path)
      # @return [String] the d of a path
      def rows(mask, left, top, width, height)
        inside = framed(mask)
        across, down = scales(inside, width, height)
        runs(inside).map { |row, from, to| "M#{at(left, from - 1, across)} #{at(top, row - 1, down)}H#{at(left, to - 1, across)}V#{at(top, row, down)}H#{at(left, from - 1, across)}Z" }.join
      end

      # With nothing all round.
      def framed(mask)
        rows, columns = mask.shape
        Numo::Int8.zeros(rows + 2, columns + 2).tap { |inside| inside[1..rows, 1..columns] = Numo::Int8.cast(mask.ne(0)) }
      end

      def scales(inside, width, height) = [width.fdiv(inside.shape[1] - 2), height.fdiv(inside.shape[0] - 2)]

      # @param bits [Numo::Int8] 0 and 1
      # @return [Array<[Integer, Integer, Integer]>] row, first and behind the last of what is set
      def runs(bits)
        columns = bits.shape[1]
        padded = Numo::Int8.zeros(bits.shape[0], columns + 2).tap { |all| all[true, 1..columns] = bits }
        steps = padded[true, 1..-1] - padded[true, 0...-1]
        starts, ends = [1, -1].map { |step| steps.eq(step).where.to_a }
        starts.zip(ends).map { |from, to| [from / (columns + 1), from % (columns + 1), to % (columns + 1)] }
      end

      def at(begun, place, step) = (begun + place * step).round(1).then { |value| (value % 1).zero? ? value.to_i : value }
    end
  end
end
