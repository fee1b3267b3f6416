module Places
  module Dress
    # What is done to the colourways of an artwork.
    module Colourways
      MOVES = {"up" => -1, "down" => 1}.freeze

      def self.registered(app)
        app.post("/projects/:project/artworks/:artwork/colourways") do
          on = artwork
          case (act = param.text(:act))
          when "add" then on = colourway(Changes::AddColourway, name: param.text(:name), note: param.text(:note))
          when "edit" then colourway(Changes::EditColourway, name: param.text(:name), note: param.text(:note))
          when "up", "down" then colourway(Changes::MoveColourway, by: MOVES[act])
          when "reset" then colourway(Changes::ResetParts)
          when "first" then colourway(Changes::MakeFirst)
          when "remove" then colourway(Changes::RemoveColourway).then { on = Artwork.find(artwork.drawn_id) }
          else raise Magpie::Error, "#{act[0, 40].inspect} is nothing that can be done to a colourway"
          end
          touches "changes", "tools", "told", "side", "hand", "others", "panes" if %w[edit up down reset].include?(act) # what is open stays open
          back_to_stage(artwork: on.id)
        end
      end
    end
  end
end
