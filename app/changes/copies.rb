module Changes
  # Copies of places with what they follow, by the database: there may be thousands.
  module Copies
    HELD = %w[kind colour hex reference opacity paint].freeze

    module_function

    # Places of the same parts in another artwork.
    # @return [Array<Integer>] their ids
    def of_places(ids, artwork_id)
      Record.connection.select_values(<<~SQL)
        INSERT INTO places (artwork_id, part_id, role, #{HELD.join(", ")})
        SELECT #{Integer(artwork_id)}, part_id, role, #{HELD.join(", ")} FROM places WHERE id = ANY(#{Record.array(ids)}) ORDER BY id RETURNING id
      SQL
    end

    # @return [Array<[Integer, Integer]>] each place, and that of the same part in another artwork
    def pairs(ids, artwork_id)
      Record.connection.select_rows(<<~SQL)
        SELECT p.id, own.id FROM places p JOIN places own ON own.part_id = p.part_id AND own.role = p.role AND own.artwork_id = #{Integer(artwork_id)}
        WHERE p.id = ANY(#{Record.array(ids)}) ORDER BY 1
      SQL
    end

    # What places follow, those follow that were made from them.
    # @return [Array<Integer>] ids
    def of_follows(ids, artwork_id)
      Record.connection.select_values(<<~SQL)
        INSERT INTO follows (swatch_id, place_id, ink)
        SELECT f.swatch_id, own.id, f.ink FROM follows f JOIN places p ON p.id = f.place_id
        JOIN places own ON own.part_id = p.part_id AND own.role = p.role AND own.artwork_id = #{Integer(artwork_id)}
        WHERE p.id = ANY(#{Record.array(ids)}) ORDER BY f.id RETURNING id
      SQL
    end
  end
end
