module Places
  module Dress
    # Dress: artworks, parts, and what they hold.
    class Application < Frame::Application
      lies_in "dress"
      helpers Helpers

      get("/projects/:project/dress") do
        @artworks = project.artworks.to_a
        @artwork = @artworks.find { |each| each.id == number(params[:artwork]) } || @artworks.first
        if @artwork
          @part = @artwork.parts.includes(places: :swatch).find_by(key: params[:part]) if params[:part]
          colours = ArtworkColours.new(@artwork)
          @linked, @strays = colours.linked, colours.strays
          @others = @artworks.without(@artwork).first(8)
          @part_counts = Artwork.part_counts([@artwork, *@others].map(&:id))
        end
        place_page "dress", :page
      end

      post("/projects/:project/artworks") do
        came, failed = bring_in(Changes::BringInArtwork)
        tell_what_came(what_came(came), failed, came.any? && at("dress", artwork: came.last.id))
      end

      post("/projects/:project/artworks/:artwork/dress") do
        keys = Array(params[:parts]).map(&:to_s).first(10_000)
        role = (params[:role] == "line") ? "line" : "fill"
        content = params[:clear] ? nil : held
        Changes::DressParts.perform(project, actor:, artwork:, keys:, role:, content:)
        redirect to(at("dress", artwork: artwork.id, part: keys.last, tool: params[:tool])), 303
      end
    end
  end
end
