module Places
  module Match
    # What swatches would be with other colours, and the artworks that would follow.
    class Previewed
      SHOWN = 4 # artworks

      # @param desk [Frame::Desk]
      # @param colours [Hash{Swatch => Magpie::Color}]
      def initialize(desk, colours)
        @desk, @colours = desk, colours
      end

      # Custom properties, as they would be.
      def values = Following::Plan.preview(@colours).map { |id, colour| "--swatch-#{id}:#{colour.hex}" }.join(";")

      # Places in artworks.
      def places = @places ||= Reach.of(@desk.actor, ids).values.sum

      def artworks = @artworks ||= @desk.rows.artworks.select { |artwork| (drawn.look(artwork).follows & ids).any? }

      # @return [Frame::Drawn]
      def drawn = @drawn ||= Frame::Drawn.new(@desk.rows.artworks.to_a, @desk)

      # Why it cannot be done.
      # @return [String, nil]
      def refusal = @colours.keys.find(&:locked)&.then { |swatch| "#{swatch.name} is locked. Unlock it in Palettes first." }

      private

      def ids = @ids ||= (@colours.keys.map(&:id) + Following::Graph.below(@colours.keys.map(&:id)).followers.to_a).uniq
    end
  end
end
