module Magpie
  class Picture
    # A region that grew from a pixel over all neighbours within a tolerance.
    class Patch < Region
      # Half the side of the square whose mean is the colour to be like, so that one
      # noisy pixel does not decide.
      SEED_REACH = 1
      # A coarse search of the whole space tells how far the tolerance goes.
      SPARE = 1.25

      # @param tolerance [Float] ΔE00
      # @return [Patch]
      # @raise [Magpie::Error] where there is no colour
      def self.grow(picture, x, y, tolerance)
        working = picture.working
        raise Error, "#{x}, #{y} is transparent: there is no colour to grow from" if working.visible && working.visible.getpoint(x, y).first.zero?
        like = alike(working, x, y, tolerance)
        grown = (like.draw_flood([128], x, y, equal: true) == 128).copy_memory
        (left, right), (top, bottom) = grown.project.map { |sums| Pixels.numbers(sums.cast(:double)).ne(0).where.minmax }
        new(left, top, right - left + 1, bottom - top + 1, grown.crop(left, top, right - left + 1, bottom - top + 1))
      end

      # All pixels that are like a place, wherever they are, and that place.
      # @param working [Working]
      # @param steps [Integer] of the lattice that colours are looked at through
      # @return [Vips::Image] 255 where one is
      def self.alike(working, x, y, tolerance, steps: Lattice::STEPS) = like(working, seed(working, x, y, tolerance), tolerance, steps).draw_rect([255], x, y, 1, 1)

      # The Lab colour of the neighbourhood, or of the pixel alone if it stands out.
      def self.seed(working, x, y, tolerance)
        left, top = [x - SEED_REACH, 0].max, [y - SEED_REACH, 0].max
        right, bottom = [x + SEED_REACH, working.image.width - 1].min, [y + SEED_REACH, working.image.height - 1].min
        near = Numo::DFloat.cast(Pixels.numbers(working.image.crop(left, top, right - left + 1, bottom - top + 1)))
        mean = working.linear((0..2).map { |band| near[true, band] }).map(&:mean)
        mean, own = [mean, working.linear(working.at(x, y).map { |v| Numo::DFloat[v] }).map { |c| c[0] }].map { |linear| Color.new(:srgb_linear, linear).in(:lab) }
        (Difference::Ciede2000.of(mean, own) > tolerance) ? own : mean
      end

      # 255 where a pixel is within the tolerance. A coarse lattice of the whole 8-bit cube
      # says where such colours lie at all; a second one divides just that window, and of it
      # only what the first did not rule out is measured.
      def self.like(working, seed, tolerance, steps)
        coarse = Lattice.coarse
        inside = within(tolerance * SPARE + 2, seed, working.cube)
        fine = Lattice.new(window(coarse, inside), steps:)
        cells = inside.empty? ? nil : coarse.covering(inside, fine)
        table = Numo::UInt8.zeros(Lattice::NOWHERE + 1)
        near = within(tolerance, seed, working.lab(cells ? fine.middles_of(cells) : fine.middles))
        table[cells ? cells[near] : near] = 255
        lookup = ::Vips::Image.new_from_memory_copy(table.to_binary, table.size, 1, 1, :uchar)
        fine.index(working).maplut(lookup).copy_memory
      end

      # Lowest and highest value of each band, and a step of the lattice more.
      def self.window(lattice, cells)
        return Lattice::WHOLE if cells.empty?
        lattice.middles_of(cells).each_with_index.map { |column, band| [column.min - lattice.width(band), column.max + lattice.width(band)].map { |v| v.round.clamp(0, 255) } }
      end

      # Which of the colours are within a ΔE00 of one. Most are too light or too dark
      # for it, which is told without the formula: ΔE00 is never below ΔL' / SL, and
      # SL is 1.747 at most.
      def self.within(limit, seed, lab)
        near = ((lab[0] - seed[0]).abs < limit * 1.75).where
        near.empty? ? near : near[(Bulk.de2000(seed, lab.map { |column| column[near] }) < limit).where]
      end

      private_class_method :seed, :like, :window, :within

      # @return [Array<[Integer, Integer]>] corners of the outer edge, in pixels of the picture
      def outline = Outline.of(mask).map { |x, y| [x + left, y + top] }
    end
  end
end
