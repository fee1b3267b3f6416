module Following
  # What must hold after every change, undo and redo. That nothing follows a swatch
  # which is gone or loose is held by the foreign key of follows.
  module Invariants
    # A change left something that must not be. It is our own mistake, so nothing of
    # the change stays.
    class Broken < StandardError; end

    # Values went through JSON and through releases of the arithmetic; a difference of
    # so little in a component is none.
    DUST = 1e-6

    module_function

    # @param ids [Array<Integer>, nil] swatches that were touched; nil looks at all
    # @return [Array<String>] what is wrong, for the log
    def broken(ids = nil)
      return [] if ids == []
      ids ||= Swatch.ids
      edges = edges(ids)
      held = Swatch.where(id: ids | edges.flat_map { |_, _, parent, child, _| [parent, child] }.compact).pluck(:id, :hex, :colour, :paint).to_h { |id, *value| [id, value] }
      stale_values(edges, held) + ids.filter_map { |id| stale_hex(id, *held[id]) if held.key?(id) }
    end

    # Tints and inks at either end of which one of these is.
    # @return [Array<[tint, ink, followed, follower, place]>]
    def edges(ids)
      among = "= ANY('{#{ids.map { |id| Integer(id) }.join(",")}}'::bigint[])"
      sides = %w[swatch_id follower_id].map { |column| "SELECT * FROM follows WHERE (follower_id IS NOT NULL OR ink IS NOT NULL) AND #{column} #{among}" }
      Record.connection.select_rows("SELECT tint, ink, swatch_id, follower_id, place_id FROM (#{sides.join(" UNION ")}) f ORDER BY id")
    end

    # Each follower against what it follows.
    def stale_values(edges, held)
      places = Place.where(id: edges.filter_map(&:last)).pluck(:id, :paint).to_h
      edges.filter_map do |tint, ink, parent, child, place|
        colour = held.fetch(parent)[1]
        if tint
          "swatch #{child} is no tint of #{parent}" unless alike?(Flow.tinted(colour, tint), held.fetch(child)[1])
        else
          paint = child ? held.fetch(child)[2] : places[place]
          "ink #{ink} of #{child || "a place"} has not the colour of #{parent}" unless paint&.inks&.at(ink)&.then { |each| alike?(each.colour, colour) }
        end
      end
    end

    # What is kept for speed: the eight bits of a colour, and the one colour that
    # stands for a gradient or pattern.
    def stale_hex(id, hex, colour, paint)
      "swatch #{id} is kept as #{hex}, and is #{colour.hex}" if hex != colour.hex || paint && !alike?(paint.colour, colour)
    end

    def alike?(one, two)
      one.model == two.model && (one.alpha - two.alpha).abs < DUST && one.components.zip(two.components).all? { |a, b| (a - b).abs < DUST }
    end
  end
end
