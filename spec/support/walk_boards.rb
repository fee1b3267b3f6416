# The steps of a walk that boards take: begun, given grounds and trims, removed.
module WalkBoards
  CORNERS = [[0.1, 0.1], [0.9, 0.1], [0.9, 0.9]].freeze

  def held_content = chance(3) ? Hand::Content.new(name: "Ground #{@random.rand(9)}", colour:) : Hand::Content.of_swatch(swatch)

  # Of its own project, which a change is of.
  def variant
    Variant.joins(:board).where(boards: {removed_at: nil}).order(:id).to_a.sample(random: @random) || raise(Magpie::Error, "There is no board")
  end

  def on_board(change, board, **given) = change.perform(board.project, actor: Actor.new, **given).tap { @story << "  #{RecordedChange.order(:id).last&.words}" }

  def begin_board
    of = project
    source = of.sources.first || Changes::BringInSource.perform(of, actor: Actor.new, name: "Tweed.png", bytes: picture)
    Changes::BeginBoard.perform(of, actor: Actor.new, source:, corners: CORNERS, content: held_content)
  end

  def add_variant = variant.then { |beside| on_board(Changes::AddVariant, beside.board, board: beside.board, content: held_content, beside:) }

  def edit_variant
    of = variant
    given = [{steps: @random.rand(-3..3)}, {ground: held_content}, {trim: held_content}, {without: 0}, {uses: %w[braid cord]}, {name: "Ground #{@random.rand(9)}"}, {entry: (any_entry unless chance(3))}].sample(random: @random)
    on_board(Changes::EditVariant, of.board, variant: of, **given)
  end

  def remove_variant = variant.then { |of| on_board(Changes::RemoveVariant, of.board, variant: of) }

  def remove_board = variant.then { |of| on_board(Changes::RemoveBoard, of.board, board: of.board) }
end
