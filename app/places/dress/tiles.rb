module Places
  module Dress
    # Tiles of patterns that somebody brings in.
    module Tiles
      def self.registered(app)
        app.post("/projects/:project/tiles") do
          came, failed = bring_in(Changes::BringInTile)
          sentences = ["Brought in #{Magpie::Text.list(came.map(&:name))}: look among the patterns"] if came.any?
          tell_what_came(sentences, failed, nil)
        end

        app.post("/projects/:project/tiles/remove") do
          tile = project.own_tiles.find(param.id(:tile))
          Changes::RemoveTile.perform(project, actor:, tile:)
          tell "Removed #{tile.name}. What is painted with it stays; Undo brings it back"
          go_back
        end

        # A picture, as pages show it. It never changes.
        app.get("/tiles/:form") do
          type, bytes = Tile.known(param.text(:form))&.picture
          raise ActiveRecord::RecordNotFound unless type
          cache_control :private, :immutable, max_age: 31_536_000
          content_type type
          bytes.unpack1("m")
        end
      end
    end
  end
end
