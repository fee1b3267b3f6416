module Changes
  # Begins a board with a piece that is cut from a source, on a ground.
  class BeginBoard < Change
    include OfBoard

    # @param source [Source]
    # @param corners [Array<Array<Float>>] shares of its width and height
    # @param content [Hand::Content] the first ground
    def initialize(project, source:, corners:, content:, straightened: false, name: "")
      super(project)
      @source, @corners, @straightened, @content, @name = source, corners, straightened, content, Magpie::Text.name(name, longest: 120)
    end

    private

    def prepare = @columns = cut(@source, @corners, @straightened)

    def make
      keep_piece
      name = Magpie::ColorName.unused(@name.presence || @source.name, project.boards.pluck(:name))
      @board = bring_in(Board, project:, name:, position: next_position(project.boards), **@columns)
      add_variant(@board, @content)
      @board
    end

    def words = "Began the board #{@board.name}"
  end
end
