module Magpie
  module Painters
    # How colours are written in gradients and patterns: by hexes. Painters who have names
    # for what is followed write those besides, or instead.
    class Writing
      # @param name, opacity [String] attributes for a colour and its opacity
      # @param ink [Palette::Compound::Ink]
      # @return [String] attributes, each after a space
      def ink(name, opacity, ink) = plain(name, opacity, ink.shown)

      # @param step [Palette::Course::Step]
      # @param compound [Palette::Compound] in which it lies
      # @return [String] as above
      def step(name, opacity, step, compound) = plain(name, opacity, step.colour)

      # What is told besides of how one lies.
      # @param used [Servers::Used]
      # @return [String] attributes, each after a space
      def laid(used) = ""

      # The same of a sector.
      # @param sector [Sectors::Sector]
      def sector(sector) = ""

      # @param image [String] an element that holds a picture, with its bytes
      # @param form [String] of the tile that it is
      # @return [String] the same as it is written here
      def picture(image, form) = image

      # How many tiles stand in a pattern, see Tiles#times.
      def times(tiles, placing, frame) = tiles.times(placing, frame)

      private

      def plain(name, opacity, colour) = %( #{name}="#{colour.with(alpha: 1).hex}"#{share(opacity, colour.alpha)})

      def share(opacity, value) = ((value < 1) ? %( #{opacity}="#{Notation::Forms.short(value, 4)}") : "")
    end
  end
end
