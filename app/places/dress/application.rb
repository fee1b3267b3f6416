module Places
  module Dress
    # Dress: artworks, parts, and what they hold.
    class Application < Frame::Application
      lies_in "dress"
      locks_first
      helpers Helpers, ColourHelpers
      register Drawn, Finding, Colours

      get("/projects/:project/dress") do
        @page = Page.new(desk, param, picks)
        place_page "dress", :page
      end

      post("/projects/:project/artworks") do
        came, failed = bring_in(Changes::BringInArtwork)
        tell_what_came(what_came(came), failed, came.any? && at("dress", artwork: came.last.id))
      end

      # Parts are given what is in hand, or are cleared, or exchange fill and line.
      post("/projects/:project/artworks/:artwork/dress") do
        numbers = Numbers.read(param.text(:parts))
        case param.text(:act)
        when "exchange" then Changes::ExchangePaints.perform(project, actor:, artwork:, numbers:)
        when /\A(give|clear)-(fill|line)\z/ then Changes::DressParts.perform(project, actor:, artwork:, numbers:, role: $2, content: ($1 == "give") ? held : nil)
        else raise Magpie::Error, "#{param.text(:act)[0, 40].inspect} is nothing that can be done to parts"
        end
        touches "changes", "tools", "told", "side", "hand"
        redirect to(came_from&.start_with?(at("dress")) ? came_from : at("dress", artwork: artwork.id)), 303
      end
    end
  end
end
