module Places
  module Dress
    # What is done to a gradient. Its handles say where all of it lies now.
    class GradientEdit < PaintEdit
      private

      DOING = {**PaintEdit::DOING, "reverse" => :reverse, "evenly" => :space_evenly, "across" => :lay_across, "own" => :lay_as_usual, "remove" => :remove, "add" => :add}.freeze

      def doing = DOING

      def kind = "gradient"

      # Stops as they lie now: each is one that was there, or a new one in the colour that
      # was there.
      def handles(data)
        inks = data.fetch("stops").first(Compound::MOST + 1).map { |stop| stop["of"] ? moved(stop) : between(Float(stop.fetch("offset"))) }
        @paint = @paint.with(inks:).checked
        @laid = Magpie::Artwork::Placing.from_h({"from" => data["from"], "to" => data["to"], "squash" => data["squash"], "focus" => @edited.laid.focus, "across" => @edited.laid.across}.compact) if data["from"]
      end

      def moved(stop) = @edited.paint.inks.fetch(Integer(stop["of"])).with(offset: Float(stop.fetch("offset")).clamp(0.0, 1.0), middle: Float(stop.fetch("middle", 0.5)).clamp(Compound::MIDDLES))

      # @return [Compound::Ink] in the colour that lies there
      def between(offset)
        steps = Magpie::Palette::Course.of(@edited.paint)
        one, two = steps.each_cons(2).find { |from, to| offset.between?(from.offset, to.offset) && from.offset < to.offset }
        share = one ? (offset - one.offset) / (two.offset - one.offset) : 0.0
        one, two = [(offset < steps.first.offset) ? steps.first : steps.last] * 2 unless one
        Compound::Ink.new(colour: Magpie::Palette::Course.straight(one.colour, two.colour, share), offset: offset.clamp(0.0, 1.0))
      end

      def fields
        form(@param.text(:shape)) if @param.given?(:shape)
        @paint = @paint.with(mixing: @param.text(:mixing)) if @param.given?(:mixing)
        @paint = @paint.with(extent: @param.text(:extent)) if @param.given?(:extent)
        turn(@param.exactly(:angle) % 360) if @param.given?(:angle)
        @laid = @edited.laid.dup.tap { |laid| laid.squash = @param.number(:squash, 100, 0.1..100_000) / 100 } if @param.given?(:squash)
        change { |ink| ink.with(offset: @param.number(:stop_offset, 0, 0..100) / 100) } if @param.given?(:stop_offset)
        change { |ink| ink.with(middle: (@param.number(:stop_middle, 50, 0..100) / 100).clamp(Compound::MIDDLES)) } if @param.given?(:stop_middle)
      end

      # Another form lies as is usual for it.
      def form(form)
        raise Magpie::Error, "#{form[0, 40].inspect} is no form of a gradient" unless Compound::GRADIENTS.include?(form)
        @paint, @laid = @paint.with(form:), (@laid&.across ? across : nil)
      end

      # What lies as usual has another angle itself; anything else is turned, about its middle
      # or about where it begins.
      def turn(angle)
        return @paint = @paint.with(angle:) if @laid.nil? && @edited.swatch.nil?
        from, to = @edited.ends
        half, turned = Math.hypot(to[0] - from[0], to[1] - from[1]), angle * Math::PI / 180
        middle = (@paint.form == "linear") ? [(from[0] + to[0]) / 2 - Math.cos(turned) * half / 2, (from[1] + to[1]) / 2 - Math.sin(turned) * half / 2] : from
        @laid = @edited.laid.dup.tap { |laid| laid.from, laid.to = [middle, [middle[0] + Math.cos(turned) * half, middle[1] + Math.sin(turned) * half]].map { |point| @edited.share(point) } }
      end

      def remove
        raise Magpie::Error, "A gradient has two stops at least" if @paint.inks.size == 2
        change { |ink| ink }
        @paint = @paint.with(inks: @paint.inks.reject.with_index { |_, index| index == number })
      end

      # Halfway to the next one, or to the one before.
      def add
        order = @paint.order
        at = order.index(number || order.first)
        one, two = order.values_at(*((at == order.size - 1) ? [at - 1, at] : [at, at + 1])).map { |each| @paint.inks[each].offset }
        @paint = @paint.with(inks: @paint.inks + [between((one + two) / 2)]).checked
      end

      def reverse
        order = @paint.order.reverse
        inks = order.each_with_index.map { |each, index| @paint.inks[each].with(offset: 1 - @paint.inks[each].offset, middle: order[index + 1] ? 1 - @paint.inks[order[index + 1]].middle : 0.5) }
        @paint = @paint.with(inks:)
      end

      def space_evenly
        places = @paint.order.each_with_index.to_h { |each, index| [each, index.fdiv(@paint.inks.size - 1)] }
        @paint = @paint.with(inks: @paint.inks.each_with_index.map { |ink, index| ink.with(offset: places[index]) })
      end

      def lay_across = @laid = across

      # Around all parts that it paints, in the units of the drawing.
      def across
        boxes = @frames.map { |frame| frame.matrix.box(frame.box) }
        left, top = boxes.map { |box| box[0] }.min, boxes.map { |box| box[1] }.min
        box = [left, top, boxes.map { |x, _, width, _| x + width }.max - left, boxes.map { |_, y, _, height| y + height }.max - top]
        Magpie::Artwork::Placing.usual(@paint, Magpie::Artwork::Frames::Frame.new(box, Magpie::Artwork::Affine::IDENTITY)).dup.tap { |laid| laid.across = box }
      end
    end
  end
end
