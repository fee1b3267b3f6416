module Places
  module Dress
    # Artworks as browsers ask for them: the drawing and its paints, and small pictures.
    # Any page may show those of another project that a swatch reaches.
    module Drawn
      def self.registered(app)
        app.get("/artworks/:artwork/drawing.svg") do
          kept_under drawn_artwork.template[0, 16]
          content_type "image/svg+xml"
          drawing = Magpie::Artwork::Layers.resolved(Drawings.of(drawn_artwork.template)) { |sha256| ::Pictures.address(sha256) }
          ::Page::Painter.drawing(drawing, drawn_artwork.parts.pluck(:key, :position).to_h)
        end

        app.get("/artworks/:artwork/paints.json") do
          cache_control :no_store
          content_type :json
          JSON.generate(Told.new(drawn_artwork, since: param.whole(:since, 0..2**60, 0), swaps: Swaps.read(param.text(:swaps))).to_h)
        end

        app.get("/artworks/:artwork/printed.png") do
          content_type "image/png"
          seen, condition = Seen.new(drawn_artwork), actor.condition(param.id(:condition))
          kept_under "#{seen.version}-#{condition.press.key[0, 8]}"
          File.binread(seen.printed(condition, paper: param.on?(:paper)))
        end

        app.get("/artworks/:artwork/small.png") do
          content_type "image/png"
          if param.given?(:swaps)
            cache_control :private, max_age: 300
            halt Magpie::Walls.small(Dressing.new(drawn_artwork, swaps: Swaps.read(param.text(:swaps))).flat(small: true), name: drawn_artwork.name)
          end
          if param.given?(:try)
            cache_control :private, max_age: 300
            halt Magpie::Walls.small(Dressing.new(drawn_artwork, trying: tried).flat(small: true), name: drawn_artwork.name)
          end
          seen = Seen.new(drawn_artwork)
          kept_under seen.version
          etag "#{seen.key}-small"
          File.binread(seen.small)
        end
      end
    end
  end
end
