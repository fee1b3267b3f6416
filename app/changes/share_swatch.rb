module Changes
  # Makes a swatch shared and links the places that are named, in one step.
  class ShareSwatch < Change
    def initialize(project, swatch:, place_ids:)
      super(project)
      @swatch, @place_ids = swatch, place_ids
    end

    private

    def make
      update(@swatch, shared: true)
      ids = Candidates.of(@swatch).places.where(id: @place_ids).ids
      raise Magpie::Error, "#{count((@place_ids - ids).size, "place")} no longer holds that colour. Look at the list again" unless (@place_ids - ids).empty?
      update_all(Place, ids, swatch_id: @swatch.id, colour: nil, hex: nil)
      @linked = ids.size
    end

    def words = "Shared #{@swatch.name} and linked #{count(@linked, "place")}"
  end
end
