module Magpie
  class CommandLine
    # Dresses a drawing from a palette, for builds: what it links, and what it leaves.
    class Dress
      # @param artwork [Artwork]
      # @param palette [Palette]
      def initialize(artwork, palette, by:, within:)
        @artwork = artwork
        @linking = Artwork::Linking.new(artwork, palette, by:, within:)
      end

      # @return [String] SVG
      def flat = Painters::Outgoing.checked(Painters::Flat.new(@artwork.template, @linking.paints).to_s)

      # @return [String] SVG
      def linked = Painters::Outgoing.checked(Painters::Linked.new(@artwork.template, @linking.paints, names:).to_s)

      # @return [Hash] for printing
      def to_h
        {places: @linking.places, linked: @linking.linked_places,
         strays: @linking.strays.map { |stray| {hex: stray.hex, places: stray.places, nearest: stray.nearest.name, de2000: stray.difference.round(4)} }}
      end

      private

      # Each with a name of its own.
      def names
        taken = Hash.new(0)
        @linking.used.to_h do |swatch|
          slug = Text.slug(swatch.name, "swatch")
          number = (taken[slug] += 1)
          [swatch, Painters::Linked::Name.new((number > 1) ? "#{slug}-#{number}" : slug, swatch.name)]
        end
      end
    end
  end
end
