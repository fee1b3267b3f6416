module Places
  module Dress
    # The gradient or pattern that parts hold, as it is edited: what is in it, how it lies,
    # and which swatch it is, where it is one. Of several parts that are painted alike the
    # first stands for all.
    class EditedPaint
      FORMS = {"linear" => "straight", "round" => "round", "radial" => "elliptical", "conic" => "turning"}.freeze

      # One stop, or one ink, as the hand shows it.
      # @!attribute tint [Integer, nil] per cent of the swatch that it follows; nil where it follows none
      # @!attribute offset, opacity, middle [String] per cent
      Stop = Struct.new(:number, :name, :title, :colour, :offset, :opacity, :middle, :tint, keyword_init: true) do
        def clear? = opacity == "0"
      end

      # @return [Place]
      attr_reader :place
      # @return [String] what it wears, or whether it follows
      attr_reader :detail

      # @param (see #initialize)
      # @return [EditedPaint] of its kind
      def self.of(...) = new(...).then { |edited| edited.paint.gradient? ? edited : EditedPattern.new(...) }

      # @param artwork [Artwork]
      # @param place_id [Integer] of the first part
      # @param detail [String]
      def initialize(artwork, place_id, detail = "")
        @artwork, @detail = artwork, detail
        @place = Place.includes(:part, :inks, :follow, swatch: :inks).find(place_id)
      end

      # @return [Magpie::Palette::Compound] its inks refer to swatches by their ids
      def paint = @paint ||= place.swatch&.paint || place.paint

      # @return [Swatch, nil] that it is
      def swatch = place.swatch

      # @return [Magpie::Artwork::Frames::Frame] of the part
      def frame = @frame ||= PartFrames.of(@artwork.template)[place.part.key]

      # @return [Magpie::Artwork::Placing] how it lies, also where nothing is said
      def laid = @laid ||= held_laid || Magpie::Artwork::Placing.usual(paint, frame)

      # What the place says of it, if anything.
      # @return [Magpie::Artwork::Placing, nil]
      def held_laid = (place.laid if place.laid.is_a?(Magpie::Artwork::Placing))

      def laid? = !held_laid.nil?

      # Is it the parts' own, or a swatch, and not the drawing's?
      def own? = true

      # Parts that it paints, too, and that are not picked, where nobody said yet whether it
      # is one for all.
      # @return [Array<Integer>] their numbers
      def sharing = []

      # Where its shares are counted from: the part, or the frame across several.
      # @return [Array<Float>] left, top, width, height
      def box = laid.across || frame.box

      def part = place.part

      # Degrees of the way that it runs, in the units that it lies in.
      def angle
        from, to = ends
        ((Math.atan2(to[1] - from[1], to[0] - from[0]) * 180 / Math::PI) % 360).round(2)
      end

      # @return [Array<Array<Float>>] from and to, in the units that it lies in
      def ends = [laid.from, laid.to].map { |x, y| [box[0] + x * box[2], box[1] + y * box[3]] }

      # Of points in the units that it lies in.
      # @return [Array<Float>] shares of the frame
      def share((x, y)) = [(x - box[0]) / box[2], (y - box[1]) / box[3]]

      # "shared: Dusk", "of its own"
      def words = swatch ? "#{detail}: #{swatch.name}" : detail.sub("stray", "of its own")

      # In the order in which they lie.
      # @return [Array<Stop>]
      def stops
        chips = Chip.of(paint.inks.filter_map(&:reference).uniq)
        @stops ||= order.map { |number| stop(number, paint.inks[number], chips) }
      end

      # Tells it from what it was or will be.
      def mark = Magpie::Painters::Servers.digest([paint.to_h, paint.inks.map(&:reference), held_laid&.to_h])

      # What a browser needs to draw its handles.
      # @return [Hash]
      def to_h
        {part: part.position, form: paint.form, space: Magpie::Palette::Compound::SPACES.fetch(paint.mixing), spread: Magpie::Palette::Compound::SPREADS.fetch(paint.extent), across: !laid.across.nil?, box:, from: laid.from, to: laid.to, squash: laid.squash, mark:,
         stops: paint.inks.map { |ink| {offset: ink.offset, middle: ink.middle, colour: ::Page::Background.colour(ink)} }, order: paint.order}
      end

      # A number as a field holds it.
      def self.text(number) = Magpie::Notation::Forms.short(number, 1)

      # What is kept of it as a swatch, and how that lies in the parts; nil as their places say.
      # @param numbers [Array<Integer>] of the parts
      # @return [[Magpie::Palette::Compound, Hash{Integer => Object}]]
      def kept_in(numbers) = [paint, nil]

      # What it is called.
      def kind = "gradient"

      private

      # The numbers of its inks, as they are listed.
      def order = paint.order

      def stop(number, ink, chips)
        chip = chips[ink.reference]
        name = ink.opacity.zero? ? "clear" : chip&.name || ink.colour.hex
        tint = (chip.tint || 100).round if chip
        Stop.new(number:, name:, tint:, title: "#{chip&.name || ink.colour.hex}#{", follows" if chip}#{", clear" if ink.opacity.zero?}", colour: ::Page::Background.colour(ink),
          offset: EditedPaint.text(ink.offset * 100), opacity: EditedPaint.text(ink.opacity * 100), middle: EditedPaint.text(ink.middle * 100))
      end
    end
  end
end
