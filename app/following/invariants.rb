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
    # @param known [Hash{Integer => Held}] those of which it is known what they hold
    # @return [Array<String>] what is wrong, for the log
    def broken(ids = nil, known = {})
      return [] if ids == []
      ids ||= Swatch.ids
      edges = edges(ids)
      read = Held.of((ids | edges.flat_map { |_, _, parent, child, _| [parent, child] }.compact).reject { |id| known.key?(id) })
      tints, inks = edges.partition(&:first)
      held = read.merge(known)
      stale_tints(tints, held) + stale_inks(inks, held) + read.values_at(*ids).compact.filter_map { |each| stale_copy(each) }
    end

    # Whatever wears an outfit holds what the outfit holds, and one of each role is held. Artworks
    # that are hidden may be behind; they are looked at when they are shown again.
    # @param ids [Array<Integer>, nil] of outfits; nil looks at all
    # @return [Array<String>] what is wrong, for the log
    def misworn(ids = nil)
      return [] if ids == []
      among = "AND outfits.id = ANY(#{Record.array(ids)})" if ids
      held = ->(place) { "(#{place}.kind, #{place}.colour, #{place}.hex, #{place}.reference, #{place}.opacity, #{place}.paint, #{place}.laid, #{Place.ties(place)})" }
      Record.connection.select_values(<<~SQL)
        SELECT 'place ' || p.id || ' wears ' || outfits.name || ' and holds something else' FROM outfits JOIN places p ON p.outfit_id = outfits.id #{among} JOIN artworks a ON a.id = p.artwork_id AND a.removed_at IS NULL
        LEFT JOIN places own ON own.outfit_id = outfits.id AND own.artwork_id IS NULL AND own.role = p.role
        WHERE #{held.call("p")} IS DISTINCT FROM #{held.call("own")} OR NOT COALESCE(p.settings, '{}') @> COALESCE(own.settings, '{}')
        UNION ALL SELECT name || ' holds no fill and line' FROM outfits WHERE 2 <> (SELECT count(*) FROM places own WHERE own.outfit_id = outfits.id AND own.artwork_id IS NULL) #{among}
      SQL
    end

    # Tints and inks at either end of which one of these is.
    # @return [Array<[tint, ink, followed, follower, place]>]
    def edges(ids)
      Record.connection.select_rows(<<~SQL)
        WITH touched AS MATERIALIZED (SELECT unnest(#{Record.array(ids)}) id)
        SELECT tint, ink, swatch_id, follower_id, place_id FROM (
          SELECT f.* FROM follows f JOIN touched ON f.swatch_id = touched.id WHERE f.follower_id IS NOT NULL OR f.ink IS NOT NULL
          UNION SELECT f.* FROM follows f JOIN touched ON f.follower_id = touched.id
        ) f ORDER BY id
      SQL
    end

    def stale_tints(edges, held)
      made = Magpie::Making::Tints.tints(edges.map { |edge| held.fetch(edge[2]).colour }, edges.map(&:first))
      edges.zip(made).filter_map { |(_, _, parent, child, _), colour| "swatch #{child} is no tint of #{parent}" unless alike?(colour, held.fetch(child).colour) }
    end

    def stale_inks(edges, held)
      places = Place.among(edges.filter_map(&:last)).pluck(:id, :paint).to_h
      edges.filter_map do |_, ink, parent, child, place|
        paint = child ? held.fetch(child).paint : places[place]
        "ink #{ink} of #{child || "a place"} has not the colour of #{parent}" unless paint&.inks&.at(ink)&.then { |each| alike?(each.colour, held.fetch(parent).colour) }
      end
    end

    # What is kept for speed: the eight bits of a colour, and the one colour that
    # stands for a gradient or pattern.
    def stale_copy(held)
      return if held.hex == held.colour.hex && (held.paint.nil? || alike?(held.paint.colour, held.colour))
      "swatch #{held.id} is kept as #{held.hex}, and is #{held.colour.hex}"
    end

    def alike?(one, two)
      return false unless one.model == two.model && (one.alpha - two.alpha).abs < DUST
      other = two.components
      one.components.each_with_index { |value, index| return false unless (value - other[index]).abs < DUST }
      true
    end
  end
end
