module Places
  module Gather
    # A source or an artwork as it is shown, with the pins of what was read in it.
    class Shown
      # Percentages of the picture, where a pin stands.
      Pin = Struct.new(:find, :left, :top, :own, :current, :movable, keyword_init: true) do
        # What asks for the patch that was read, to draw its outline.
        def patch = ({x: find.x, y: find.y, tolerance: find.tolerance}.map { |name, value| "#{name}=#{value}" }.join("&") if own && current && find.way == "patch")
      end

      attr_reader :readable

      # @param page [Page]
      # @param readable [Source, Artwork]
      # @param choices [Frame::Choices]
      def initialize(page, readable, choices)
        @page, @readable, @choices = page, readable, choices
      end

      def name = readable.name

      def path = readable.path

      def version = @page.seen(readable).version

      # Is it the one in the middle?
      def first? = readable == @page.looked

      def artwork? = readable.is_a?(Artwork)

      # Of an artwork, the paint of a part is read instead of what is seen.
      # @return [String, nil] which
      def own_paint = (@choices[:paint] if artwork? && @choices[:paint] != "seen")

      # Pixels.
      def width = picture.width

      def height = picture.height

      def ratio = (width.to_f / height).round(5)

      # What was drawn round in it and is shown now, as an SVG path.
      def outline = (Outline.path(find.corners) if read_here?("round"))

      # The patch that is shown now can be read again with another tolerance.
      def patch? = @choices[:probe] == "patch" && !own_paint

      def patch_find = (find if read_here?("patch"))

      # @return [Array<Pin>]
      def pins = @page.pins.map { |each| pin(each) }

      private

      def find = @page.find

      def read_here?(way) = find&.way == way && find.readable == readable

      def picture = artwork? ? @page.seen(readable).picture : readable

      # A find of another picture stands at the same share of this one.
      def pin(each)
        own = artwork? || each.source_id == readable.id
        wide, high = own ? [width, height] : [each.source.width, each.source.height]
        Pin.new(find: each, left: percent(each.x + 0.5, wide), top: percent(each.y + 0.5, high), own:, current: each.id == find&.id, movable: own && each.pixels?)
      end

      def percent(value, side) = (100.0 * value / side).round(4)
    end
  end
end
