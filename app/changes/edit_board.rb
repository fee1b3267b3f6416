module Changes
  # Renames a board, or cuts its piece anew.
  class EditBoard < Change
    include OfBoard

    # @param name [String, nil] nil leaves it
    # @param source [Source, nil] nil leaves the piece
    def initialize(project, board:, name: nil, source: nil, corners: [], straightened: false)
      super(project)
      @board, @source, @corners, @straightened = board, source, corners, straightened
      @name = name && Magpie::Text.name(name, longest: 120)
    end

    private

    def prepare = @columns = @source ? cut(@source, @corners, @straightened).except(:source).merge(source_id: @source.id) : {}

    def make
      board = standing(@board)
      raise Magpie::Error, "A board needs a name" if @name && @name.empty?
      keep_piece if @source
      changed = {**@columns, name: @name}.compact.reject { |column, value| board[column] == value }
      @was = board.name
      changed.any? ? update(board, **changed) : @rows = Rows.new
      board
    end

    def words = @source ? "Cut the piece of #{@was} again" : "Renamed the board #{@was} to #{@name}"
  end
end
