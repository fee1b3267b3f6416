require "json"
require "zlib"

# What a click costs: bytes that come for it, as they are sent, and the server's time.
module Bench
  class Clicks
    # @param browser [Rack::Test::Session]
    # @param demo [Project]
    def initialize(browser, demo)
      @browser, @demo = browser, demo
      @swatches = demo.swatches.where(shared: true).order(:id).ids
    end

    def rows
      @turns = Bench.many(30, 1)
      click("A chip in Palettes", "palettes", %w[hand]) { |id| {swatch: id, stay: "palettes"} }
      click("A chip of the rack in Dress", "dress", %w[hand]) { |id| {swatch: id, stay: "dress", to: path("dress")} }
      click("A part dressed in Dress", "dress", ["artworks/#{@demo.artworks.first.id}/dress"]) { {parts: @demo.artworks.first.parts.find_by(key: "moor").position, act: "give-fill"} }
      click("A pixel read in Gather", "gather", ["sources/#{@demo.sources.first.id}/readings"]) { |id| {x: 100 + id, y: 90, probe: 5} }
      look("The other tab at the side of Palettes", "palettes?side=palette", "side")
      look("A part picked in Dress", "dress?tool=pick", "tools hand", "HTTP_X_PICKED" => "#{@demo.artworks.first.id}:14")
    end

    private

    def path(place) = "/projects/#{@demo.id}/#{place}"

    def click(what, place, (to))
      Bench.try(what) do
        page = @browser.get(path(place)).body
        token = page[/name="authenticity_token" value="([^"]+)"/, 1]
        sizes, turn = [], 0
        taken = Bench.median(@turns) do
          fields = yield(@swatches[(turn += 1) % @swatches.size])
          answer = send_action(token, path(place), path(to), fields)
          sizes << Zlib.gzip(answer).bytesize
        end
        tell(what, taken, sizes.sort[sizes.size / 2], page)
      end
    end

    def send_action(token, at, to, fields)
      body = JSON.generate(at:, actions: [{path: to, fields: fields.map { |name, value| [name, value.to_s] }}])
      answer = @browser.post("/actions", {}, {"rack.input" => StringIO.new(body), "CONTENT_TYPE" => "application/json", "CONTENT_LENGTH" => body.bytesize.to_s, "HTTP_X_CSRF_TOKEN" => token, "HTTP_X_WINDOW" => "bench"})
      raise answer.body[0, 300] unless answer.ok? && JSON.parse(answer.body)["told"].none? { |_, kind| kind == "wrong" }
      answer.body
    end

    def look(what, address, parts, headers = {})
      Bench.try(what) do
        page = @browser.get(path(address)).body
        size = 0
        taken = Bench.median(@turns) { size = Zlib.gzip(@browser.get(path(address), {}, "HTTP_X_PARTS" => parts, **headers).body).bytesize }
        tell(what, taken, size, page)
      end
    end

    def tell(what, taken, size, page)
      Bench.row "#{what}: answer to the click", taken, "–", "#{(size / 1024.0).round(1)} KB sent; the page is #{page.bytesize / 1024} KB, #{(Zlib.gzip(page).bytesize / 1024.0).round(1)} KB sent"
    end
  end
end
