module Magpie
  class Palette
    # A paint of several inks: a gradient, whose inks are its stops, or a pattern.
    # Each ink is a colour; where it follows something, it has that one's colour and an
    # opaque reference to it, which is no part of what is kept.
    #
    # @!attribute form [String] one of FORMS
    # @!attribute angle [Float] degrees, 0 to the right, 90 down
    # @!attribute size [Float] of a pattern's repeat, in the artwork's own units
    # @!attribute inks [Array<Ink>] 2 to 12
    Compound = Struct.new(:form, :angle, :size, :inks, keyword_init: true) do
      # @param data [Hash] as #to_h gives it
      # @raise [Magpie::Error]
      def self.from_h(data)
        inks = data["inks"].map { |ink| self::Ink.new(colour: Color.from_h(ink["colour"]), offset: ink["offset"]) }
        new(form: data["form"], angle: data["angle"], size: data["size"], inks:).checked
      end

      # @raise [Magpie::Error]
      def checked
        raise Error, "#{form.inspect} is no form: expected #{self.class::FORMS.keys.join(", ")}" unless self.class::FORMS.key?(form)
        raise Error, "#{inks.size} inks: expected 2 to #{most}" unless inks.size.between?(2, most)
        raise Error, "an angle of #{angle}: expected −360 to 360" unless angle&.between?(-360, 360)
        raise Error, "a repeat of #{size}: expected 1 to 1000" unless size&.between?(1, 1000)
        raise Error, "a stop outside 0 to 100 %" unless inks.all? { |ink| ink.offset&.between?(0, 1) }
        self
      end

      def to_h = {"form" => form, "angle" => angle, "size" => size, "inks" => inks.map { |ink| {"colour" => ink.colour.to_h, "offset" => ink.offset} }}

      def gradient? = %w[linear radial].include?(form)

      # What stands for it where only one colour can: the middle of its inks.
      def colour = Making::Blend.of(inks.map(&:colour))

      # With one ink in another colour.
      # @param number [Integer] from 0
      def with_ink(number, colour)
        with(inks.each_with_index.map { |ink, index| (index == number) ? self.class::Ink.new(colour:, reference: ink.reference, offset: ink.offset) : ink })
      end

      # With what its inks follow.
      # @param references [Hash{Integer => Object}] by the number of the ink; others follow nothing
      def referring(references)
        with(inks.each_with_index.map { |ink, index| self.class::Ink.new(colour: ink.colour, reference: references[index], offset: ink.offset) })
      end

      private

      def most = %w[dots checks].include?(form) ? 2 : 12

      def with(inks) = self.class.new(form:, angle:, size:, inks:)
    end

    class Compound
      # @!attribute reference [Object, nil] what it follows
      # @!attribute offset [Float] 0..1, of a gradient's stop
      Ink = Struct.new(:colour, :reference, :offset, keyword_init: true)
      SIZE = 24.0 # of a repeat, where nothing is said
      FORMS = {"linear" => "Gradient along a line", "radial" => "Gradient from the middle", "stripes" => "Stripes", "dots" => "Dots", "checks" => "Checks"}.freeze
    end
  end
end
