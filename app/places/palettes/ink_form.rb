module Places
  module Palettes
    # Making a gradient or pattern, or changing its inks.
    class InkForm
      FEWEST, MOST = 2, 13
      SIZE, ANGLE = 12, 90 # of a new one

      # @!attribute follows [Integer, nil] id of the swatch
      # @!attribute hex [String] its colour where it follows none
      # @!attribute offset [Float] per cent
      Ink = Struct.new(:follows, :hex, :offset)

      # What a form of it sends.
      # @return [Magpie::Palette::Compound]
      # @raise [Magpie::Error]
      def self.read(param, actor)
        offsets, inks = param.list(:offsets), param.list(:inks).first(MOST)
        inks = inks.each_with_index.map { |text, index| ink(text, offsets[index], index.fdiv([inks.size - 1, 1].max), actor) }
        angle, size = [[:angle, nil], [:size, SIZE.to_f]].map { |name, usual| param.given?(name) ? param.exactly(name) : usual }
        Magpie::Palette::Compound.new(form: param.text(:shape), angle:, size:, inks:).checked
      end

      # @param text [String] "s12" follows a swatch, anything else is a colour
      # @param offset [String, nil] per cent
      # @param usual [Float] 0..1, where none is given
      def self.ink(text, offset, usual, actor)
        followed = actor.swatch(Frame::Asked.id(text[1..])) if text.start_with?("s")
        given = Float(offset) if offset.to_s.match?(Frame::Asked::NUMBER)
        Magpie::Palette::Compound::Ink.new(colour: followed&.colour || Magpie::Notation.parse(text), reference: followed&.id, offset: given ? given / 100 : usual)
      end

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

      def angle = made ? Magpie::Notation::Forms.short(made.angle, 1) : ANGLE

      def size = made ? Magpie::Notation::Forms.short(made.size, 1) : SIZE

      # @return [Array<Ink>]
      def inks
        return made.inks.map { |ink| Ink.new(ink.reference, ink.colour.hex, (ink.offset * 100).round(1)) } if made
        Array.new(FEWEST) { |index| (plain[index] || plain.last).then { |each| Ink.new(each.id, each.hex, index * 100) } }
      end

      # Where a new one can be kept.
      # @return [Array<[Palette, Group]>]
      def groups = @desk.shown_palettes.flat_map { |palette| palette.groups.map { |group| [palette, group] } }

      private

      def made = swatch&.paint
    end
  end
end
