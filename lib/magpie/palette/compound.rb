module Magpie
  class Palette
    # A paint of several inks: a gradient, whose inks are its stops, or a pattern.
    # Each ink is a colour; where it follows something, it has that one's colour and an
    # opaque reference to it, which is no part of what is kept.
    #
    # @!attribute form [String] one of FORMS
    # @!attribute angle [Float] degrees, 0 to the right, 90 down
    # @!attribute size [Float] of a pattern's repeat, in the artwork's own units
    # @!attribute mixing [String] one of MIXINGS: where the colours between two stops lie
    # @!attribute extent [String] one of EXTENTS: what lies beyond the ends of a gradient
    # @!attribute inks [Array<Ink>] 2 to MOST, of stripes 2 to 12, of other patterns as many as the tile has
    Compound = Struct.new(:form, :angle, :size, :mixing, :extent, :inks, keyword_init: true) do
      def initialize(mixing: "srgb", extent: "pad", **given) = super

      # @param data [Hash] as #to_h gives it
      # @raise [Magpie::Error]
      def self.from_h(data)
        given = {mixing: data["mixing"], extent: data["extent"]}.compact
        new(form: data["form"], angle: data["angle"], size: data["size"], inks: data["inks"].map { |ink| self::Ink.from_h(ink) }, **given).checked
      end

      # @raise [Magpie::Error]
      def checked
        raise Error, "#{form.inspect} is no form: expected #{self.class::FORMS.keys.join(", ")}" unless self.class::FORMS.key?(form) || tile
        raise Error, "#{Text.count(inks.size, "ink")}: expected #{[counts.begin, counts.end].uniq.join(" to ")}" unless counts.cover?(inks.size)
        raise Error, "an angle of #{angle}: expected −360 to 360" unless angle&.between?(-360, 360)
        raise Error, "a repeat of #{size}: expected #{self.class::SIZES.begin} to #{self.class::SIZES.end}" unless size && self.class::SIZES.cover?(size)
        raise Error, "#{mixing.inspect} is no way of mixing: expected #{self.class::MIXINGS.keys.join(", ")}" unless self.class::MIXINGS.key?(mixing)
        raise Error, "#{extent.inspect} is nothing beyond the ends: expected #{self.class::EXTENTS.keys.join(", ")}" unless self.class::EXTENTS.key?(extent)
        inks.each(&:check)
        self
      end

      # What is usual is not said.
      def to_h = {"form" => form, "angle" => angle, "size" => size, "mixing" => (mixing unless mixing == "srgb"), "extent" => (extent unless extent == "pad"), "inks" => inks.map(&:to_h)}.compact

      def gradient? = self.class::GRADIENTS.include?(form)

      # How many inks it has.
      # @return [Range]
      def counts
        return 2..self.class::MOST if gradient?
        (form == "stripes") ? 2..12 : (tile&.inks || 2)..(tile&.inks || 2)
      end

      # @return [Tile, nil] that it repeats, where it is drawn as one
      def tile = Tile.find(form)

      # What its form is called.
      def title = self.class::FORMS[form] || tile.title

      # As another pattern: with as many of its inks as that has, and the first ones again
      # where it has more. One that was brought in comes in its own.
      # @param form [String] of a pattern
      def as(form)
        made = with(form:)
        return made.with(inks: made.tile.colours.first(made.tile.inks).map { |colour| self.class::Ink.new(colour:, offset: 0.0) }) if made.tile&.own?
        return made.with(inks: Array.new(made.counts.begin) { |index| self.class::Ink.new(colour: tile.colours.first.then { |one| index.zero? ? one : Notation.parse(Contrast.ink_on(one).to_s) }, offset: 0.0) }) if inks.empty?
        made.with(inks: Array.new(inks.size.clamp(*made.counts.minmax)) { |index| inks[index % inks.size] })
      end

      # What stands for it where only one colour can: the middle of its inks.
      def colour = inks.empty? ? tile.colours.first : Making::Blend.of(inks.map(&:shown))

      # With some of it otherwise.
      def with(**given) = dup.tap { |made| given.each { |name, value| made[name] = value } }

      # With one ink in another colour.
      # @param number [Integer] from 0
      def with_ink(number, colour) = with(inks: inks.each_with_index.map { |ink, index| (index == number) ? ink.with(colour:) : ink })

      # With what its inks follow.
      # @param references [Hash{Integer => Object}] by the number of the ink; others follow nothing
      def referring(references) = with(inks: inks.each_with_index.map { |ink, index| ink.with(reference: references[index]) })

      # The numbers of its inks along the gradient; of those at one place the earlier first.
      # @return [Array<Integer>]
      def order = inks.each_index.sort_by { |index| [inks[index].offset, index] }
    end

    class Compound
      # @!attribute reference [Object, nil] what it follows
      # @!attribute offset [Float] 0..1, of a gradient's stop
      # @!attribute opacity [Float] 0..1, beside whatever opacity the colour has; 0 is clear
      # @!attribute middle [Float] 0..1, how far on the way to the next stop both are mixed half and half
      Ink = Struct.new(:colour, :reference, :offset, :opacity, :middle, keyword_init: true) do
        def initialize(opacity: 1.0, middle: 0.5, **given) = super

        # @param data [Hash] as #to_h gives it
        def self.from_h(data) = new(colour: Color.from_h(data["colour"]), offset: data["offset"], **{opacity: data["opacity"], middle: data["middle"]}.compact)

        # What is usual is not said.
        def to_h = {"colour" => colour.to_h, "offset" => offset, "opacity" => opacity, "middle" => middle}.reject { |name, value| value == USUAL[name] }

        # Does the middle to the next stop lie halfway?
        def halfway? = middle == USUAL["middle"]

        # @raise [Magpie::Error]
        def check
          raise Error, "a stop outside 0 to 100 %" unless offset&.between?(0, 1)
          raise Error, "a stop that is #{opacity} opaque: expected 0 to 1" unless opacity&.between?(0, 1)
          raise Error, "a middle at #{middle}: expected #{MIDDLES.begin} to #{MIDDLES.end} of the way" unless MIDDLES.cover?(middle)
        end

        def with(**given) = dup.tap { |made| given.each { |name, value| made[name] = value } }

        # The colour with the ink's own opacity in it.
        def shown = (opacity < 1) ? colour.with(alpha: colour.alpha * opacity) : colour
      end
      USUAL = {"opacity" => 1.0, "middle" => 0.5}.freeze
      MOST = 48 # stops of a gradient
      MIDDLES = 0.02..0.98
      SIZES = 1..1000 # of a repeat
      SIZE = 24.0 # where nothing is said
      FORMS = {
        "linear" => "Gradient along a line", "round" => "Gradient in rings", "radial" => "Gradient from the middle", "conic" => "Gradient around a point",
        "stripes" => "Stripes", "dots" => "Dots", "checks" => "Checks", **Tile.all.transform_values(&:title)
      }.freeze
      GRADIENTS = %w[linear round radial conic].freeze
      PATTERNS = (FORMS.keys - GRADIENTS).freeze
      # As SVG mixes (each component and the opacity for itself), evenly for the eye, and as light adds up.
      MIXINGS = {"oklab" => "evenly for the eye", "srgb" => "as SVG does", "linear" => "as light"}.freeze
      # What CSS calls the spaces that they are mixed in, and SVG what lies beyond the ends.
      SPACES = {"oklab" => "oklab", "srgb" => "srgb", "linear" => "srgb-linear"}.freeze
      SPREADS = {"pad" => "pad", "repeat" => "repeat", "mirror" => "reflect"}.freeze
      EXTENTS = {"pad" => "the last colour", "repeat" => "again", "mirror" => "there and back"}.freeze
    end
  end
end
