module Changes
  # Places that become like others: painted as one is, with all that it follows, and drawn
  # so; and the outfits that parts wear, which do that for all that wear them.
  module Likeness
    private

    # @param ids [Array<Integer>] places
    # @param from [Place] that they are to be painted as
    # @param more [Hash] columns besides; without an outfit they wear none from then on
    def paint_like(ids, from, **more)
      return if ids.empty?
      ties = Follow.where(place_id: from.id).order(:id).pluck(:swatch_id, :ink)
      clear_places(ids)
      update_all(Place, ids, **Exchanging::PAINT.to_h { |column| [column, from[column]] }, outfit_id: nil, **more)
      create_all(Follow, ids.flat_map { |id| ties.map { |swatch_id, ink| {place_id: id, swatch_id:, ink:} } })
    end

    # @param set [Hash] settings by name
    def draw_like(ids, set)
      return if ids.empty?
      @rows.standing_on(Artwork, Place.where(id: ids).distinct.pluck(:artwork_id))
      update_all(Place, ids, settings: beside(set), outfit_id: nil)
    end

    # Settings beside which others stay that a place has.
    # @return [Arel::Nodes::SqlLiteral]
    def beside(set) = Arel.sql("NULLIF(COALESCE(settings, '{}') || #{Record.connection.quote(JSON.generate(set))}::jsonb, '{}')")

    # Parts wear an outfit: their places hold what it holds.
    # @param places [Hash{String => Array<Integer>}] by role
    def wear(outfit, places)
      outfit.places.reload.each do |held|
        paint_like(places.fetch(held.role, []), held, settings: beside(held.settings.to_h), outfit_id: outfit.id)
      end
    end

    # Places wear nothing any more, and hold what they hold.
    def take_off(ids)
      worn = Place.where(id: ids).where.not(outfit_id: nil).order(:id).ids
      update_all(Place, worn, outfit_id: nil)
    end

    # Outfits go. What wears them stays as it is.
    # @param ids [Array<Integer>] of outfits
    def remove_outfits(ids)
      worn, held = Place.where(outfit_id: ids).order(:id).pluck(:id, :artwork_id).partition(&:last).map { |rows| rows.map(&:first) }
      take_off(worn)
      remove(Follow, Follow.where(place_id: held).ids)
      remove(Place, held)
      remove(Outfit, ids)
    end

    # The fill and line of parts, as an artwork shows them.
    # @param numbers [Array<Integer>] of parts
    # @return [Hash{String => Array<Integer>}] ids of places by role, those of the artwork's own
    def places_by_role(artwork, numbers) = own_by_role(artwork, artwork.places_of(numbers))

    # @param places [ActiveRecord::Relation] that the artwork shows
    # @return [Hash{String => Array<Integer>}] as above
    def own_by_role(artwork, places)
      found = places.where(role: Outfit::ROLES).order(:id).pluck(:role, :id)
      own([artwork], found.map(&:last)).zip(found.map(&:first)).group_by(&:last).transform_values { |rows| rows.map(&:first) }
    end
  end
end
