module Changes
  # Takes a test patch off its artwork.
  class RemovePatch < Change
    include OfPatch

    private

    def make = remove(Patch, [@patch.id])

    def words = "Took #{named} off"
  end
end
