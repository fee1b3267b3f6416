module Places
  module Match
    # What the routes of boards ask for.
    module BoardHelpers
      def board = @board ||= project.boards.find(param.id(:board))

      def variant = @variant ||= Variant.where(board: project.boards).find(param.id(:variant))

      def source = @source ||= project.sources.find(param.id(:source))

      # Whoever knows the address may look.
      # @raise [ActiveRecord::RecordNotFound]
      def shared_board = @shared_board ||= Board.standing.find_by!(show_key: param.text(:key).presence || raise(ActiveRecord::RecordNotFound))

      def piece(board)
        content_type "image/png"
        kept_under board.sha256[0, 12]
        board.piece
      end

      # Of an outline, as shares of width and height.
      # @return [Array<Array<Float>>]
      # @raise [Magpie::Error]
      def corners
        numbers = param.text(:corners).split(/[ ,]+/).map { |text| Float(text, exception: false) }
        raise Magpie::Error, "Draw an outline on the picture first: three corners or more" unless numbers.all? { |number| number&.between?(-1, 2) } && numbers.size >= 6 && numbers.size.even?
        numbers.each_slice(2).to_a
      end

      # What is done to a variant.
      # @return [Hash] for Changes::EditVariant
      def edit
        case param[:act]
        when "lighter" then {steps: variant.steps + 1}
        when "darker" then {steps: variant.steps - 1}
        when "ground" then {ground: held}
        when "trim" then {trim: held}
        when "untrim" then {without: param.whole(:number, 0..Variant::TRIMS)}
        when "uses" then {uses: param.list(:uses)}
        when "note" then {entry: actor.entries.find(param.id(:entry))}
        when "unnote" then {entry: nil}
        else {name: param.text(:name)}
        end
      end
    end
  end
end
