module Changes
  # Copies of places with what they follow, by the database: there may be thousands.
  module Copies
    HELD = Place::COPIED

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

    # The parts of an artwork, for another one.
    def of_parts(from, to)
      execute "INSERT INTO parts (artwork_id, position, key, label, kind, locked) SELECT #{Integer(to)}, position, key, label, kind, locked FROM parts WHERE artwork_id = #{Integer(from)} ORDER BY position"
    end

    # What an artwork has for itself, for another one; with what its places follow.
    # @param from, to [Integer] artworks, or colourways of them
    # @param drawn [Integer] the artwork whose parts the other has
    # @param pairs [String, nil] which part stands for which, see .keys; nil where they are called alike
    def of_dress(from, to, drawn, pairs = nil)
      alike = pairs ? "JOIN (#{pairs}) AS pairs (was, part_id) ON pairs.was = p.part_id" : "JOIN parts old ON old.id = p.part_id JOIN parts pairs_of ON pairs_of.artwork_id = #{Integer(drawn)} AND pairs_of.key = old.key"
      part = pairs ? "pairs.part_id" : "pairs_of.id"
      execute <<~SQL
        INSERT INTO places (artwork_id, part_id, role, #{HELD.join(", ")})
        SELECT #{Integer(to)}, #{part}, p.role, #{HELD.map { |column| "p.#{column}" }.join(", ")} FROM places p #{alike} WHERE p.artwork_id = #{Integer(from)} ORDER BY p.id
      SQL
      follow(to, "p.artwork_id = #{Integer(from)}", alike, part)
    end

    # What places of artworks follow, those with an ink of their own, too.
    # @return [Array<Integer>] ids of swatches
    def followed(artwork_ids) = Follow.where(place_id: Place.where(artwork_id: artwork_ids).select(:id)).distinct.order(:swatch_id).pluck(:swatch_id)

    # What was copied stands on what it follows and wears.
    # @param rows [Rows] of the change
    def stand(rows, artwork_ids)
      rows.standing_on(Swatch, followed(artwork_ids))
      rows.standing_on(Outfit, Place.where(artwork_id: artwork_ids).where.not(outfit_id: nil).distinct.order(:outfit_id).pluck(:outfit_id))
    end

    # @param counterparts [Hash{String => String}] keys of parts of one artwork, by those of the other
    # @return [String] SQL that selects the parts of either that stand for each other
    def keys(from, to, counterparts)
      rows = Record.connection.quote(JSON.generate(counterparts.to_a))
      "SELECT old.id, fresh.id FROM jsonb_array_elements(#{rows}::jsonb) AS rows (row) JOIN parts old ON old.artwork_id = #{Integer(from)} AND old.key = row->>1 JOIN parts fresh ON fresh.artwork_id = #{Integer(to)} AND fresh.key = row->>0"
    end

    # Places that are there hold what others hold.
    # @param ids [Array<Integer>] the others
    def onto(ids, to, pairs)
      alike, given = "JOIN (#{pairs}) AS pairs (was, part_id) ON pairs.was = p.part_id", "p.id = ANY(#{Record.array(ids)})"
      execute "DELETE FROM follows USING places p #{alike} JOIN places made ON made.artwork_id = #{Integer(to)} AND made.part_id = pairs.part_id AND made.role = p.role WHERE #{given} AND follows.place_id = made.id"
      execute <<~SQL
        UPDATE places fresh SET (#{HELD.join(", ")}) = (SELECT #{HELD.map { |column| "p.#{column}" }.join(", ")})
        FROM places p #{alike} WHERE #{given} AND fresh.artwork_id = #{Integer(to)} AND fresh.part_id = pairs.part_id AND fresh.role = p.role
      SQL
      follow(to, given, alike, "pairs.part_id")
    end

    def follow(to, given, alike, part)
      execute <<~SQL
        INSERT INTO follows (swatch_id, place_id, ink) SELECT f.swatch_id, made.id, f.ink FROM places p #{alike} JOIN follows f ON f.place_id = p.id
        JOIN places made ON made.artwork_id = #{Integer(to)} AND made.part_id = #{part} AND made.role = p.role WHERE #{given} ORDER BY f.id
      SQL
    end

    def execute(sql) = Record.connection.execute(sql)
    private_class_method :follow, :execute
  end
end
