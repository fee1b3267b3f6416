module Places
  module Match
    # What a page is about that shows a palette, or an artwork, as a whole.
    module OfPalette
      # @param param [Frame::Asked]
      # @param desk [Frame::Desk]
      def initialize(param, desk)
        @param, @desk = param, desk
      end

      def pool = @pool ||= Pool.new(@desk)

      def palettes = @desk.palettes

      def artworks = @artworks ||= @desk.rows.artworks.to_a

      # What it is about: what is asked for, or the first palette.
      # @return [Palette, Artwork, nil]
      def of = @of ||= artworks.find { |artwork| "a#{artwork.id}" == @param[:of] } || palettes.find { |palette| "p#{palette.id}" == @param[:of] } || palettes.first

      def of_key = of && "#{of.is_a?(::Palette) ? "p" : "a"}#{of.id}"

      # Its swatches that have one colour.
      # @return [Array<Chip>]
      def chips = @chips ||= (if of.is_a?(::Artwork)
                                ArtworkColours.new([of], @desk.used_chips).linked.map(&:first)
                              else
                                of ? @desk.chips_in(of) : []
                  end).reject(&:paint_json)

      # Artworks in which one of them is.
      def with_chips = @with_chips ||= of.is_a?(::Artwork) ? [of] : artworks.select { |artwork| (drawn.look(artwork).follows & chips.map(&:id)).any? }

      # @return [Frame::Drawn]
      def drawn = @drawn ||= Frame::Drawn.new(artworks, @desk)
    end
  end
end
