module Magpie
  class Artwork
    # What a place holds: nothing, a plain colour, a reference to a gradient or
    # pattern of the artwork, or a gradient or pattern of a palette; and how opaque it
    # is, 0..1.
    # @!attribute kind [Symbol] :none, :colour, :reference or :compound
    # @!attribute compound [Palette::Compound, nil]
    # @!attribute colour [Color, nil]
    # @!attribute reference [String, nil] such as "url(#sky)"
    # @!attribute swatch [String, nil] what rendering puts in the colour's stead,
    #   set by whoever knows about swatches
    Paint = Struct.new(:kind, :colour, :reference, :opacity, :swatch, :compound, keyword_init: true) do
      def self.none = new(kind: :none, opacity: 1.0)

      # @param text [String] an SVG paint, resolved
      # @param current [Color] what currentColor stands for
      # @return [Paint, nil] nil when it cannot be read, which CSS ignores
      def self.parse(text, current:, opacity:)
        text = text.strip
        case text
        when /\Anone\z/i then none
        when /\Acurrentcolor\z/i then new(kind: :colour, colour: current, opacity:)
        when /\Aurl\(\s*["']?(#[^)"']*?)["']?\s*\)/i then new(kind: :reference, reference: "url(#{$1})", opacity:)
        when /\Acontext-(fill|stroke)\z/i then new(kind: :reference, reference: text.downcase, opacity:)
        else
          colour = Notation.try(text.sub(/\s*icc-color\(.*\)\s*\z/i, ""))
          colour && new(kind: :colour, colour:, opacity:)
        end
      end

      def none? = kind == :none

      # The colour with the place's own opacity in it.
      def shown = colour && ((opacity < 1) ? colour.with(alpha: colour.alpha * opacity) : colour)
    end
  end
end
