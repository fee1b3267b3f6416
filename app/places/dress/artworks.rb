module Places
  module Dress
    # What is done to an artwork as one of its project's.
    module Artworks
      TOLD = 6 # parts that are named

      def self.registered(app)
        app.post("/projects/:project/artworks/:artwork/about") do
          on = artwork.id
          case (act = param.text(:act))
          when "rename" then of_artwork(Changes::RenameArtwork, name: param.text(:name))
          when "up", "down" then of_artwork(Changes::MoveArtwork, by: Colourways::MOVES[act])
          when "duplicate" then on = of_artwork(Changes::DuplicateArtwork).id
          when "remove" then of_artwork(Changes::RemoveArtwork).then { on = nil }
          else raise Magpie::Error, "#{act[0, 40].inspect} is nothing that can be done to an artwork"
          end
          touches "changes", "tools", "side", "hand", "others" if %w[rename up down].include?(act) # what is open stays open
          back_to_stage(artwork: on, **(%w[duplicate remove].include?(act) ? {beside: nil, colour: nil, pick: nil} : {}))
        end

        app.post("/projects/:project/artworks/:artwork/replace") do
          name, bytes = uploads(:files).first
          raise Magpie::Error, "No file came in. Choose an SVG" unless name
          change = of_artwork(Changes::ReplaceArtwork, name:, bytes:)
          tell replaced(change), change.lost.any? ? :wrong : :done
          back_to_stage(artwork: change.made.id, beside: nil, colour: nil, pick: nil)
        end
      end
    end
  end
end
