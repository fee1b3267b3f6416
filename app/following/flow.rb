module Following
  # How the new values of some swatches run through all that follows them: each
  # follower is looked at once, after what it follows. It writes nothing.
  class Flow
    # @!attribute swatches [Array<Held>] followers that get another value, with it
    # @!attribute were [Hash{Integer => Held}] what they held
    # @!attribute places [Hash{Integer => Hash}] columns of each place whose inks change
    Moved = Struct.new(:swatches, :were, :places)

    # The value of a tint.
    # @return [Magpie::Color]
    def self.tinted(colour, percent) = Magpie::Making::Tints.tint(colour, percent)

    # @param ids [Array<Integer>] swatches that something happens to
    # @param values [Hash{Integer => Magpie::Color}] what they are to hold; without it,
    #   they hold already what they are to
    def initialize(ids, values: {})
      @graph = graph = Graph.below(ids)
      @held = Held.of(ids | graph.edges.map(&:swatch_id) | graph.followers)
      @were, @given = {}, values.keys
      values.each { |id, colour| @held.fetch(id).colour = colour if @held.key?(id) }
    end

    # How many swatches follow.
    def size = @graph.followers.size

    # The swatches that were given a value, with it.
    # @return [Hash{Integer => Held}] by id
    def given = @held.slice(*@given)

    # @return [Moved]
    # @raise [Magpie::Error] naming those that are locked and would move
    def moved
      @graph.layers.each do |layer|
        tints, inked = layer.partition { |id| tie(id) }
        tint(tints)
        inked.each { |id| repaint(@held.fetch(id)) }
      end
      swatches = @held.values_at(*@were.keys)
      refuse_locked(swatches)
      Moved.new(swatches, @were, inked_places)
    end

    private

    def tie(id) = @graph.of_swatch(id).find(&:tint)

    def tint(ids)
      ties = ids.map { |id| tie(id) }
      colours = Magpie::Making::Tints.tints(ties.map { |tie| colour_of(tie) }, ties.map(&:tint))
      ids.zip(colours) { |id, colour| give(@held.fetch(id), colour:) unless Invariants.alike?(colour, @held[id].colour) }
    end

    def repaint(held)
      paint = repainted(held.paint, @graph.of_swatch(held.id))
      colour = paint.colour
      give(held, paint:, colour:) unless paint == held.paint && Invariants.alike?(colour, held.colour)
    end

    def give(held, colour:, paint: held.paint)
      @were[held.id] = held.dup
      held.colour, held.paint, held.hex = colour, paint, colour.hex
    end

    def repainted(paint, edges) = edges.reduce(paint) { |made, edge| made.with_ink(edge.ink, colour_of(edge)) }

    def colour_of(edge) = @held.fetch(edge.swatch_id).colour

    def inked_places
      Place.where(id: @graph.places).pluck(:id, :paint).filter_map { |id, paint|
        made = repainted(paint, @graph.of_place(id))
        [id, {paint: made}] unless made == paint
      }.to_h
    end

    def refuse_locked(swatches)
      locked = swatches.select(&:locked)
      return if locked.empty?
      raise Magpie::Error, "#{Magpie::Text.list(locked.first(5).map(&:name))} #{(locked.size == 1) ? "follows and is" : "follow and are"} locked. Unlock first"
    end
  end
end
