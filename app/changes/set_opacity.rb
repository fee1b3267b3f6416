module Changes
  # How opaque the fill or line of parts is, beside whatever opacity its colour has.
  class SetOpacity < Change
    include OfParts

    # @param opacity [Float] 0..1
    def initialize(project, opacity:, **given)
      super(project, **given)
      @opacity = opacity
    end

    private

    def make
      ids = found_places
      @rows.standing_on(Artwork, [@artwork.id])
      update_all(Place, ids, opacity: @opacity, outfit_id: nil)
    end

    def words = "Made the #{@role} of #{parts} #{(@opacity * 100).round} % opaque"
  end
end
