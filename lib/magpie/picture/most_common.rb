module Magpie
  class Picture
    # The colour that most pixels are close to: the fullest neighbourhood of an
    # OKLab grid, then the mean of what lies near its middle. One pass over the
    # pixels, so it costs the same for noise as for a flat field.
    module MostCommon
      # Side of a grid cell and radius of the neighbourhood, in ΔEOK; 0.02 is what
      # CSS Color 4 calls just noticeable.
      CELL = 0.02

      module_function

      # @param pixels [Array<Pixels::Pixel>] at least one
      # @return [Color] in sRGB
      def of(pixels)
        points = pixels.map { |pixel| [Color.new(:srgb_linear, pixel.linear).in(:oklab), pixel.count * pixel.alpha] }
        near = fullest(points)
        2.times { near = around(mean(near), points, near) }
        return Color.new(:srgb_linear, pixels[points.index(near.first)].linear).to(:srgb) if near.size == 1
        Color.new(:oklab, mean(near)).to(:srgb)
      end

      def fullest(points)
        cells = points.group_by { |lab, _| lab.map { |v| (v / CELL).floor } }
        weights = cells.transform_values { |members| members.sum(&:last) }
        offsets = [-1, 0, 1].product([-1, 0, 1], [-1, 0, 1])
        best = weights.keys.max_by { |cell| neighbours(cell, offsets).sum { |key| weights.fetch(key, 0) } + weights[cell] }
        neighbours(best, offsets).flat_map { |key| cells.fetch(key, []) }
      end

      def neighbours((l, a, b), offsets) = offsets.map { |dl, da, db| [l + dl, a + da, b + db] }

      def around(middle, points, otherwise)
        near = points.select { |lab, _| lab.zip(middle).sum { |v, m| (v - m)**2 } < CELL * CELL }
        near.empty? ? otherwise : near
      end

      def mean(points)
        weight = points.sum(&:last)
        (0..2).map { |axis| points.sum { |lab, w| lab[axis] * w } / weight }
      end
    end
  end
end
