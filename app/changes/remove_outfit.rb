module Changes
  # Removes an outfit. What wears it keeps what it has.
  class RemoveOutfit < Change
    include Likeness

    # @param outfit [Outfit]
    def initialize(project, outfit:)
      super(project)
      @outfit = outfit
    end

    private

    def make
      @outfit.lock!
      remove_outfits([@outfit.id])
    end

    def words = "Removed the outfit #{@outfit.name}"
  end
end
