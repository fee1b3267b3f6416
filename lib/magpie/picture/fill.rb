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
      # @return [Fill] whose outline is that of the picture
      # @raise [Magpie::Error]
      def self.sketch(picture, aim)
        aim.check(picture)
        step = [Math.sqrt(picture.width * picture.height / SKETCHED.to_f).floor, 1].max
        small = (step > 1) ? picture.thinned(SKETCHED) : picture
        aim = aim.dup.tap { |each| each.x, each.y, each.gap, each.soft = [aim.x / step, small.width - 1].min, [aim.y / step, small.height - 1].min, (aim.gap / step.to_f).ceil, aim.soft / step }
        new(small, aim, step:)
      end

      # @param picture [Picture]
      # @param aim [Aim]
      # @param step [Integer] px of the outline for each of the picture
      # @raise [Magpie::Error]
      def initialize(picture, aim, step: 1)
        aim.check(picture)
        @picture, @aim, @step = picture, aim, step
        working = picture.working
        raise Error, "#{aim.x}, #{aim.y} is transparent: there is no colour to look for" if working.visible && working.visible.getpoint(aim.x, aim.y).first.zero?
        like = Patch.alike(working, aim.x, aim.y, aim.tolerance, steps: (step > 1) ? COARSELY : Lattice::STEPS)
        @found = aim.everywhere ? like : near(like)
        @found = (@found & working.visible) if working.visible && aim.everywhere
      end

      # Left, top, width, height of what it covers, its soft edge included.
      # @return [Array<Integer>] px
      def box
        @box ||= begin
          (left, right), (top, bottom) = @found.project.map { |sums| Pixels.numbers(sums.cast(:double)).ne(0).where.minmax }
          more = (@aim.soft * 2).ceil
          left, top, right, bottom = [left - more, 0].max, [top - more, 0].max, [right + more, @picture.width - 1].min, [bottom + more, @picture.height - 1].min
          [left, top, right - left + 1, bottom - top + 1]
        end
      end

      # Is that pixel in it?
      def covers?(x, y) = @found.getpoint(x, y).first > 0

      # Share of the picture's pixels.
      def share = @found.avg / 255

      # What of the box is covered: white where all is.
      # @return [String] PNG, grey, at most LONGEST px
      def mask
        shown = small(cropped, LONGEST)
        shown = shown.gaussblur(@aim.soft * shown.width / cropped.width) if @aim.soft * shown.width / cropped.width > 0.2
        shown.copy(interpretation: :"b-w").pngsave_buffer(compression: 6, strip: true)
      end

      # Its edges, holes included, as seen from some way off.
      # @return [String] the d of a path, in px of the picture
      def outline = Edges.path(table(small(cropped, OUTLINED) > 127), *box.map { |value| value * @step })

      # Rows that hold all of it, for the pointer.
      # @return [String] the d of a path, in px of the picture
      def rows = Edges.rows(table(small(cropped, HELD) > 0), *box)

      private

      def table(image) = Pixels.numbers(image).reshape(image.height, image.width)

      def cropped = @cropped ||= @found.crop(*box).copy_memory

      def small(image, longest)
        step = [image.width, image.height].max / longest.to_f
        (step > 1) ? image.shrink(step, step, ceil: true) : image
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
