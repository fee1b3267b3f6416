module Places
  module Dress
    # Dress: artworks, parts, and what they hold.
    class Application < Frame::Application
      lies_in "dress"
      locks_first
      helpers Helpers

      get("/projects/:project/dress") do
        @page = Page.new(desk, param)
        place_page "dress", :page
      end

      post("/projects/:project/artworks") do
        came, failed = bring_in(Changes::BringInArtwork)
        tell_what_came(what_came(came), failed, came.any? && at("dress", artwork: came.last.id))
      end

      post("/projects/:project/artworks/:artwork/dress") do
        keys = param.list(:parts)
        role = (param[:role] == "line") ? "line" : "fill"
        content = param[:clear] ? nil : held
        Changes::DressParts.perform(project, actor:, artwork:, keys:, role:, content:)
        redirect to(at("dress", artwork: artwork.id, part: keys.last, tool: param[:tool])), 303
      end
    end
  end
end
