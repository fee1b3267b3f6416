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

      # As a CSS background; the block gives each ink's CSS colour.
      def css(&shown)
        one, two = colours = inks.map(&shown)
        stops = inks.zip(colours).sort_by.with_index { |(ink, _), index| [ink.offset, index] }.map { |ink, text| "#{text} #{(ink.offset * 100).round(1)}%" }.join(",")
        case form
        when "linear" then "linear-gradient(#{angle + 90}deg,#{stops})"
        when "radial" then "radial-gradient(closest-side,#{stops})"
        when "stripes" then "repeating-linear-gradient(#{angle + 90}deg,#{stripes(colours)})"
        when "dots" then "radial-gradient(circle,#{two} 34%,#{one} 36%) 0 0/#{size}px #{size}px"
        else "repeating-conic-gradient(#{one} 0 25%,#{two} 0 50%) 0 0/#{size}px #{size}px"
        end
      end

      # As an SVG paint server; the block gives each ink's SVG colour.
      def svg(id, &shown)
        colours = inks.map(&shown)
        return gradient(id, colours) if gradient?
        %(<pattern id="#{id}" width="#{size}" height="#{size}" patternUnits="userSpaceOnUse" patternTransform="rotate(#{(form == "stripes") ? angle : 0})">#{tile(colours)}</pattern>)
      end

      private

      def most = %w[dots checks].include?(form) ? 2 : 12

      def with(inks) = self.class.new(form:, angle:, size:, inks:)

      def stripes(colours)
        width = size / colours.size.to_f
        colours.each_with_index.map { |colour, index| "#{colour} #{(width * index).round(2)}px #{(width * (index + 1)).round(2)}px" }.join(",")
      end

      def gradient(id, colours)
        stops = inks.zip(colours).sort_by.with_index { |(ink, _), index| [ink.offset, index] }
          .map { |ink, colour| %(<stop offset="#{ink.offset}" stop-color="#{colour}"#{%( stop-opacity="#{ink.colour.alpha}") if ink.colour.alpha < 1}/>) }.join
        return %(<radialGradient id="#{id}">#{stops}</radialGradient>) if form == "radial"
        turn = angle * Math::PI / 180
        ends = [-0.5, 0.5].flat_map { |side| [0.5 + side * Math.cos(turn), 0.5 + side * Math.sin(turn)] }.map { |value| value.round(4) }
        %(<linearGradient id="#{id}" x1="#{ends[0]}" y1="#{ends[1]}" x2="#{ends[2]}" y2="#{ends[3]}">#{stops}</linearGradient>)
      end

      def tile((one, two, *rest))
        case form
        when "stripes"
          colours = [one, two, *rest]
          width = size / colours.size.to_f
          colours.each_with_index.map { |colour, index| %(<rect x="#{(width * index).round(3)}" width="#{width.round(3)}" height="#{size}" fill="#{colour}"/>) }.join
        when "dots" then %(<rect width="#{size}" height="#{size}" fill="#{one}"/><circle cx="#{size / 2.0}" cy="#{size / 2.0}" r="#{(size * 0.25).round(3)}" fill="#{two}"/>)
        else %(<rect width="#{size}" height="#{size}" fill="#{one}"/><path d="M0 0h#{size / 2.0}v#{size / 2.0}h-#{size / 2.0}zm#{size / 2.0} #{size / 2.0}h#{size / 2.0}v#{size / 2.0}h-#{size / 2.0}z" fill="#{two}"/>)
        end
      end
    end

    class Compound
      # @!attribute reference [Object, nil] what it follows
      # @!attribute offset [Float] 0..1, of a gradient's stop
      Ink = Struct.new(:colour, :reference, :offset, keyword_init: true)
      FORMS = {"linear" => "Gradient along a line", "radial" => "Gradient from the middle", "stripes" => "Stripes", "dots" => "Dots", "checks" => "Checks"}.freeze
    end
  end
end
