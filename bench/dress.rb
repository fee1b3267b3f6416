require "json"
require "zlib"
require_relative "drawing"

module Bench
  # Dress with drawings as they come: many of them, and large ones.
  class Dress
    def initialize(browser) = @browser = browser

    def rows
      %i[bringing_in many large patterns fills].each { |part| Bench.try("Dress, #{part}") { send(part) } }
    end

    # The dusk of the demo at 12 megapixels, with the noise of a camera.
    def wall
      dusk = Vips::Image.new_from_buffer(Demo::Pictures.all["Dusk over the dome"], "")
      large = dusk.resize(Bench.many(4000.0, 200.0) / dusk.width)
      (large + Vips::Image.gaussnoise(large.width, large.height, sigma: 4, mean: 0, seed: 7)).cast(:uchar).copy(interpretation: :srgb).jpegsave_buffer(Q: 92)
    end

    private

    def project = @project ||= Changes::StartProject.perform(actor: Actor.new, name: "Many drawings")

    def bring_in(parts, name, project: self.project) = Changes::BringInArtwork.perform(project, actor: Actor.new, name: "#{name}.svg", bytes: Drawing.of(parts))

    def bringing_in
      {5_000 => "1,500 ms", 20_000 => "6,000 ms"}.each do |parts, promised|
        place = Changes::StartProject.perform(actor: Actor.new, name: "Drawing of #{parts}")
        Bench.row "A drawing of #{parts} parts brought in", Bench.median(3) { bring_in(Bench.many(parts, 50), "Field", project: place) }, promised
      end
    end

    def many
      Bench.many(40, 2).times { |n| bring_in(Bench.many(2_000, 50), "Field #{n + 1}") }
      link(project.artworks.first)
      page = nil
      taken = Bench.median(9) { page = @browser.get("/projects/#{project.id}/dress").body }
      Bench.row "Dress with 40 artworks of 2,000 parts: HTML", taken, "100 ms", "#{page.bytesize / 1024} KB, promised 150; #{Zlib.gzip(page).bytesize / 1024} KB sent"
      taken = Bench.median(9) { page = @browser.get("/projects/#{project.id}/deliver").body }
      Bench.row "Deliver with them: HTML", taken, "100 ms", "#{page.bytesize / 1024} KB"
    end

    # Each part is laid about its own middle, with grain on top and a line inside.
    def patterns
      place = Changes::StartProject.perform(actor: Actor.new, name: "Two hundred patterns")
      count = Bench.many(200, 4)
      given = {artwork: bring_in(count, "Field", project: place), numbers: (0...count).to_a, actor: Actor.new}
      inks = %w[#231F55 #FFCE5C #E46F58 #2F8FA3].map { |hex| Magpie::Palette::Compound::Ink.new(colour: Magpie::Notation.parse(hex), offset: 0.0) }
      paint = Magpie::Palette::Compound.new(form: "tartan", angle: 30.0, size: 6.0, inks:)
      Bench.row "200 parts painted with a pattern, once and filling", Bench.median(5) { Changes::PaintParts.perform(place, **given, role: "fill", paint:, laid: Magpie::Artwork::Tiling.new(fit: "filling")) }, "100 ms"
      Changes::SetSettings.perform(place, **given, settings: {grain: 0.3, width: 1.0, side: "inside"})
      told = nil
      Bench.row "… with grain and lines inside: all that a page is told", Bench.median(5) { told = JSON.generate(Places::Dress::Told.new(given[:artwork]).to_h) }, "100 ms", "#{told.bytesize / 1024} KB; #{Zlib.gzip(told).bytesize / 1024} KB sent"
      Bench.row "… and a small picture of them", Bench.median(5) { Magpie::Walls.small(::Dressing.new(given[:artwork]).flat, name: "Field") }, "500 ms"
    end

    def fills
      place = Changes::StartProject.perform(actor: Actor.new, name: "A large picture")
      artwork = Changes::BringInArtwork.perform(place, actor: Actor.new, name: "Dusk.jpg", bytes: wall)
      at = Bench.many([1200, 600], [60, 30])
      path = "/projects/#{place.id}/artworks/#{artwork.id}/like.json?x=#{at[0]}&y=#{at[1]}"
      tolerance = 6.0
      asked = -> { @browser.get("#{path}&tolerance=#{tolerance += 0.1}") }
      Bench.row "12 megapixels: the outline of what would be filled, asked for", Bench.median(15) { asked.call }, "100 ms", "#{asked.call.body.bytesize / 1024} KB"
      Bench.row "… everywhere, over gaps of 8 px", Bench.median(9) { @browser.get("#{path}&tolerance=#{tolerance += 0.1}&where=everywhere&gap=8") }, "100 ms"
      content = Hand::Content.new(name: "Ember", colour: Magpie::Notation.parse("#E46F58"))
      fill = ->(**aim) { Changes::FillPicture.perform(place, actor: Actor.new, artwork: artwork.reload, points: [at.map(&:to_f)], aim: {tolerance: (tolerance += 0.1).round(2), everywhere: false, gap: 0, soft: 1.0, **aim}, content:) }
      Bench.row "… filled", Bench.median(9) { fill.call }, "500 ms"
      Bench.row "… filled over gaps of 8 px", Bench.median(5) { fill.call(gap: 8) }, "500 ms"
    end

    # Its strays follow two swatches, so that there is something to follow.
    def link(artwork)
      group = artwork.project.groups.first
      @swatches = Drawing::COLOURS.first(2).map.with_index(1) { |hex, n| group.swatches.find_by(name: "Ink #{n}") || Swatch.create!(group:, name: "Ink #{n}", colour: Magpie::Notation.parse(hex), shared: true, position: n) }
      @swatches.zip(Drawing::COLOURS) { |swatch, hex| Demo.link(artwork.places.where(hex:), swatch) }
    end

    def large
      place = Changes::StartProject.perform(actor: Actor.new, name: "One large drawing")
      artwork = bring_in(Bench.many(5_000, 600), "Field", project: place)
      link(artwork)
      path = "/projects/#{place.id}/dress"
      page = @browser.get(path).body
      token = page[/name="authenticity_token" value="([^"]+)"/, 1]
      @browser.post "/projects/#{place.id}/hand", {authenticity_token: token, swatch: @swatches.last.id}
      Bench.analyze
      drawing(artwork)
      dress(artwork, path, token)
    end

    def drawing(artwork)
      drawing = @browser.get("/artworks/#{artwork.id}/drawing.svg").body
      paints = nil
      taken = Bench.median(9) { paints = @browser.get("/artworks/#{artwork.id}/paints.json").body }
      Bench.row "All paints of 5,000 parts, asked for once", taken, "–", "#{Zlib.gzip(paints).bytesize / 1024} KB sent; the drawing #{Zlib.gzip(drawing).bytesize / 1024} KB, once"
    end

    def dress(artwork, path, token)
      stamp, number, answer = Look.of([artwork])[artwork.id].stamp, 7, nil
      taken = Bench.median(15) do
        answer = act(token, path, "/projects/#{artwork.project_id}/artworks/#{artwork.id}/dress", {parts: number += 24, act: "give-fill"}, "#{artwork.id}-#{stamp}")
        stamp = JSON.parse(answer["page"][/data-since="\d+">([^<]+)</, 1].gsub("&quot;", '"'))["stamp"]
      end
      Bench.row "One part of 5,000 dressed", taken, "60 ms", "#{JSON.generate(answer).bytesize / 1024.0.round(1)} KB, promised 20"
    end

    def act(token, at, to, fields, painted)
      seen = @seen || @browser.get(at).body[/data-version="([\d-]+)"/, 1]
      body = JSON.generate(at:, actions: [{path: to, fields: fields.map { |name, value| [name, value.to_s] }}])
      headers = {"CONTENT_TYPE" => "application/json", "CONTENT_LENGTH" => body.bytesize.to_s, "HTTP_X_CSRF_TOKEN" => token, "HTTP_X_WINDOW" => "bench", "HTTP_X_SEEN" => seen, "HTTP_X_PAINTED" => painted}
      answer = JSON.parse(@browser.post("/actions", {}, {"rack.input" => StringIO.new(body), **headers}).body)
      raise answer["told"].inspect if answer["told"].any? { |_, kind| kind == "wrong" }
      raise "expected parts" unless answer["parts"]
      @seen = answer["page"][/data-version="([\d-]+)"/, 1]
      answer
    end
  end
end
