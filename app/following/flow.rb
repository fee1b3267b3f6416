module Following
  # How the new values of some swatches run through all that follows them: each
  # follower is looked at once, after what it follows. It writes nothing.
  class Flow
    # @!attribute swatches [Hash{Integer => Hash}] columns of each follower that gets another value
    # @!attribute places [Hash{Integer => Hash}] the same of places with inks
    Moved = Struct.new(:swatches, :places)

    # What a swatch holds.
    Held = Struct.new(:id, :name, :colour, :paint, :locked)

    # The value of a tint.
    # @return [Magpie::Color]
    def self.tinted(colour, percent) = Magpie::Making::Tints.tint(colour, percent)

    # @param ids [Array<Integer>] swatches that something happens to
    # @param values [Hash{Integer => Magpie::Color}] what they are to hold; without it,
    #   they hold already what they are to
    def initialize(ids, values: {})
      @graph = graph = Graph.below(ids)
      @held = Swatch.where(id: ids | graph.edges.map(&:swatch_id) | graph.followers).pluck(:id, :name, :colour, :paint, :locked).to_h { |row| [row.first, Held.new(*row)] }
      values.each { |id, colour| @held.fetch(id).colour = colour if @held.key?(id) }
    end

    # @return [Moved]
    # @raise [Magpie::Error] naming those that are locked and would move
    def moved
      swatches = @graph.order.filter_map { |id| move(@held.fetch(id)) }.to_h
      refuse_locked(swatches.keys)
      Moved.new(swatches, inked_places)
    end

    private

    def move(held)
      columns = columns_of(held, @graph.of_swatch(held.id))
      return if columns.all? { |name, value| held[name] == value }
      columns.each { |name, value| held[name] = value }
      [held.id, {**columns, hex: held.colour.hex}]
    end

    def columns_of(held, edges)
      tie = edges.find(&:tint)
      return {colour: Flow.tinted(colour_of(tie), tie.tint)} if tie
      paint = repainted(held.paint, edges)
      {paint:, colour: paint.colour}
    end

    def repainted(paint, edges) = edges.reduce(paint) { |made, edge| made.with_ink(edge.ink, colour_of(edge)) }

    def colour_of(edge) = @held.fetch(edge.swatch_id).colour

    def inked_places
      Place.where(id: @graph.places).pluck(:id, :paint).filter_map { |id, paint|
        made = repainted(paint, @graph.of_place(id))
        [id, {paint: made}] unless made == paint
      }.to_h
    end

    def refuse_locked(ids)
      locked = ids.map { |id| @held[id] }.select(&:locked)
      return if locked.empty?
      raise Magpie::Error, "#{Magpie::Text.list(locked.first(5).map(&:name))} #{(locked.size == 1) ? "follows and is" : "follow and are"} locked. Unlock first"
    end
  end
end
