module Magpie
  class Picture
    # The outer edge of a connected mask as a polygon along the sides of its pixels.
    # A large mask is looked at coarsely: an outline is for the eye.
    module Outline
      FINEST = 400 # pixels along the longer side

      STEPS = [[1, 0], [0, 1], [-1, 0], [0, -1]].freeze # right, down, left, up

      module_function

      # @param mask [Vips::Image] 255 inside
      # @return [Array<[Integer, Integer]>] corners, clockwise from the top left
      def of(mask)
        step = (([mask.width, mask.height].max + FINEST - 1) / FINEST).clamp(1..)
        rows = coarse(mask, step).to_a.map { |row| row.map { |(value)| value > 0 } }
        trace(rows).map { |x, y| [[x * step, mask.width].min, [y * step, mask.height].min] }
      end

      # A coarse pixel is inside when any of its pixels is, so that nothing falls apart.
      def coarse(mask, step)
        return mask if step == 1
        wide, high = [mask.width, mask.height].map { |side| (side + step - 1) / step * step }
        (mask.embed(0, 0, wide, high) / 255.0).shrink(step, step, ceil: true) > 0
      end

      # Walks with the inside on the right hand. At a crossing where two pixels touch
      # by a corner it keeps to its own.
      def trace(rows)
        inside = ->((x, y)) { x >= 0 && y >= 0 && rows[y] && rows[y][x] }
        top = rows.index(&:any?)
        x, y = start = [rows[top].index(true), top]
        direction = 0
        corners = [start]
        loop do
          x, y = [x, y].zip(STEPS[direction]).map(&:sum)
          return corners if [x, y] == start
          left, right = ahead(x, y, direction).map(&inside)
          next if right && !left
          corners << [x, y]
          direction = (direction + (right ? -1 : 1)) % 4
        end
      end

      # The two pixels beyond a corner of the grid, left and right of the way on.
      def ahead(x, y, direction)
        above_left, above_right, below_left, below_right = [x - 1, y - 1], [x, y - 1], [x - 1, y], [x, y]
        [[above_right, below_right], [below_right, below_left], [below_left, above_left], [above_left, above_right]][direction]
      end
    end
  end
end
