module Frame
  # A library as it is listed: how many entries, and some of its colours, in their order.
  # What was told of it is known until something is done to its entries (Library#stamp).
  class LibraryStrip < SimpleDelegator
    COLOURS = 12
    KNOWN = {}
    LOCK = Mutex.new
    private_constant :KNOWN, :LOCK

    # @return [Integer]
    attr_reader :size
    # @return [Array<String>] hexes
    attr_reader :hexes

    # @param actor [Actor]
    # @return [Array<LibraryStrip>]
    def self.all(actor)
      libraries = actor.libraries.to_a
      told = LOCK.synchronize { KNOWN.values_at(*libraries.map(&:id)) }
      fresh = libraries.zip(told).filter_map { |library, (mark, _)| library unless mark == mark(library) }
      LOCK.synchronize { KNOWN.merge!(ask(actor, fresh)) } if fresh.any?
      libraries.zip(LOCK.synchronize { KNOWN.values_at(*libraries.map(&:id)) }).map { |library, (_, told)| new(library, *told) }
    end

    # @return [Hash{Integer => Array}] mark, and size with hexes, by library
    def self.ask(actor, libraries)
      sizes = actor.entries.where(library_id: libraries.map(&:id)).group(:library_id).count
      hexes = hexes(actor, sizes)
      libraries.to_h { |library| [library.id, [mark(library), [sizes.fetch(library.id, 0), hexes.fetch(library.id, []).map(&:last)]]] }
    end

    # Evenly from the whole of each, by one statement.
    # @param sizes [Hash{Integer => Integer}] entries by library
    def self.hexes(actor, sizes)
      return {} if sizes.empty?
      places = sizes.flat_map { |id, size| [COLOURS, size].min.then { |some| Array.new(some) { |index| "(#{Integer(id)},#{1 + (2 * index + 1) * size / (2 * some)})" } } }
      actor.entries.where("(entries.library_id, entries.position) IN (#{places.join(",")})").order(:position, :id).pluck(:library_id, :hex).group_by(&:first)
    end

    def self.mark(library) = [library.edition, library.stamp]
    private_class_method :ask, :hexes, :mark

    def initialize(library, size, hexes)
      super(library)
      @size, @hexes = size, hexes
    end

    # "212 entries, on masonry"
    def in_words = ["#{Magpie::Text.thousands(size)} #{(size == 1) ? "entry" : "entries"}", condition].compact.join(", ")
  end
end
