module Magpie
  class Picture
    # The colour that most pixels are close to: the fullest neighbourhood of an
    # OKLab grid, then the mean of what lies near its middle.
    module MostCommon
      # Side of a grid cell and radius of the neighbourhood, in ΔEOK; 0.02 is what
      # CSS Color 4 calls just noticeable.
      CELL = 0.02
      # Numbers a cell: steps along one axis, with room for neighbours.
      SPAN = 256

      module_function

      # @param pixels [Pixels] at least one
      # @return [Color] in sRGB
      def of(pixels)
        points = Bulk.linear_to_oklab(pixels.linear)
        near = fullest(points, pixels.alpha)
        2.times { near = around(mean(points, pixels.alpha, near), points, near) }
        Color.new(:oklab, mean(points, pixels.alpha, near)).to(:srgb)
      end

      # @return [Numo::Int32] which points lie in the fullest cell and those beside it
      def fullest(points, weights)
        l, a, b = points.map { |column| Numo::Int32.cast((column / CELL).floor) + SPAN / 2 }
        cells = (l * SPAN + a) * SPAN + b
        sums = Hash.new(0.0)
        cells.to_a.zip(weights.to_a) { |cell, weight| sums[cell] += weight }
        steps = [-1, 0, 1].product([-1, 0, 1], [-1, 0, 1]).map { |dl, da, db| (dl * SPAN + da) * SPAN + db }
        best = sums.keys.max_by { |cell| steps.sum { |step| sums.fetch(cell + step, 0.0) } + sums[cell] }
        steps.map { |step| cells.eq(best + step) }.reduce(:|).where
      end

      def around(middle, points, otherwise)
        far = points.zip(middle).sum { |column, m| (column - m)**2 }
        near = (far < CELL * CELL).where
        near.empty? ? otherwise : near
      end

      def mean(points, weights, near)
        weight = weights[near]
        points.map { |column| (column[near] * weight).sum / weight.sum }
      end
    end
  end
end
