module Changes
  # Takes a colourway off its artwork. What differs in it comes back with undo.
  class RemoveColourway < Change
    include OfColourway

    private

    def make
      refuse_first("make another one the first, then remove this one")
      @rows.standing_on(Artwork, [first.id]) # it comes back to what is there
      update(@artwork, removed_at: Time.now)
    end

    def words = "Removed the colourway #{@artwork.name}"
  end
end
