module Places
  module Match
    # Board: a piece of material on a ground with trims, one variant of it large, all of them
    # beside it; or a source that a piece is about to be cut from.
    class BoardPage
      OWN = 6 # colours of the piece

      # @param param [Frame::Asked]
      # @param desk [Frame::Desk]
      def initialize(param, desk)
        @param, @desk = param, desk
      end

      def pool = @pool ||= Pool.new(@desk)

      def boards = @boards ||= @desk.project.boards.includes(:variants).to_a

      # @return [Board, nil]
      def board = @board ||= boards.find { |each| each.id == @param.id(:board) } || boards.first

      # @return [ShownBoard]
      def shown = @shown ||= ShownBoard.new(board)

      def variants = board ? shown.variants : []

      # The one that is large.
      # @return [ShownBoard::Shown, nil]
      def variant = @variant ||= variants.find { |each| each.id == @param.id(:variant) } || variants.first

      def number = variants.index(variant).succ

      def size(board) = [Magpie::Text.count(board.variants.size, "ground"), Magpie::Text.count(board.variants.map { |each| each.trims.size }.max.to_i, "trim")].join(", ")

      # Is what is in hand tried as its ground?
      def trying? = @param.on?(:try) && !content.nil?

      # @return [Hand::Content, nil]
      def content = defined?(@content) ? @content : @content = @desk.hand.content

      # What is large, with what is tried.
      # @return [ShownBoard::Shown]
      def seen = trying? ? variant.dup.tap { |tried| tried.ground = content.colour } : variant

      # @return [String] SVG
      def drawing = painter(seen).svg

      def painter(each) = shown.painter(each, piece: piece)

      # The address of its piece.
      def piece = "/projects/#{@desk.project.id}/match/boards/#{board.id}/piece.png?v=#{board.sha256[0, 12]}"

      # The entry that is nearest to the ground.
      # @return [Near, nil]
      def nearest = @nearest ||= pool.nearest(seen.ground, 1).first

      # The piece's own colours.
      # @return [Array<Magpie::Color>]
      def own = @own ||= OwnColours.of(board.sha256, OWN) { board.piece }

      # Is a piece about to be cut?
      def cutting? = board.nil? || %w[cut new].include?(@param[:do])

      # Of the board that there is, or for a new one.
      def again? = @param[:do] == "cut" && board

      def sources = @sources ||= @desk.rows.sources

      # @return [Source, nil]
      def source = @source ||= sources.find { |each| each.id == @param.id(:source) } || (sources.find { |each| each.id == board.source_id } if again?) || sources.first

      # Another ground than is large, to be seen beside it.
      # @return [ShownBoard::Shown, nil]
      def compared = @compared ||= variants.find { |each| each.id == @param.id(:beside) && each != variant }
    end
  end
end
