RSpec.describe App, :data do
  def app = described_class

  let(:project) { new_project }
  let!(:poster) { bring_in_poster(project) }
  let(:number) { numbers(poster, "ember_band").first }

  def json = JSON.parse(last_response.body)

  def cached = last_response.headers["Cache-Control"]

  it "sends a drawing once, without paint, under an address that changes with it" do
    get "/artworks/#{poster.id}/drawing.svg?v=#{poster.template[0, 16]}"
    expect([last_response.content_type, cached]).to match [%r{image/svg\+xml}, /immutable/]
    expect(last_response.body).to match(/id="of-file-ember_band"[^>]* data-part="#{number}"/)
    expect(last_response.body).not_to match(/ fill="#|#{Magpie::Artwork::Identifiers::MARK}/o)
    get "/artworks/#{poster.id}/drawing.svg?v=another"
    expect(cached).to eq "no-store"
  end

  it "sends its paints by number, or those since" do
    get "/artworks/#{poster.id}/paints.json"
    expect(json["paints"]).to include ["fill", "#E46F58", 1.0, [number]]
    keep(project, "Ember", "#E46F58").then { |ember| share(project, ember) }
    get "/artworks/#{poster.id}/paints.json?since=1"
    expect(json["paints"].map { |row| [row[0], row[3]] }).to eq [["fill", [number]]]
    get "/artworks/#{poster.id}/paints.json?since=x"
    expect(last_response.status).to eq 422
  end

  it "draws it small, as it is and as it would be" do
    ember = keep(project, "Ember", "#E46F58")
    share(project, ember)
    get "/artworks/#{poster.id}/small.png?v=#{Look.of([poster])[poster.id].key[0, 8]}"
    expect([last_response.content_type, cached]).to match ["image/png", /immutable/]
    before = Vips::Image.new_from_buffer(last_response.body, "")
    expect([before.width, before.height].max).to eq 480
    get "/artworks/#{poster.id}/small.png?try=#{ember.id}-2F8FA3.99999-FFFFFF"
    after = Vips::Image.new_from_buffer(last_response.body, "")
    at = ->(image) { image.getpoint(image.width * 0.1, image.height * 0.66).first(3) }
    expect([at.call(before), at.call(after)]).to eq [[228, 111, 88], [47, 143, 163]]
    expect(ember.reload.hex).to eq "#E46F58"
  end

  it "finds parts that are alike, and says what parts are called" do
    get "/projects/#{project.id}/artworks/#{poster.id}/alike.json?role=fill", {}, {"HTTP_X_PICKED" => "#{poster.id}:#{number}"}
    expect(json).to eq "numbers" => number.to_s
    get "/projects/#{project.id}/artworks/#{poster.id}/alike.json?hex=%23FFCE5C"
    expect(Places::Dress::Numbers.read(json["numbers"]).size).to eq 8
    get "/projects/#{project.id}/artworks/#{poster.id}/labels.json"
    expect(json["labels"][number]).to eq "Ember band"
  end

  describe "dressing a part" do
    def form(name) = last_response.body[/name="#{name}" value="([^"]*)"/, 1]

    def dress(**headers)
      get "/projects/#{project.id}/dress"
      fields = {authenticity_token: form("authenticity_token"), held: form("held"), once: SecureRandom.hex(8), parts: number.to_s, act: "give-fill"}
      body = {at: "/projects/#{project.id}/dress", actions: [{path: "/projects/#{project.id}/artworks/#{poster.id}/dress", fields: fields.to_a}]}
      page = last_response.body
      post "/actions", JSON.generate(body), {"CONTENT_TYPE" => "application/json", "HTTP_X_CSRF_TOKEN" => fields[:authenticity_token], "HTTP_X_WINDOW" => "w", "HTTP_X_SEEN" => page[/data-version="([\d-]+)"/, 1], "HTTP_X_PAINTED" => "#{poster.id}-1", **headers}
      json
    end

    def hold
      get "/projects/#{project.id}/dress"
      post "/projects/#{project.id}/hand", {authenticity_token: form("authenticity_token"), notation: "#2F8FA3"}
    end

    it "sends the parts of the page that it touches, and the paints that changed" do
      poster
      hold
      answer = dress
      expect(answer["parts"]).to eq %w[changes tools told side hand]
      expect(answer["page"]).to include('id="told"', "&quot;#2F8FA3&quot;", "stray").and match(/id="undo"[^>]* title="Undo: Dressed Ember band/m)
      expect(answer["page"]).not_to include("stage-drawing")
      expect(answer["page"].bytesize).to be < 20_000
    end

    it "sends the whole page where somebody else did something that the page does not show" do
      poster
      hold
      get "/projects/#{project.id}/dress"
      seen = last_response.body[/data-version="([\d-]+)"/, 1]
      keep(project, "Moor", "#1D2432")
      answer = dress("HTTP_X_SEEN" => seen)
      expect(answer["parts"]).to be_nil
      expect(answer["page"]).to include("stage-drawing", "Moor")
    end
  end
end
