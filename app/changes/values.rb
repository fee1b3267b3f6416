module Changes
  # Which values a change gave, beside what undoes it: so that a swatch's history is read
  # without it.
  module Values
    module_function

    # @param entries [Array<Hash>] as Rows has them
    # @param ids [Array<Integer>] swatches that were given a value, came or went
    # @return [Hash] columns: the ids, and for each its hex after the change
    def of(entries, ids)
      hexes = {}
      entries.each { |entry| given(*entry.transform_keys(&:to_sym).values_at(:table, :ids, :after), hexes) }
      {swatch_ids: ids, hexes: ids.map { |id| hexes[id].to_s }}
    end

    def given(table, ids, after, hexes)
      return unless table == "swatches" && after
      return after.each { |row| hexes[row["id"]] = row["hex"] if row["hex"] } if after.is_a?(Array)
      ids.each { |id| hexes[id] = after["hex"] } if after["hex"]
    end
  end
end
