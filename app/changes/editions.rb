module Changes
  # Which outfits hold something else after a change, whatever that was: they get another
  # edition, and what wears one stands on it.
  module Editions
    module_function

    # @param entries [Array<Hash>] as Rows has them
    # @return [Array<Integer>] ids of outfits
    def outdated(entries)
      touched = entries.flat_map { |entry| places(*entry.values_at(:table, :ids, :before, :after)) }
      return [] if touched.empty?
      made = entries.flat_map { |entry| (entry[:table] == "outfits" && entry[:before].nil?) ? entry[:ids] : [] }
      held = Place.where(artwork_id: nil).pluck(:id, :outfit_id).to_h # few, and found by an index of their own
      held.values_at(*touched.uniq).compact.uniq.sort - made
    end

    # How many places wear something no longer that went on being there.
    # @param entries [Array<Hash>] as Rows has them
    def left(entries)
      entries.select { |entry| entry[:table] == "places" && entry[:before] && entry[:after] }.sum do |entry|
        before, after = entry.values_at(:before, :after).map { |rows| rows.is_a?(Array) ? rows : [rows] * entry[:ids].size }
        before.zip(after).count { |was, is| was["outfit_id"] && is.key?("outfit_id") && is["outfit_id"].nil? }
      end
    end

    def places(table, ids, before, after)
      return [] if after == {}
      return ids if table == "places"
      return [] unless table == "follows"
      [before, after].flat_map { |rows| Array.wrap(rows).map { |row| row["place_id"] } }.compact
    end
    private_class_method :places
  end
end
