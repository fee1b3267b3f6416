module Changes
  # Puts a colourway at another place among those after the first.
  class MoveColourway < Change
    include OfColourway
    include Ordering

    # @param by [Integer] places up or down
    def initialize(project, by:, **given)
      super(project, **given)
      @by = by
    end

    private

    def make
      refuse_first("it stands before the others")
      put(others.to_a, @artwork, others.to_a.index(@artwork) + @by)
    end

    def words = "Moved the colourway #{@artwork.colourway}"
  end
end
