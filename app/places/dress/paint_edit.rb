module Places
  module Dress
    # What somebody does to a gradient that parts hold: by its handles, which say where all of
    # it lies now, or by a field or a button, which say one thing. Comes to what it is made of
    # afterwards, and how it lies.
    class PaintEdit
      Compound = Magpie::Palette::Compound

      # @param edited [EditedPaint]
      # @param param [Frame::Asked] of the request
      # @param frames [Array<Magpie::Artwork::Frames::Frame>] of all the parts
      # @param act [String, nil] a key of DOING
      # @yieldreturn [Hand::Content, nil] what is in hand
      # @raise [Magpie::Error]
      # @param alone [Boolean] has nobody else done something since? Then what is said of one
      #   thing holds, whatever this person has done besides
      def initialize(edited, param, frames, act = nil, alone: false, &in_hand)
        @edited, @param, @frames, @in_hand = edited, param, frames, in_hand
        @paint, @laid = edited.paint, edited.held_laid
        raise Magpie::Error, "#{edited.part.label} was painted otherwise meanwhile. Nothing was done. Look at it, and do it again" if param.given?(:saw_paint) && param.text(:saw_paint) != edited.mark && (param.given?(:handles) || !alone)
        handles if param.given?(:handles)
        fields
        perform(act) if act
      end

      # @return [Magpie::Palette::Compound]
      attr_reader :paint
      # @return [Magpie::Artwork::Placing, nil]
      attr_reader :laid
      # @return [[Integer, Float], nil] an ink that becomes a tint of its swatch
      attr_reader :tint

      # Is it made of what it was made of?
      def only_laid? = tint.nil? && paint == @edited.paint && @edited.own?

      # Does it lie as it did?
      def as_laid? = laid == @edited.held_laid

      private

      DOING = {"reverse" => :reverse, "evenly" => :space_evenly, "across" => :lay_across, "own" => :lay_as_usual, "usual" => :lay_as_usual, "give" => :give, "clear" => :clear, "remove" => :remove, "add" => :add, "take" => :itself}.freeze

      def perform(act)
        return tile(act.delete_prefix("as_")) if act.start_with?("as_")
        send(DOING.fetch(act) { raise Magpie::Error, "#{act[0, 40].inspect} is nothing that is done to a gradient" })
      end

      # Stops as they lie now: each is one that was there, or a new one in the colour that
      # was there.
      def handles
        data = JSON.parse(@param.text(:handles))
        inks = data.fetch("stops").first(Compound::MOST + 1).map { |stop| stop["of"] ? moved(stop) : between(Float(stop.fetch("offset"))) }
        @paint = @paint.with(inks:).checked
        @laid = Magpie::Artwork::Placing.from_h({"from" => data["from"], "to" => data["to"], "squash" => data["squash"], "focus" => @edited.laid.focus, "across" => @edited.laid.across}.compact) if data["from"]
      rescue JSON::ParserError, TypeError, ArgumentError, NoMethodError, IndexError
        raise Magpie::Error, "The handles of the gradient cannot be read. Nothing was done"
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
        @paint = @paint.with(size: @param.number(:repeat, Compound::SIZE, 1..1000)) if @param.given?(:repeat)
        @laid = @edited.laid.dup.tap { |laid| laid.squash = @param.number(:squash, 100, 0.1..100_000) / 100 } if @param.given?(:squash)
        stop
        @paint.checked
        @laid&.checked
      end

      # Another form lies as is usual for it.
      def form(form)
        raise Magpie::Error, "#{form[0, 40].inspect} is no form of a gradient" unless Compound::GRADIENTS.include?(form)
        @paint, @laid = @paint.with(form:), (@laid&.across ? across : nil)
      end

      # Another pattern, in the inks that are there.
      def tile(form)
        raise Magpie::Error, "#{form[0, 40].inspect} is no pattern" unless Compound::PATTERNS.include?(form)
        @paint = @paint.as(form).checked
      end

      # What lies as usual has another angle itself; anything else is turned, about its middle
      # or about where it begins.
      def turn(angle)
        return @paint = @paint.with(angle:) if !@paint.gradient? || @laid.nil? && @edited.swatch.nil?
        from, to = @edited.ends
        half, turned = Math.hypot(to[0] - from[0], to[1] - from[1]), angle * Math::PI / 180
        middle = (@paint.form == "linear") ? [(from[0] + to[0]) / 2 - Math.cos(turned) * half / 2, (from[1] + to[1]) / 2 - Math.sin(turned) * half / 2] : from
        @laid = @edited.laid.dup.tap { |laid| laid.from, laid.to = [middle, [middle[0] + Math.cos(turned) * half, middle[1] + Math.sin(turned) * half]].map { |point| @edited.share(point) } }
      end

      # @return [Integer, nil] the ink that is meant
      def number = @number ||= @param.given?(:stop) ? @param.whole(:stop, 0..(@paint.inks.size - 1)) : nil

      def stop
        change { |ink| ink.with(offset: @param.number(:stop_offset, 0, 0..100) / 100) } if @param.given?(:stop_offset)
        change { |ink| ink.with(opacity: @param.number(:stop_opacity, 100, 0..100) / 100) } if @param.given?(:stop_opacity)
        change { |ink| ink.with(middle: (@param.number(:stop_middle, 50, 0..100) / 100).clamp(Compound::MIDDLES)) } if @param.given?(:stop_middle)
        @tint = [number, @param.number(:stop_tint, 100, 1..100)] if @param.given?(:stop_tint)
      end

      def change
        raise Magpie::Error, "Choose a stop first" unless number
        @paint = @paint.with(inks: @paint.inks.each_with_index.map { |ink, index| (index == number) ? yield(ink) : ink })
      end

      # What is in hand: a swatch is followed, where it is shared.
      def give
        content = @in_hand.call or raise Magpie::Error, "Nothing is in hand that the stop could get"
        raise Magpie::Error, "#{content.name} is a gradient or pattern itself: a stop holds a plain colour" if content.css
        followed = content.swatch_id if Swatch.exists?(id: content.swatch_id, shared: true)
        change { |ink| ink.with(colour: content.colour, reference: followed, opacity: ink.opacity.zero? ? 1.0 : ink.opacity) }
      end

      def clear = change { |ink| ink.with(opacity: ink.opacity.zero? ? 1.0 : 0.0) }

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

      def lay_as_usual = @laid = nil

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
