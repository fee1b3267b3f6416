module Changes
  # The gradient of parts lies otherwise in them: from there to there. What it is made of, and
  # what it follows, stays.
  class LayParts < Change
    include OfParts

    # @param laid [Magpie::Artwork::Placing, nil] nil: as usual
    def initialize(project, laid:, **given)
      super(project, **given)
      @laid = laid
    end

    private

    def make
      ids = found_places
      @rows.standing_on(Artwork, [@artwork.id])
      update_all(Place, ids, laid: @laid, outfit_id: nil)
    end

    def words = "Laid the gradient of #{"the line of " if @role == "line"}#{parts} #{@laid ? "otherwise" : "as usual"}"
  end
end
