RSpec.describe App do
  def app = described_class

  let(:project) { new_project }

  def follow_all
    follow_redirect! while last_response.redirect?
    last_response
  end

  def token = last_response.body[/name="authenticity_token" value="([^"]+)"/, 1]

  def post_with_token(path, **values)
    get "/projects/#{project.id}/gather"
    header "Referer", "http://example.org/projects/#{project.id}/gather"
    post path, {authenticity_token: token, **values}
    follow_all
  end

  def upload(bytes, name) = Rack::Test::UploadedFile.new(StringIO.new(bytes), "application/octet-stream", original_filename: name)

  it "answers on every place of an empty project with what to do next" do
    {"gather" => "Begin with a picture", "palettes" => "Take a colour in hand", "dress" => "Bring in an artwork", "deliver" => "You see what is in it before anything changes"}.each do |place, words|
      get "/projects/#{project.id}/#{place}"
      expect(last_response.status).to eq 200
      expect(last_response.body).to include(words)
    end
    get "/"
    expect(last_response.body).to include("Night open house")
  end

  it "says that something is not there" do
    ["/projects/0/gather", "/projects/x/gather", "/nowhere", "/projects/#{project.id}/deliver/artworks/99999/flat.svg", "/projects/#{project.id}/sources/0/picture"].each do |path|
      get path
      expect(last_response.status).to eq(404), path
    end
  end

  it "sends headers that let no foreign script in" do
    get "/"
    policy = last_response.headers["Content-Security-Policy"]
    expect(policy).to include("default-src 'none'", "script-src 'self'", "frame-ancestors 'none'")
    expect(policy).not_to match(/script-src[^;]*unsafe|script-src[^;]*data:/)
    expect(last_response.body).not_to match(/<script(?![^>]*src=)|\son\w+=/)
  end

  it "writes the session with pages and changes only, so that a late panel takes no words back" do
    get "/projects/#{project.id}/palettes"
    expect(last_response.headers["Set-Cookie"].to_s).to include "magpie="
    ["/projects/#{project.id}/mix/panels/tints?notation=%23E46F58&before=%23E46F58", "/colour.json?notation=%23E46F58", "/health"].each do |path|
      get path
      expect(last_response.status).to eq 200
      expect(last_response.headers["Set-Cookie"]).to be_nil, path
    end
    header "X-Refresh", "1"
    get "/projects/#{project.id}/palettes"
    expect(last_response.headers["Set-Cookie"]).to be_nil
  end

  it "serves scripts and styles without a session, and nothing else of the folder" do
    get "/projects/#{project.id}/gather"
    {"app.js" => "no-cache", "app.css?v=1" => "public, max-age=31536000, immutable", "app.js?v=1" => "public, max-age=31536000, immutable", "magpie.svg" => "no-cache"}.each do |name, kept|
      get "/build/#{name}"
      expect([name, last_response.status, last_response.headers["Set-Cookie"], last_response.headers["Cache-Control"]]).to eq [name, 200, nil, kept]
    end
    ["/build/../../Gemfile", "/build/%2e%2e/%2e%2e/Gemfile", "/build/missing.js"].each do |path|
      get path
      expect(last_response.status).to eq 404
    end
  end

  it "sends text compressed, to those who can read it so" do
    plain = get("/projects/#{project.id}/palettes").body
    header "Accept-Encoding", "gzip"
    %w[/projects/ID/palettes /build/app.js /build/app.css /colour.json?notation=%23E46F58].each do |path|
      get path.sub("ID", project.id.to_s)
      expect(last_response.headers["Content-Encoding"]).to eq("gzip"), path
    end
    get "/projects/#{project.id}/palettes"
    expect(Zlib.gunzip(last_response.body).bytesize).to be_within(200).of(plain.bytesize)
    expect(last_response.body.bytesize).to be < plain.bytesize / 3
    get "/build/fonts/azeret-mono-latin-wght-normal.woff2?v=1"
    expect(last_response.headers["Content-Encoding"]).to be_nil
  end

  it "refuses a change without the token" do
    post "/projects", name: "Forged"
    expect(last_response.status).to eq 403
    expect(Project.find_by(name: "Forged")).to be_nil
  end

  it "escapes what people type" do
    project.update!(name: "<script>alert(1)</script>")
    keep(project, "\"><img src=x onerror=go()>", "#E46F58")
    %w[gather palettes dress deliver].each do |place|
      get "/projects/#{project.id}/#{place}"
      expect(last_response.body).not_to include("<script>alert", "<img src=x")
    end
  end

  it "brings in what can be read of several files and names what cannot" do
    good = flat_picture(30, 20, [226, 112, 90]).pngsave_buffer
    page = post_with_token("/projects/#{project.id}/sources", files: [upload("just words", "notes.png"), upload(good, "dusk_plate.png"), upload(good[0, 60], "cut.png")])
    expect(page.body).to include("notes.png is not a picture that I can read: expected PNG, JPEG, WebP, GIF, TIFF, AVIF, HEIC or SVG, found text")
    expect(page.body).to include("cut.png is damaged", "Brought in dusk plate")
    expect(project.sources.pluck(:name)).to eq ["dusk plate"]
  end

  describe "reading" do
    let(:source) { Changes::BringInSource.perform(project, actor:, name: "dusk.png", bytes: flat_picture(30, 20, [226, 112, 90]).pngsave_buffer) }
    let(:path) { "/projects/#{project.id}/sources/#{source.id}" }

    it "answers what a patch would cover, and says what is wrong with a question" do
      get "#{path}/patch.json?x=3&y=4&tolerance=5"
      expect(JSON.parse(last_response.body)).to eq("outline" => "M0 0L30 0L30 20L0 20Z", "pixels" => 600, "hex" => "#E2705A")
      {"x=30&y=4&tolerance=5" => "30, 4 lies outside the picture, which is 30 × 20", "x=3&y=&tolerance=5" => 'y is "": expected a whole number',
       "x=3&y=4&tolerance=nine" => "the tolerance is 0.0: expected 0.5 to 40"}.each do |question, message|
        get "#{path}/patch.json?#{question}"
        expect([last_response.status, JSON.parse(last_response.body)["error"]]).to eq [422, message]
      end
    end

    it "says bad aims where the person is, and takes nothing" do
      {{probe: "4", x: 1, y: 1} => "the probe is 4 px", {probe: "round", corners: "1,1 2,2"} => "at least three corners", {probe: "5", x: "-3", y: "1"} => "lies outside the picture"}.each do |values, message|
        expect(post_with_token("#{path}/readings", **values).body).to include(message)
      end
      expect(project.finds).to be_empty
    end

    it "serves the file itself only where a browser shows what is read" do
      get "#{path}/picture"
      expect([last_response.media_type, last_response.body]).to eq ["image/png", Blob.bytes(source.sha256)]
      ink = Changes::BringInSource.perform(project, actor:, name: "ink.tif", bytes: flat_picture(9, 9, [90, 90, 20]).icc_transform("cmyk", input_profile: "srgb").tiffsave_buffer)
      get "/projects/#{project.id}/sources/#{ink.id}/picture"
      expect(last_response.media_type).to eq "image/png"
      shown = Vips::Image.pngload_buffer(last_response.body)
      expect(Magpie::Difference.de2000(Magpie::Color.srgb8(*shown.getpoint(4, 4)), Seen.new(ink).picture.at(4, 4).average)).to be < 0.8
    end

    it "finds no place for a sample of the screen, nor pictures of another kind" do
      find = Changes::TakeColour.perform(project, actor:, colour: hex("#2F8FA3"), way: "screen")
      ["finds/#{find.id}/crop.png", "finds/0/crop.png", "swatches/1/main", "artworks/#{source.id}/picture", "sources/#{source.id}/better/1"].each do |missing|
        get "/projects/#{project.id}/#{missing}"
        expect(last_response.status).to eq(404), missing
      end
    end

    it "says that a picture without colour has no main colours" do
      clear = Changes::BringInSource.perform(project, actor:, name: "clear.png", bytes: flat_picture(9, 9, [1, 2, 3]).bandjoin(Vips::Image.black(9, 9)).pngsave_buffer)
      get "/projects/#{project.id}/sources/#{clear.id}/main"
      expect(last_response.body).to include("The picture is transparent everywhere: there is no colour to find.")
    end

    it "takes a bad file of several without losing the others" do
      post path.sub(%r{/\d+\z}, ".json"), authenticity_token: get("/projects/#{project.id}/gather") && token, files: [upload("just words", "notes.png")]
      expect(JSON.parse(last_response.body)).to eq("came" => [], "before" => [], "told" => [], "failed" => ["notes.png is not a picture that I can read: expected PNG, JPEG, WebP, GIF, TIFF, AVIF, HEIC or SVG, found text"])
    end
  end

  it "reports what was dropped from an artwork" do
    svg = '<svg xmlns="http://www.w3.org/2000/svg" width="9" height="9"><script>x()</script><rect width="9" height="9"/></svg>'
    page = post_with_token("/projects/#{project.id}/artworks", files: [upload(svg, "door_sign.svg")])
    expect(page.body).to include("Brought in Door sign, 1 part", "Left out: Door sign, line 1: script element")
    expect(page.body).not_to include("x()")
  end

  it "shows a tokens file before anything is changed, and refuses one with a circle" do
    tokens = '{"sky":{"$type":"color","ember":{"$value":"#e46f58"},"wide":{"$type":"dimension","$value":"4px"}}}'
    page = post_with_token("/projects/#{project.id}/imports", files: [upload(tokens, "dusk.tokens.json")])
    expect(page.body).to include("ember", "Bring in 1 colour", ">sky.wide</b>", "a dimension, not a colour, left out")
    expect(project.palettes.count).to eq 1
    page = post_with_token("/projects/#{project.id}/imports", files: [upload('{"a":{"$type":"color","$value":"{a}"}}', "loop.tokens.json")])
    expect(page.body).to include("loop.tokens.json: the aliases a → a go round in a circle")
  end

  it "asks for each name that is there with another colour" do
    keep(project, "ember", "#111111")
    tokens = '{"First colours":{"$type":"color","ember":{"$value":"#e46f58"}}}'
    post_with_token("/projects/#{project.id}/imports", files: [upload(tokens, "dusk.tokens.json")])
    get "#{last_request.path}?into=#{project.palettes.first.id}"
    expect(last_response.body).to include("1 meets something that is here already", "Keep ours", "Take theirs", "Keep both")
  end

  it "computes colours for the sheet, and says what is wrong with a bad one" do
    get "/colour.json", notation: "hsb 200 60 80", swatch: "999999999"
    expect(JSON.parse(last_response.body)).to include("hex" => "#52A3CC", "inside" => true, "read" => "HSB", "channels" => a_hash_including("rgb" => [82, 163, 204], "hsb" => [200, 60, 80]))
    get "/colour.json", notation: "hsb 200 160 80"
    expect(last_response.status).to eq 422
    expect(JSON.parse(last_response.body)["error"]).to eq "saturation is 160: expected 0 to 100"
  end

  it "sends artworks and palettes as files" do
    poster = bring_in_poster(project)
    get "/projects/#{project.id}/deliver/artworks/#{poster.id}/flat.svg"
    expect(last_response.headers["Content-Disposition"]).to include("poster-flat.svg")
    expect(last_response.body).to include("#E46F58")
    post_with_token("/projects/#{project.id}/deliver/as", format: "tokens")
    get "/projects/#{project.id}/deliver/file/night-open-house-palette.tokens.json"
    expect(last_response.headers["Content-Disposition"]).to include("night-open-house-palette.tokens.json")
    expect(Magpie::Formats.read(last_response.body).palette).to eq project.palettes.first.value
  end

  it "asks the database no more often for forty swatches than for four" do
    queries = lambda do
      count = 0
      subscriber = ActiveSupport::Notifications.subscribe("sql.active_record") { |*, payload| count += 1 unless payload[:name] == "SCHEMA" }
      %w[palettes dress gather].each { |place| get "/projects/#{project.id}/#{place}" }
      ActiveSupport::Notifications.unsubscribe(subscriber)
      count
    end
    bring_in_poster(project)
    queries.call
    few = queries.call
    36.times { |n| keep(project, "Swatch #{n}", format("#%06X", n * 4000)) }
    expect(queries.call).to eq few
  end

  it "goes back only to this site" do
    get "/projects/#{project.id}/gather"
    header "Referer", "http://elsewhere.example/trap"
    post "/projects/#{project.id}/hand", authenticity_token: token, notation: "#E46F58"
    expect(last_response.headers["Location"].to_s).not_to include("elsewhere")
  end
end

RSpec.describe App, "Mix panels" do
  def app = described_class

  let(:project) { new_project }

  def panel(name, **question)
    get "/projects/#{project.id}/mix/panels/#{name}", {notation: "#E2705A", before: "#231F55", **question}
    last_response
  end

  it "say what cannot be made, and keep to their limits" do
    expect(panel("ramp", darkest: "x", darker: "99", turn_dark: "-9999").body).to include("Keep 12 as a group")
    expect(panel("ramp", adjusted: "1=mauve-ish").body).to include("“mauve-ish” is not a colour")
    expect(panel("harmony", rule: "septet", spread: "900").body).to include(%(max="90" value="90"))
    expect(panel("between", steps: "-4").body).to include("Keep 2 as a group")
    expect(panel("nothing").status).to eq 404
    expect(panel("tints", notation: "nope").status).to eq 422
  end

  it "find the nearest swatches of the whole house" do
    other = new_project("Star trail")
    keep(other, "Ember of another job", "#E2705A")
    expect(panel("checks").body).to include("Ember of another job")
  end
end
