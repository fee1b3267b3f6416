module Changes
  # Takes an artwork off its project, with its colourways. Undo brings it back as it was.
  class RemoveArtwork < Change
    include OfArtwork

    private

    def make = update_all(Artwork, family.map(&:id), removed_at: Time.now)

    def words = "Removed #{@artwork.name}#{", with #{count(family.size - 1, "colourway")}" if family.size > 1}"
  end
end
