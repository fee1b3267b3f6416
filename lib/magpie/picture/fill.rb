module Magpie
  class Picture
    # A patch of like colour that is to be filled: the pixels within a tolerance, near a place or
    # everywhere, over gaps that are not too wide, with an edge that may be soft. The picture
    # itself is only looked at.
    class Fill
      GAPS, SOFT = 0..64, 0.0..64.0 # px of the picture
      LONGEST = 2048 # px of what is kept of it: an edge finer than that is seen by nobody
      OUTLINED = 300 # px of what its outline is told from
      HELD = 120 # px of what the pointer meets
      SKETCHED, COARSELY = 250_000, 16 # pixels that are looked at while one chooses, and steps of the lattice

      # How one is looked for.
      # @!attribute x, y [Integer] px
      # @!attribute tolerance [Float] ΔE00
      # @!attribute everywhere [Boolean] also where it does not hang together with that place
      # @!attribute gap [Integer] px that may lie between what hangs together
      # @!attribute soft [Float] px over which its edge fades
      Aim = Struct.new(:x, :y, :tolerance, :everywhere, :gap, :soft, keyword_init: true) do
        def initialize(tolerance: 8.0, everywhere: false, gap: 0, soft: 0.0, **given) = super

        # @raise [Magpie::Error]
        def check(picture)
          raise Error, "the tolerance is #{tolerance}: expected 0.5 to 40" unless Probe::TOLERANCES.cover?(tolerance)
          raise Error, "a gap of #{gap} px: expected #{GAPS.begin} to #{GAPS.end}" unless GAPS.cover?(gap)
          raise Error, "an edge that is soft over #{soft} px: expected 0 to #{SOFT.end.round}" unless SOFT.cover?(soft)
          picture.check_inside(x, y)
        end
      end

      # As one chooses: the same, looked at through every second, third, … pixel of a large picture.
      # @param small [Picture] it thinned to SKETCHED pixels, for whoever has it
      # @return [Fill] whose outline is that of the picture
      # @raise [Magpie::Error]
      def self.sketch(picture, aim, small: picture.thinned(SKETCHED))
        aim.check(picture)
        step = [Math.sqrt(picture.width * picture.height / SKETCHED.to_f).floor, 1].max
        aim = aim.dup.tap { |each| each.x, each.y, each.gap, each.soft = [aim.x / step, small.width - 1].min, [aim.y / step, small.height - 1].min, (aim.gap / step.to_f).ceil, aim.soft / step }
        new(small, aim, step:)
      end

      # The same as .new: what hangs together is looked for where a sketch finds it, and in all of
      # the picture only where it goes on from there.
      # @return [Fill]
      # @raise [Magpie::Error]
      def self.find(picture, aim, small: picture.thinned(SKETCHED))
        aim.check(picture)
        return new(picture, aim) if aim.everywhere || small.equal?(picture)
        left, top, width, height = around(sketch(picture, aim, small:), picture, aim)
        part = new(Picture.new(picture.image.crop(left, top, width, height)), aim.dup.tap { |each| each.x, each.y = aim.x - left, aim.y - top }, at: [left, top], whole: [picture.width, picture.height])
        part.cut? ? new(picture, aim) : part
      end

      # Somewhat more than it covers.
      def self.around(sketch, picture, aim)
        left, top, width, height = sketch.box.map { |value| value * sketch.step }
        more = sketch.step * 4 + aim.gap + (aim.soft * 2).ceil
        right, bottom = [left + width, aim.x].max + more, [top + height, aim.y].max + more
        left, top = [[left, aim.x].min - more, 0].max, [[top, aim.y].min - more, 0].max
        [left, top, [right, picture.width].min - left, [bottom, picture.height].min - top]
      end
      private_class_method :around

      # @param picture [Picture]
      # @param aim [Aim]
      # @param step [Integer] px of the outline for each of the picture
      # @param at [Array<Integer>] where it lies in a larger one
      # @param whole [Array<Integer>] width and height of that
      # @raise [Magpie::Error]
      def initialize(picture, aim, step: 1, at: [0, 0], whole: [picture.width, picture.height])
        aim.check(picture)
        @picture, @aim, @step, @at, @whole = picture, aim, step, at, whole
        working = picture.working
        raise Error, "#{aim.x}, #{aim.y} is transparent: there is no colour to look for" if working.visible && working.visible.getpoint(aim.x, aim.y).first.zero?
        like = Patch.alike(working, aim.x, aim.y, aim.tolerance, steps: (step > 1) ? COARSELY : Lattice::STEPS)
        @found = aim.everywhere ? like : near(like)
        @found = (@found & working.visible) if working.visible && aim.everywhere
      end

      # @return [Integer]
      attr_reader :step

      # Left, top, width, height of what it covers, its soft edge included.
      # @return [Array<Integer>] px
      def box = inner.then { |left, top, width, height| [left + @at[0], top + @at[1], width, height] }

      # Does it perhaps go on beyond the part of the picture that was looked at?
      def cut?
        (left, right), (top, bottom) = reach
        (left.zero? && @at[0] > 0) || (top.zero? && @at[1] > 0) || (right == @picture.width - 1 && @at[0] + @picture.width < @whole[0]) || (bottom == @picture.height - 1 && @at[1] + @picture.height < @whole[1])
      end

      # Is that pixel in it?
      def covers?(x, y)
        x, y = x - @at[0], y - @at[1]
        x.between?(0, @found.width - 1) && y.between?(0, @found.height - 1) && @found.getpoint(x, y).first > 0
      end

      # Share of the picture's pixels.
      def share = @found.avg / 255

      # What of the box is covered: white where all is.
      # @return [String] PNG, grey, at most LONGEST px
      def mask
        soft = @aim.soft * [kept.width, kept.height].max / inner.last(2).max
        shown = (soft > 0.2) ? kept.gaussblur(soft) : kept
        shown.copy(interpretation: :"b-w").pngsave_buffer(compression: 3, strip: true)
      end

      # Its edges, holes included, as seen from some way off.
      # @return [String] the d of a path, in px of the picture
      def outline = Edges.path(table(small(kept, OUTLINED) > 127), *box.map { |value| value * @step })

      # Rows that hold all of it, for the pointer.
      # @return [String] the d of a path, in px of the picture
      def rows = Edges.rows(table(small(kept, HELD) > 0), *box)

      private

      # First and last column and row that it covers.
      def reach = @reach ||= @found.project.map { |sums| Pixels.numbers(sums.cast(:double)).ne(0).where.minmax }

      # The box, in what was looked at.
      def inner
        @inner ||= begin
          (left, right), (top, bottom) = reach
          more = (@aim.soft * 2).ceil
          left, top, right, bottom = [left - more, 0].max, [top - more, 0].max, [right + more, @picture.width - 1].min, [bottom + more, @picture.height - 1].min
          [left, top, right - left + 1, bottom - top + 1]
        end
      end

      def table(image) = Pixels.numbers(image).reshape(image.height, image.width)

      # What is kept of the box, its edge still hard.
      def kept = @kept ||= small(@found.crop(*inner), LONGEST).copy_memory

      def small(image, longest)
        step = [image.width, image.height].max / longest.to_f
        (step > 1) ? image.shrink([step, image.width].min, [step, image.height].min, ceil: true) : image
      end

      # What hangs together with the place, stepping over gaps: what is wider by half a gap on
      # each side meets across it.
      def near(like)
        wide = @aim.gap.zero? ? like : wider(like)
        reached = wide.draw_flood([128], @aim.x, @aim.y, equal: true) == 128
        (@aim.gap.zero? ? reached : (reached & like)).copy_memory
      end

      # A row and a column of ones: a mean above nothing.
      def wider(like)
        row = ::Vips::Image.new_from_array([[1] * (@aim.gap | 1)])
        (like.convsep(row, precision: :integer) > 0).copy_memory
      end
    end
  end
end
