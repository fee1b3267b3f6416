module Magpie
  class Picture
    # Sums over the square window round each element of a table, by running sums: the
    # work does not grow with the window.
    module Boxes
      module_function

      # @param values [Numo::DFloat] rows × columns, or with more axes behind them
      # @param reach [Integer] elements each way; at the edge the window is what there is
      # @return [Numo::DFloat] of the same shape
      def sums(values, reach) = along(along(values, reach, 0), reach, 1)

      def along(values, reach, axis)
        size = values.shape[axis]
        reach = [reach, size - 1].min
        running = values.cumsum(axis:)
        part = ->(which) { Array.new(values.ndim) { |each| (each == axis) ? which : true } }
        sums = running.new_zeros
        sums[*part.call(0...(size - reach))] = running[*part.call(reach...size)]
        sums[*part.call((size - reach)...size)] = running[*part.call((size - 1)...size)] if reach > 0
        sums[*part.call((reach + 1)...size)] -= running[*part.call(0...(size - reach - 1))] if size > reach + 1
        sums
      end
    end
  end
end
