module Page
  # Paints a drawing for a page: swatches as custom properties, parts marked so that
  # they can be picked. A paint's reference is the swatch's id.
  class Painter < Magpie::Painters::Svg
    # @param id [Integer] of a swatch
    def self.variable(id) = "--swatch-#{id}"

    # The property, and what holds where it is not set.
    def self.property(id, hex) = "var(#{variable(id)},#{hex})"

    def initialize(...)
      super
      @hexes = Hash.new { |known, colour| known[colour] = colour.hex }.compare_by_identity
    end

    private

    def kept(key) = %( data-part="#{key}")

    # The property carries the swatch's own opacity.
    def ink(colour, reference)
      return Ink.new(Painter.property(reference, @hexes[colour]), 1.0) if reference
      Ink.new(colour.with(alpha: 1).hex, colour.alpha)
    end
  end
end
