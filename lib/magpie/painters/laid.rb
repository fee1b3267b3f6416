module Magpie
  module Painters
    # How a gradient or pattern lies in a part: a server with what is in another, and a place.
    # The unit of a gradient goes from where it begins to where it ends.
    class Laid
      ELEMENTS = {**Stops::ELEMENTS, "conic" => "pattern"}.freeze
      # How far a pattern goes beyond the frame of a part, of its larger side: what turns
      # paints lines, too.
      BEYOND = 0.5

      # @param used [Servers::Used]
      # @param writing [Writing]
      def initialize(used, writing)
        @used, @writing = used, writing
        @placing = used.placing || (Artwork::Placing.usual(used.compound, used.frame) if used.compound.gradient?)
        @axes = @placing && lying
      end

      # @return [String] SVG
      def to_s(id) = %(<#{element} id="#{id}" href="##{@used.name}"#{attributes}#{@writing.laid(@used)}/>)

      private

      def element = ELEMENTS.fetch(@used.compound.form, "pattern")

      def attributes
        case @used.compound.form
        when "linear" then %( gradientUnits="userSpaceOnUse" x1="0" x2="1" gradientTransform="#{@axes}")
        when "conic" then %( #{tile} patternTransform="#{@axes}")
        when "round", "radial" then %( gradientUnits="userSpaceOnUse" cx="0" cy="0" r="1"#{focus} gradientTransform="#{@axes}")
        else %(#{" #{tile}" if @placing&.once?} patternTransform="#{@axes}") if @axes
        end
      end

      def lying
        return Tiles.new(@used.compound, @writing).axes(@placing, @used.frame) unless @used.compound.gradient?
        axes = @placing.axes(@used.frame)
        (@used.compound.form == "conic") ? of_one_size(axes) : axes
      end

      # What turns has no length; so that its sectors reach beyond the part, and not farther
      # than painters can count, its unit is half the part.
      def of_one_size(axes)
        _, _, width, height = @used.frame.box
        unit = [width, height].max / 2 / Math.hypot(axes.a, axes.b)
        axes * Artwork::Affine.new(unit, 0.0, 0.0, unit, 0.0, 0.0)
      end

      def focus
        x, y, from = @placing.focus
        return "" unless x
        # On the edge it would be a cone without a beginning (SVG 2, 14.2.3).
        far = Math.hypot(x, y)
        x, y = [x, y].map { |value| value / far * 0.999 } if far >= 1
        %( fx="#{Artwork::Affine.short(x)}" fy="#{Artwork::Affine.short(y)}"#{%( fr="#{Artwork::Affine.short(from)}") if from&.positive?})
      end

      # One tile holds all of the part. What is in it is counted from its corner, but for the
      # viewBox.
      def tile
        left, top, width, height = @used.frame.box
        more = [width, height].max * BEYOND
        box = (@axes.inverse || Artwork::Affine::IDENTITY).box([left - more, top - more, width + 2 * more, height + 2 * more]).map { |value| Artwork::Affine.short(value) }
        [*%w[x y width height].zip(box), ["viewBox", box.join(" ")], %w[preserveAspectRatio none], %w[patternUnits userSpaceOnUse]].map { |name, value| %(#{name}="#{value}") }.join(" ")
      end
    end
  end
end
