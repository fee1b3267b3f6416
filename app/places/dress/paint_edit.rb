module Places
  module Dress
    # What somebody does to a gradient or pattern that parts hold: by its handles, or by a field
    # or a button, which say one thing. Comes to what it is made of afterwards, and how it lies.
    # Each kind says what it can.
    class PaintEdit
      Compound = Magpie::Palette::Compound

      # @return [Class] that edits it
      def self.of(edited) = edited.paint.gradient? ? GradientEdit : PatternEdit

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
        by_hand if param.given?(:handles)
        fields
        ink
        perform(act) if act
        @paint.checked
        @laid&.checked
      end

      # @return [Magpie::Palette::Compound]
      attr_reader :paint
      # @return [Magpie::Artwork::Placing, Magpie::Artwork::Tiling, nil]
      attr_reader :laid
      # @return [[Integer, Float], nil] an ink that becomes a tint of its swatch
      attr_reader :tint

      # Is it made of what it was made of?
      def only_laid? = tint.nil? && paint == @edited.paint && @edited.own?

      # Does it lie as it did?
      def as_laid? = laid == @edited.held_laid

      private

      DOING = {"give" => :give, "clear" => :clear, "take" => :itself, "usual" => :lay_as_usual}.freeze

      def doing = DOING

      def perform(act) = send(doing.fetch(act) { raise Magpie::Error, "#{act[0, 40].inspect} is nothing that is done to a #{kind}" })

      # What its handles say.
      def by_hand
        handles(JSON.parse(@param.text(:handles)))
      rescue JSON::ParserError, TypeError, ArgumentError, NoMethodError, IndexError
        raise Magpie::Error, "The handles of the #{kind} cannot be read. Nothing was done"
      end

      def lay_as_usual = @laid = nil

      # @return [Integer, nil] the ink that is meant
      def number = @number ||= @param.given?(:stop) ? @param.whole(:stop, 0..(@paint.inks.size - 1)) : nil

      def ink
        change { |ink| ink.with(opacity: @param.number(:stop_opacity, 100, 0..100) / 100) } if @param.given?(:stop_opacity)
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
    end
  end
end
