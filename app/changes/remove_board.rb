module Changes
  # Removes a board with its variants.
  class RemoveBoard < Change
    include OfBoard

    def initialize(project, board:)
      super(project)
      @board = board
    end

    private

    # Its places go, so that nothing unseen follows a swatch.
    def make
      board = standing(@board)
      variants = board.variants.ids
      take_places(Place.where(variant_id: variants).ids)
      remove(Variant, variants)
      update(board, removed_at: Time.now)
    end

    def words = "Removed the board #{@board.name}"
  end
end
