module Changes
  # Puts an artwork at another place among those of its project.
  class MoveArtwork < Change
    include OfArtwork
    include Ordering

    # @param by [Integer] places up or down
    def initialize(project, by:, **given)
      super(project, **given)
      @by = by
    end

    private

    def make
      list = project.artworks.firsts.to_a
      put(list, @artwork, list.index(@artwork) + @by)
    end

    def words = "Moved #{@artwork.name} among the artworks"
  end
end
