module Magpie
  class Artwork
    # What a place holds: nothing, a plain colour, a gradient or pattern that the
    # artwork has itself, or one of a palette; and how opaque it is, 0..1.
    # @!attribute kind [Symbol] :none, :plain, :server or :compound
    # @!attribute colour [Color, nil] of a plain one
    # @!attribute server [String, nil] such as "url(#sky)", in the artwork
    # @!attribute compound [Palette::Compound, nil]
    # @!attribute reference [Object, nil] what a plain colour follows: an opaque value of
    #   whoever knows about swatches, by which painters ask for its name
    # @!attribute laid [Placing, Tiling, nil] how a gradient or pattern lies in the part
    Paint = Struct.new(:kind, :colour, :server, :opacity, :reference, :compound, :laid, keyword_init: true) do
      def self.none = new(kind: :none, opacity: 1.0)

      # @param text [String] an SVG paint, resolved
      # @param current [Color] what currentColor stands for
      # @return [Paint, nil] nil when it cannot be read, which CSS ignores
      def self.parse(text, current:, opacity:)
        text = text.strip
        case text
        when /\Anone\z/i then none
        when /\Acurrentcolor\z/i then new(kind: :plain, colour: current, opacity:)
        when /\Aurl\(\s*["']?(#[^)"']*?)["']?\s*\)/i then new(kind: :server, server: "url(#{$1})", opacity:)
        when /\Acontext-(fill|stroke)\z/i then new(kind: :server, server: text.downcase, opacity:)
        else
          colour = Notation.try(text.sub(/\s*icc-color\(.*\)\s*\z/i, ""))
          colour && new(kind: :plain, colour:, opacity:)
        end
      end

      def none? = kind == :none

      # Does it let nothing through? Of what the drawing has itself it is not known.
      def opaque?
        return false unless opacity >= 1
        return colour.opaque? if kind == :plain
        !compound.nil? && compound.inks.any? && compound.inks.all? { |ink| ink.shown.opaque? } && !compound.tile&.own? && !(laid.is_a?(Tiling) && laid.once?)
      end

      # The colour with the place's own opacity in it.
      def shown = colour && ((opacity < 1) ? colour.with(alpha: colour.alpha * opacity) : colour)

      # What an element needs that is painted so and never changes.
      # @param role [String] a key of ATTRIBUTES
      # @return [Hash{String => String}]
      def attributes(role)
        name, share = self.class::ATTRIBUTES.fetch(role)
        opaque = (kind == :plain) ? colour.alpha * opacity : opacity
        text = {none: "none", server:, plain: colour&.with(alpha: 1)&.hex}.fetch(kind)
        {name => text, share => ((opaque < 1 && !none?) ? Notation::Forms.short(opaque, 4) : nil)}.compact
      end
    end

    class Paint
      # The attributes of each role: its paint, and its opacity.
      ATTRIBUTES = {"fill" => %w[fill fill-opacity], "line" => %w[stroke stroke-opacity], "stop" => %w[stop-color stop-opacity]}.freeze
    end
  end
end
