module Changes
  # Parts of a colourway show again what the first shows there; or all of it does.
  class ResetParts < Change
    include OfColourway

    # @param numbers [Array<Integer>, nil] of parts; nil for all
    def initialize(project, numbers: nil, **given)
      super(project, **given)
      @numbers = numbers
    end

    private

    def make
      refuse_first("there is nothing to go back to")
      ids = @numbers ? @artwork.places_of(@numbers).where(artwork_id: @artwork.id).order(:id).ids : differing
      raise Magpie::Error, "Nothing there differs from #{first.colourway}" if ids.empty?
      @labels = Part.where(id: Place.where(id: ids).select(:part_id)).pluck(:label)
      @rows.standing_on(Artwork, [@artwork.id])
      drop(ids)
    end

    def words = "Set #{@numbers ? parts : "all"} of #{@artwork.name} back to #{first.colourway}"

    def parts = (@labels.size == 1) ? @labels.first : count(@labels.size, "part")
  end
end
