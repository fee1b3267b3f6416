module Places
  module Palettes
    # Making a gradient or pattern, or changing its inks.
    class InkForm
      FEWEST, MOST = 2, 49
      SIZE, ANGLE = 12, 90 # of a new one

      # @!attribute follows [Integer, nil] id of the swatch
      # @!attribute hex [String] its colour where it follows none
      # @!attribute offset, opacity, middle [Float] per cent
      Ink = Struct.new(:follows, :hex, :offset, :opacity, :middle)

      # What a form of it sends.
      # @return [Magpie::Palette::Compound]
      # @raise [Magpie::Error]
      def self.read(param, actor)
        inks = param.list(:inks).first(MOST)
        shares = %i[offsets opacities middles].to_h { |name| [name, param.list(name)] }
        inks = inks.each_with_index.map { |text, index| ink(text, shares.transform_values { |list| share(list[index]) }, index.fdiv([inks.size - 1, 1].max), actor) }
        angle, size = [[:angle, nil], [:size, SIZE.to_f]].map { |name, usual| param.given?(name) ? param.exactly(name) : usual }
        mixed = %i[mixing extent].filter_map { |name| [name, param.text(name)] if param.given?(name) }.to_h
        Magpie::Palette::Compound.new(form: param.text(:shape), angle:, size:, **mixed, inks:).checked
      end

      # @param text [String] "s12" follows a swatch, anything else is a colour
      # @param shares [Hash{Symbol => Float}] where it lies, how opaque it is, where the middle to the next is
      # @param usual [Float] 0..1, where it lies if nothing is said
      def self.ink(text, shares, usual, actor)
        followed = actor.swatch(Frame::Asked.id(text[1..])) if text.start_with?("s")
        more = {opacity: shares[:opacities], middle: shares[:middles]&.clamp(Magpie::Palette::Compound::MIDDLES)}.compact
        Magpie::Palette::Compound::Ink.new(colour: followed&.colour || Magpie::Notation.parse(text), reference: followed&.id, offset: shares[:offsets] || usual, **more)
      end

      # @param text [String, nil] per cent
      # @return [Float, nil] 0..1
      def self.share(text) = (Float(text) / 100 if text.to_s.match?(Frame::Asked::NUMBER))
      private_class_method :share

      # @!attribute swatch [Swatch, nil] the one that is changed
      attr_reader :swatch

      def initialize(desk, swatch)
        @desk, @swatch = desk, swatch
      end

      # Nothing can be made of no plain swatch.
      def possible? = plain.any?

      # Swatches that an ink can follow.
      def plain = @plain ||= @desk.shown_chips.reject(&:paint)

      def form = made&.form

      # What it can be: also a tile that somebody brought in, where it is one.
      # @return [Hash{String => String}]
      def forms = {**Magpie::Palette::Compound::FORMS, **(made ? {made.form => made.title} : {})}

      # A new one is mixed evenly for the eye.
      def mixing = made ? made.mixing : "oklab"

      def extent = made&.extent

      def angle = made ? Magpie::Notation::Forms.short(made.angle, 1) : ANGLE

      def size = made ? Magpie::Notation::Forms.short(made.size, 1) : SIZE

      # @return [Array<Ink>]
      def inks
        return made.inks.map { |ink| Ink.new(ink.reference, ink.colour.hex, *[ink.offset, ink.opacity, ink.middle].map { |share| (share * 100).round(2) }) } if made
        Array.new(FEWEST) { |index| (plain[index] || plain.last).then { |each| Ink.new(each.id, each.hex, index * 100, 100, 50) } }
      end

      # Where a new one can be kept.
      # @return [Array<[Palette, Group]>]
      def groups = @desk.shown_palettes.flat_map { |palette| palette.groups.map { |group| [palette, group] } }

      private

      def made = swatch&.paint
    end
  end
end
