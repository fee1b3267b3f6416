module Places
  module Deliver
    # A library as it is listed: how many entries, and some of its colours, in their order.
    class LibraryStrip < SimpleDelegator
      COLOURS = 12

      # @return [Integer]
      attr_reader :size
      # @return [Array<String>] hexes
      attr_reader :hexes

      # @param actor [Actor]
      # @return [Array<LibraryStrip>]
      def self.all(actor)
        sizes = actor.entries.group(:library_id).count
        hexes = hexes(actor, sizes)
        actor.libraries.map { |library| new(library, sizes.fetch(library.id, 0), hexes.fetch(library.id, []).map(&:last)) }
      end

      # Evenly from the whole of each, by one statement.
      # @param sizes [Hash{Integer => Integer}] entries by library
      def self.hexes(actor, sizes)
        return {} if sizes.empty?
        places = sizes.flat_map { |id, size| [COLOURS, size].min.then { |some| Array.new(some) { |index| "(#{Integer(id)},#{1 + (2 * index + 1) * size / (2 * some)})" } } }
        actor.entries.where("(entries.library_id, entries.position) IN (#{places.join(",")})").order(:position).pluck(:library_id, :hex).group_by(&:first)
      end
      private_class_method :hexes

      def initialize(library, size, hexes)
        super(library)
        @size, @hexes = size, hexes
      end

      # "212 entries, on masonry"
      def in_words = ["#{Magpie::Text.thousands(size)} #{(size == 1) ? "entry" : "entries"}", condition].compact.join(", ")
    end
  end
end
