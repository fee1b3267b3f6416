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
    {"gather" => "Begin with a picture", "palettes" => "Take a colour in hand", "dress" => "Bring in an artwork", "deliver" => "Bring one in on Dress"}.each do |place, words|
      get "/projects/#{project.id}/#{place}"
      expect(last_response.status).to eq 200
      expect(last_response.body).to include(words)
    end
    get "/"
    expect(last_response.body).to include("Night open house")
  end

  it "says that something is not there" do
    ["/projects/0/gather", "/projects/x/gather", "/nowhere", "/projects/#{project.id}/deliver/palettes/99999.tokens.json", "/projects/#{project.id}/sources/1/picture"].each do |path|
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
    expect(page.body).to include("notes.png is not a picture that I can read: expected PNG, JPEG, WebP or GIF, found text")
    expect(page.body).to include("cut.png is damaged", "Brought in dusk plate")
    expect(project.sources.pluck(:name)).to eq ["dusk plate"]
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
    expect(page.body).to include("ember", "Bring in 1", "sky.wide is a dimension, not a colour, skipped", "Nothing has been brought in yet")
    expect(project.palettes.count).to eq 1
    page = post_with_token("/projects/#{project.id}/imports", files: [upload('{"a":{"$type":"color","$value":"{a}"}}', "loop.tokens.json")])
    expect(page.body).to include("loop.tokens.json: the aliases a → a go round in a circle")
  end

  it "asks for each name that is there with another colour" do
    keep(project, "ember", "#111111")
    tokens = '{"First colours":{"$type":"color","ember":{"$value":"#e46f58"}}}'
    post_with_token("/projects/#{project.id}/imports", files: [upload(tokens, "dusk.tokens.json")])
    get "#{last_request.path}?into=#{project.palettes.first.id}"
    expect(last_response.body).to include("1 name with another colour", "keep ours", "take theirs", "keep both")
  end

  it "computes colours for the sheet, and says what is wrong with a bad one" do
    get "/colour.json", notation: "hsb 200 60 80"
    expect(JSON.parse(last_response.body)).to include("hex" => "#52A3CC", "rgb" => [82, 163, 204], "hsb" => [200, 60, 80], "inside" => true)
    get "/colour.json", notation: "hsb 200 160 80"
    expect(last_response.status).to eq 422
    expect(JSON.parse(last_response.body)["error"]).to eq "saturation is 160: expected 0 to 100"
  end

  it "sends artworks and palettes as files" do
    poster = bring_in_poster(project)
    get "/projects/#{project.id}/deliver/artworks/#{poster.id}/flat.svg"
    expect(last_response.headers["Content-Disposition"]).to include("poster-flat.svg")
    expect(last_response.body).to include("#E46F58")
    get "/projects/#{project.id}/deliver/palettes/#{project.palettes.first.id}.tokens.json"
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
