module Changes
  # Takes a tile off the list. Patterns that repeat it go on doing so.
  class RemoveTile < Change
    include OfProject

    def initialize(project, tile:)
      super(project)
      @tile = tile
    end

    private

    def make = update(@tile, removed_at: Time.now)

    def words = "Removed the tile #{@tile.name}"
  end
end
