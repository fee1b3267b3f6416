module Changes
  # Which values a change gave and which files it needs, beside what undoes it: so that a
  # swatch's history is read without that, and no file is thrown away that undo needs.
  module Values
    module_function

    # @param entries [Array<Hash>] as Rows has them
    # @param ids [Array<Integer>] swatches that were given a value, came or went
    # @return [Hash] columns: the ids, for each its hex after the change, and the SHA-256 of files
    def of(entries, ids)
      hexes = {}
      entries.each { |entry| given(*entry.transform_keys(&:to_sym).values_at(:table, :ids, :after), hexes) }
      {swatch_ids: ids, hexes: ids.map { |id| hexes[id].to_s }, files: files(entries)}
    end

    # Pictures that a source had or has, and drawings that an artwork had; what it has it keeps.
    FILES = {"sources" => "sha256", "artworks" => "template"}.freeze

    def files(entries)
      entries.map { |entry| entry.transform_keys(&:to_sym) }.flat_map { |entry|
        column = FILES[entry[:table]]
        column ? [entry[:before], entry[:after]].flatten.compact.filter_map { |row| row[column] } : []
      }.uniq
    end

    def given(table, ids, after, hexes)
      return unless table == "swatches" && after
      return after.each { |row| hexes[row["id"]] = row["hex"] if row["hex"] } if after.is_a?(Array)
      ids.each { |id| hexes[id] = after["hex"] } if after["hex"]
    end
  end
end
