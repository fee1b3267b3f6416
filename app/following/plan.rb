module Following
  # Of some swatches that are all to get other values: which can, which follow another
  # of them, and which are held fast by a lock.
  class Plan
    MOST = 100 # followers that move while a swatch is tried; more of them move when it is changed

    # @param swatches [Array<Swatch>]
    def initialize(swatches)
      @swatches = swatches
      @graph = Graph.below(swatches.map(&:id))
    end

    # Those that follow another of them, and get their value from it.
    def led = @swatches.select { |swatch| followers.include?(swatch.id) }

    # Those that can be given a value: no gradient or pattern, not locked, and nothing
    # that follows them is. What follows another of them is left to that one.
    def free = @swatches.reject { |swatch| swatch.locked || swatch.paint || followers.include?(swatch.id) || held.include?(swatch.id) }

    # What values would make of all that moves, without writing it.
    # @param values [Hash{Swatch => Magpie::Color}]
    # @return [Hash{Integer => Magpie::Color}] by swatch
    def self.preview(values)
      given = values.transform_keys(&:id)
      moved = Flow.new(given.keys, values: given).moved
      given.merge(moved.swatches.to_h { |held| [held.id, held.colour] })
    end

    # What plain swatches that follow one would become, frame by frame while it is tried.
    # @param id [Integer] of a swatch
    # @param colour [Magpie::Color] what it would hold
    # @return [Hash{Integer => Magpie::Color}] by swatch; none where one of them is locked, or
    #   where there are more than MOST
    def self.led(id, colour)
      flow = Flow.new([id], values: {id => colour})
      return {} if flow.size > MOST
      flow.moved.swatches.reject(&:paint).to_h { |held| [held.id, held.colour] }
    rescue Magpie::Error # it is told when it is applied
      {}
    end

    private

    def followers = @followers ||= @graph.followers.to_set

    # Swatches that something locked follows, directly or through others.
    def held
      @held ||= begin
        found = Swatch.where(id: @graph.followers, locked: true).ids.to_set
        loop do
          above = @graph.edges.filter_map { |edge| edge.swatch_id if found.include?(edge.follower_id) && !found.include?(edge.swatch_id) }
          break found if above.empty?
          found.merge(above)
        end
      end
    end
  end
end
