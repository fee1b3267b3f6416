module Changes
  # Puts a colourway at another place among those after the first.
  class MoveColourway < Change
    include OfColourway

    # @param by [Integer] places up or down
    def initialize(project, by:, **given)
      super(project, **given)
      @by = by
    end

    private

    def make
      refuse_first("it stands before the others")
      order = others.to_a
      to = (order.index(@artwork) + @by).clamp(0, order.size - 1)
      order.without(@artwork).insert(to, @artwork).each.with_index(1) { |each, position| update(each, position:) unless each.position == position }
    end

    def words = "Moved the colourway #{@artwork.colourway}"
  end
end
