module Routes
  # Dress: artworks, parts, and what they hold.
  module Dress
    module Helpers
      def artwork = @artwork ||= project.artworks.find(number(params[:artwork]))

      # How many parts came in, and what was left out of the files.
      def what_came(artworks)
        return [] if artworks.empty?
        dropped = artworks.flat_map { |each| each.dropped.map { |line| "#{each.name}, #{line}" } }
        left_out = "Left out: #{dropped.first(6).join("; ")}#{" and #{dropped.size - 6} more" if dropped.size > 6}" if dropped.any?
        ["Brought in #{Magpie::Text.list(artworks.map { |each| "#{each.name}, #{count(each.part_count, "part")}" })}", left_out].compact
      end

      # [the nearest swatch, ΔE00]; far beyond any ΔE where there is none.
      def stray_near(hex)
        used_index.nearest(Magpie::Notation.parse(hex)) || [nil, Float::INFINITY]
      end
    end

    def self.registered(app)
      app.helpers Helpers

      app.get("/projects/:project/dress") do
        @artworks = project.artworks.to_a
        @artwork = @artworks.find { |each| each.id == number(params[:artwork]) } || @artworks.first
        if @artwork
          @part = @artwork.parts.includes(places: :swatch).find_by(key: params[:part]) if params[:part]
          colours = ArtworkColours.new(@artwork)
          @linked, @strays = colours.linked, colours.strays
          @others = @artworks.without(@artwork).first(8)
          @part_counts = Artwork.part_counts([@artwork, *@others].map(&:id))
        end
        place_page "dress", "page"
      end

      app.post("/projects/:project/artworks") do
        came, failed = bring_in(Changes::BringInArtwork)
        tell_what_came(what_came(came), failed, came.any? && at("dress", artwork: came.last.id))
      end

      app.post("/projects/:project/artworks/:artwork/dress") do
        keys = Array(params[:parts]).map(&:to_s).first(10_000)
        role = (params[:role] == "line") ? "line" : "fill"
        content = params[:clear] ? nil : held
        Changes::DressParts.perform(project, artwork:, keys:, role:, content:)
        redirect to(at("dress", artwork: artwork.id, part: keys.last, tool: params[:tool])), 303
      end
    end
  end
end
