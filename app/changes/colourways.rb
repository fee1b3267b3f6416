module Changes
  # Writing places as some artworks show them. A colourway shows those of the first until
  # something is done to them there: then it gets one of its own, and loses it again where
  # it ends up holding just what the first holds.
  module Colourways
    private

    # @param artworks [Array<Artwork>] that something is done to
    # @param ids [Array<Integer>] places that they show
    # @return [Array<Integer>] the places to write, in the same order
    def own(artworks, ids)
      ways = artworks.select(&:colourway?)
      return ids if ways.empty?
      theirs = Place.among(ids).where.not(artwork_id: artworks.map(&:id)).ids.to_set
      made = ways.map { |way| copies(way, theirs.to_a) }
      ids.flat_map { |id| theirs.include?(id) ? made.filter_map { |copies| copies[id] } : [id] }.tap { |found| (@owned ||= Set.new).merge(found) }
    end

    # Gives a colourway places of its own, as those are of the first that it shows.
    # @return [Hash{Integer => Integer}] by those of the first
    def copies(way, ids)
      shown = Record.connection.select_values("SELECT id FROM shown_places WHERE shown_in = #{Integer(way.id)} AND artwork_id <> #{Integer(way.id)} AND id = ANY(#{Record.array(ids)})")
      return {} if shown.empty?
      @rows.created(Place, Copies.of_places(shown, way.id))
      pairs = Copies.pairs(shown, way.id)
      @rows.created(Follow, Copies.of_follows(pairs.map(&:first), way.id))
      pairs.to_h
    end

    # What is done to a colourway is done: it holds only what differs.
    def record
      drop(same_as_first(@owned.to_a)) if @owned&.any?
      super
    end

    # Places of colourways that show the first's again.
    def drop(ids)
      remove(Follow, Follow.where(place_id: ids).ids)
      remove(Place, ids)
    end

    # @return [Array<Integer>] those of colourways that hold what the first holds
    def same_as_first(ids)
      columns = ->(place) { "(#{Place::HELD.map { |column| "#{place}.#{column}" }.join(", ")}, #{Place.ties(place)})" }
      Record.connection.select_values(<<~SQL)
        SELECT own.id FROM places own JOIN artworks a ON a.id = own.artwork_id JOIN places p ON p.part_id = own.part_id AND p.role = own.role AND p.artwork_id = a.first_id
        WHERE own.id = ANY(#{Record.array(ids)}) AND #{columns.call("own")} IS NOT DISTINCT FROM #{columns.call("p")} ORDER BY 1
      SQL
    end
  end
end
