module Places
  module Match
    # Browse: a library as its chart, and the entry that is looked at.
    class BrowsePage
      # @param param [Frame::Asked]
      # @param desk [Frame::Desk]
      def initialize(param, desk)
        @param, @desk = param, desk
      end

      def pool = @pool ||= Pool.new(@desk)

      def hand_view = :browse_acts

      # @return [Frame::LibraryStrip, nil] the one that is asked for, or that of the entry, or the first
      def library
        @library ||= pool.libraries.find { |each| each.id == (@param.given?(:library) ? @param.id(:library) : chosen&.entry&.library_id) } || pool.libraries.first
      end

      def order = LibraryChart::ORDERS.key?(@param[:order]) ? @param[:order] : "chart"

      # @return [LibraryChart]
      def chart = @chart ||= LibraryChart.of(library.__getobj__, order)

      # What the browser draws it by; another address whenever anything was done to it.
      def version = [library.edition, library.stamp, order].join("-")

      # Number of the entry that is looked at.
      # @return [Integer, nil]
      def number = chosen&.entry && chart.ids.index(chosen.entry.id)

      # @return [Near, nil]
      def chosen
        return @chosen if defined?(@chosen)
        found = pool.find(@param[:entry]) if @param[:entry].to_s.start_with?("e")
        @chosen = (found && held) ? found.with(Magpie::Difference.de2000(held.colour, found.colour)) : found
      end

      # What is in hand, if it has one colour.
      # @return [Hand::Content, nil]
      def held = defined?(@held) ? @held : @held = @desk.hand.content&.then { |content| content unless content.css }

      # @return [Press]
      def press = @press ||= Press.new(@desk, chosen&.colour, entry: chosen&.entry)

      def room = @room ||= (Room.new(held.colour, chosen, nil) if held && chosen)

      def content = held

      # Does it stand in the rack of Dress?
      def in_rack? = library && @desk.choices[:rack_library] == library.id.to_s

      # Where entries can go: [palette, groups]
      def palettes = @desk.palettes
    end
  end
end
