module Places
  module Match
    # Boards: cut, given grounds and trims, shown, sent out.
    module Boards
      def self.registered(app)
        app.get("/projects/:project/match/board") do
          @page = BoardPage.new(param, desk)
          place_page "match", :board
        end

        # Full-screen, one ground at a time.
        app.get("/projects/:project/match/boards/:board/show") do
          @page = ShowPage.new(board, first: param.id(:variant), back: at("match/board", board: board.id)) { "/projects/#{project.id}/match/boards/#{board.id}/piece.png?v=#{board.sha256[0, 12]}" }
          erb :show, layout: false
        end

        app.get("/projects/:project/match/boards/:board/piece.png") { piece(board) }

        app.get("/projects/:project/match/boards/:board/board.png") do
          seen = ShownBoard.new(board)
          variant = seen.variants.find { |each| each.id == param.id(:variant) } || seen.variants.first or raise ActiveRecord::RecordNotFound
          content_type "image/png"
          attachment "#{board.name}, #{variant.name}.png"
          Magpie::Walls.drawn(seen.whole(variant).svg(width: 1120), 1680, name: board.name)
        end

        app.get("/projects/:project/match/boards/:board/sheet.svg") do
          content_type "image/svg+xml"
          attachment "#{board.name}.svg"
          Sheet.new(ShownBoard.new(board)).svg
        end

        app.post("/projects/:project/match/boards") do
          content = hand.content || Hand::Content.new(name: "Ground", colour: ShownBoard::EMPTY)
          begun = Changes::BeginBoard.perform(project, actor:, source:, corners:, straightened: param.on?(:straightened), name: param.text(:name), content:)
          tell "Began #{begun.name}. Try grounds on it"
          redirect to(at("match/board", board: begun.id)), 303
        end

        app.post("/projects/:project/match/boards/:board") do
          Changes::EditBoard.perform(project, actor:, board:, name: param.text(:name))
          go_on
        end

        app.post("/projects/:project/match/boards/:board/cut") do
          Changes::EditBoard.perform(project, actor:, board:, source:, corners:, straightened: param.on?(:straightened))
          redirect to(at("match/board", board: board.id)), 303
        end

        app.post("/projects/:project/match/boards/:board/remove") do
          Changes::RemoveBoard.perform(project, actor:, board:)
          tell "Removed #{board.name}"
          redirect to(at("match/board")), 303
        end

        app.post("/projects/:project/match/boards/:board/address") do
          Changes::ShowBoard.perform(project, actor:, board:, on: param.on?(:on))
          go_on
        end

        app.post("/projects/:project/match/boards/:board/variants") do
          beside = board.variants.find_by(id: param.id(:variant))
          added = Changes::AddVariant.perform(project, actor:, board:, content: held, beside:)
          redirect to(at("match/board", board: board.id, variant: added.id)), 303
        end

        app.post("/projects/:project/match/variants/:variant") do
          edited = Changes::EditVariant.perform(project, actor:, variant:, **edit)
          redirect to(at("match/board", board: edited.board_id, variant: edited.id)), 303
        end

        app.post("/projects/:project/match/variants/:variant/remove") do
          Changes::RemoveVariant.perform(project, actor:, variant:)
          redirect to(at("match/board", board: variant.board_id)), 303
        end

        # For a client, without a way into the house.
        app.get("/show/:key") do
          @page = ShowPage.new(shared_board) { "/show/#{param[:key]}/piece.png?v=#{shared_board.sha256[0, 12]}" }
          erb :show, layout: false
        end

        app.get("/show/:key/piece.png") { piece(shared_board) }
      end
    end
  end
end
