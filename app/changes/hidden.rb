module Changes
  # Artworks that an undo has hidden may be shown again by redo. Until then they stand in
  # nobody's way: where an undo takes away a swatch that their places follow, or makes it
  # loose, those keep the value that they had. What they wear is forgotten by the database.
  #
  # What came in as a copy is not recorded place by place, so nothing else would let go.
  # What the change has moved itself, in artworks that were hidden later, it moves back.
  module Hidden
    module_function

    # @param entries [Array<Hash>] of what is about to be done, see Rows
    def let_go(entries)
      ids = entries.select { |entry| entry[:table] == "swatches" }.flat_map { |entry| leaving(*entry.values_at(:ids, :after)) }.uniq
      return if ids.empty?
      own = entries.select { |entry| entry[:table] == "follows" }.flat_map { |entry| entry[:ids] }
      ties = "FROM follows f JOIN swatches s ON s.id = f.swatch_id WHERE s.id = ANY(#{Record.array(ids)}) AND f.place_id IN (#{hidden}) AND f.id <> ALL(#{Record.array(own)})"
      Record.connection.execute(<<~SQL)
        UPDATE places p SET kind = value.kind, colour = value.colour, hex = value.hex, paint = value.paint
        FROM (SELECT f.place_id, CASE WHEN s.paint IS NULL THEN 'colour' ELSE 'compound' END AS kind, s.paint,
          CASE WHEN s.paint IS NULL THEN s.colour END AS colour, CASE WHEN s.paint IS NULL THEN s.hex END AS hex #{ties} AND f.ink IS NULL) value
        WHERE p.id = value.place_id;
        DELETE FROM follows WHERE id IN (SELECT f.id #{ties})
      SQL
    end

    def leaving(ids, after)
      return ids if after.nil?
      after.is_a?(Array) ? after.select { |row| row["shared"] == false }.map { |row| row["id"] } : (ids if after["shared"] == false).to_a
    end

    def hidden = "SELECT p.id FROM artworks a JOIN places p ON p.artwork_id = a.id WHERE a.removed_at IS NOT NULL"
    private_class_method :leaving, :hidden
  end
end
