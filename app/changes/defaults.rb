module Changes
  # What parts get by default of which their file says no fill: what the project gives
  # them, if it gives something, instead of black.
  module Defaults
    private

    # @return [Swatch, nil] a shared one
    def default_swatch = project.default_swatch_id && Swatch.find_by(id: project.default_swatch_id, shared: true)

    # Not recorded one by one, as their parts are not.
    # @param artwork [Artwork] whose parts and places were just written
    # @param drawing [Magpie::Artwork]
    # @return [Integer] how many places
    def give_default(artwork, drawing)
      swatch, keys = default_swatch, drawing.places.select(&:unsaid).map(&:part)
      return 0 if swatch.nil? || keys.empty?
      ids = artwork.places.where(role: "fill", part_id: artwork.parts.reorder(nil).where(key: keys).select(:id)).order(:id).ids
      Place.where(id: ids).update_all(Place::PAINTED)
      Follow.insert_all!(ids.map { |id| {place_id: id, swatch_id: swatch.id} })
      @rows.standing_on(Swatch, [swatch.id])
      ids.size
    end
  end
end
