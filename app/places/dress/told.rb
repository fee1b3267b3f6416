module Places
  module Dress
    # What a page is told of the paints of an artwork: all of them, or those of places that
    # were repainted since it last heard.
    class Told
      # @param since [Integer] a stamp, see Look; 0 for all
      # @param swaps [Hash] what would be followed instead, see Dressing; all is told then
      def initialize(artwork, since: 0, swaps: {})
        @artwork, @since, @swaps = artwork, swaps.any? ? 0 : since, swaps
        @look = Look.of([artwork])[artwork.id] # read first: what is repainted meanwhile is told twice, and never missed
      end

      # @return [Hash] what it is then, since when, the paints, lines, and the gradients and patterns
      def to_h = {artwork: @artwork.id, since: @since, stamp: @look.stamp, mark: @look.mark, paints: paints.paints, lines: paints.lines, servers:, locked: Numbers.write(@artwork.parts.where(locked: true).pluck(:position))}

      private

      def paints = @paints ||= ::Page::Painter.new(Dressing.new(@artwork, since: (@since if @since > 0), swaps: @swaps))

      # Those of what was repainted, and those that are swatches, which may have changed; the
      # others a page has.
      def servers = [grain, made].join

      def grain = paints.grain? ? ::Page::Painter.grain : ""

      def made
        return paints.servers if @since.zero?
        [paints, ::Page::Painter.new(Dressing.new(@artwork, compounds: true))].map(&:servers).join
      end
    end
  end
end
