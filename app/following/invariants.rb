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
      among = ->(column) { ids ? "AND #{column} = ANY('{#{ids.map { |id| Integer(id) }.join(",")}}'::bigint[])" : "" }
      stale_values(among) + stale_hexes(among)
    end

    # Tints, and inks of swatches and places, against what they follow. A follower that
    # was touched is checked against all that it follows, and so are the followers of
    # what was touched.
    def stale_values(among)
      sides = %w[f.swatch_id f.follower_id].map { |column| "SELECT f.* FROM follows f WHERE (f.follower_id IS NOT NULL OR f.ink IS NOT NULL) #{among.call(column)}" }
      Record.connection.select_rows(<<~SQL).filter_map { |row| stale(*row) }
        SELECT f.tint, f.ink, parent.id, parent.colour::text, child.id, child.colour::text, COALESCE(child.paint, place.paint)::text
        FROM (#{sides.join(" UNION ")}) f JOIN swatches parent ON parent.id = f.swatch_id
        LEFT JOIN swatches child ON child.id = f.follower_id LEFT JOIN places place ON place.id = f.place_id
      SQL
    end

    def stale(tint, ink, parent_id, parent, child_id, child, paint)
      parent = colour(parent)
      if tint
        "swatch #{child_id} is no tint of #{parent_id}" unless alike?(Flow.tinted(parent, tint), colour(child))
      else
        compound = paint && Magpie::Palette::Compound.from_h(JSON.parse(paint))
        "ink #{ink} of #{child_id || "a place"} has not the colour of #{parent_id}" unless compound && compound.inks[ink] && alike?(compound.inks[ink].colour, parent)
      end
    end

    # What is kept for speed: the eight bits of a colour, and the one colour that
    # stands for a gradient or pattern.
    def stale_hexes(among)
      Record.connection.select_rows("SELECT id, hex, colour::text, paint::text FROM swatches WHERE TRUE #{among.call("id")}").filter_map do |id, hex, colour, paint|
        colour = colour(colour)
        whole = paint && Magpie::Palette::Compound.from_h(JSON.parse(paint)).colour
        "swatch #{id} is kept as #{hex}, and is #{colour.hex}" if hex != colour.hex || whole && !alike?(whole, colour)
      end
    end

    def colour(json) = Magpie::Color.from_h(JSON.parse(json))

    def alike?(one, two)
      one.model == two.model && (one.alpha - two.alpha).abs < DUST && one.components.zip(two.components).all? { |a, b| (a - b).abs < DUST }
    end
  end
end
