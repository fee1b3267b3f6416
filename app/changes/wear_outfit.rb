module Changes
  # Parts wear an outfit from now on: they hold what it holds, and follow it.
  class WearOutfit < Change
    include OfParts
    include Ties
    include Likeness

    # @param outfit [Outfit, nil] nil takes off what they wear, and leaves them as they are
    def initialize(project, outfit:, **given)
      super(project, **given)
      @outfit = outfit
    end

    private

    def make
      @outfit&.lock!
      found_parts
      @rows.standing_on(Artwork, [@artwork.id])
      return wear(@outfit, places_by_role(@artwork, @numbers)) if @outfit
      worn = @artwork.places_of(@numbers).where.not(outfit_id: nil).order(:id).ids
      raise Magpie::Error, "Nothing that is picked wears an outfit" if worn.empty?
      take_off(own([@artwork], worn))
    end

    def words = @outfit ? "Gave #{parts} the outfit #{@outfit.name}" : "Took the outfit off #{parts}"
  end
end
