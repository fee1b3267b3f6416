# What follows what: places, tints and inks follow swatches, tints and gradients may be
# followed themselves.
module Following
  # All that keeps a value made from those of some swatches, directly or through
  # others: as much of the graph as a change of these can move. Places that are simply
  # painted with a swatch keep no value and are not in it.
  class Graph
    # @!attribute follower_id, place_id [Integer, nil] one of them: who follows
    # @!attribute swatch_id [Integer] what is followed
    # @!attribute ink [Integer, nil] which ink of it
    # @!attribute tint [Float, nil] per cent
    Edge = Struct.new(:follower_id, :place_id, :swatch_id, :ink, :tint)

    # Only one change at a time moves what swatches and their followers hold, in the
    # whole house: taken before any of their rows, after the project's own lock, until
    # the transaction ends.
    LOCK = 0x4D6167 # any number that nothing else takes

    def self.lock = Record.connection.execute("SELECT pg_advisory_xact_lock(#{LOCK})")

    # @param ids [Array<Integer>] of swatches
    # @return [Graph] by one statement, however deep it is
    def self.below(ids)
      new(ids.empty? ? [] : Record.connection.select_rows(Record.sanitize_sql([<<~SQL, ids])).map { |row| Edge.new(*row) })
        WITH RECURSIVE below AS (
          SELECT f.* FROM follows f WHERE f.swatch_id IN (?) AND (f.follower_id IS NOT NULL OR f.ink IS NOT NULL)
          UNION
          SELECT f.* FROM below b JOIN follows f ON f.swatch_id = b.follower_id WHERE f.follower_id IS NOT NULL OR f.ink IS NOT NULL
        ) SELECT follower_id, place_id, swatch_id, ink, tint FROM below ORDER BY id
      SQL
    end

    attr_reader :edges

    # @param edges [Array<Edge>]
    def initialize(edges)
      @edges = edges
      @by_follower = edges.select(&:follower_id).group_by(&:follower_id)
      @by_place = edges.select(&:place_id).group_by(&:place_id)
    end

    # Swatches that follow, in layers: what one of them follows lies in an earlier layer,
    # or follows nothing itself.
    # @return [Array<Array<Integer>>]
    # @raise [Magpie::Error] when they go round in a circle
    def layers
      waiting = @by_follower.transform_values { |edges| edges.count { |edge| @by_follower.key?(edge.swatch_id) } }
      layer, layers = waiting.filter_map { |id, ahead| id if ahead.zero? }, []
      until layer.empty?
        layers << layer
        layer = layer.flat_map { |id| followers_of(id) }.select { |id| (waiting[id] -= 1).zero? }
      end
      return layers if layers.sum(&:size) == waiting.size
      raise Magpie::Error, "A swatch cannot follow itself, not through others either"
    end

    def followers = @by_follower.keys

    # Places with an ink that follows.
    def places = @by_place.keys

    # @return [Array<Edge>]
    def of_swatch(id) = @by_follower.fetch(id, [])

    def of_place(id) = @by_place.fetch(id, [])

    private

    # One for each edge.
    def followers_of(id)
      @by_swatch ||= edges.group_by(&:swatch_id)
      @by_swatch.fetch(id, []).filter_map(&:follower_id)
    end
  end
end
