RSpec.describe App, "Dress, pictures" do
  def app = described_class

  let(:project) { new_project }
  let!(:wall) { Changes::BringInArtwork.perform(project, actor:, name: "Wall.png", bytes: Vips::Image.black(60, 40).add([200, 196, 184]).cast(:uchar).copy(interpretation: :srgb).pngsave_buffer) }
  let(:path) { "/projects/#{project.id}" }

  def send_form(address, **fields)
    get "#{path}/dress"
    token = last_response.body[/name="authenticity_token" value="([^"]+)"/, 1]
    header "Referer", "http://example.org#{path}/dress"
    post "#{path}/#{address}", {authenticity_token: token, **fields}
    follow_redirect! while last_response.redirect?
    [last_response.status, CGI.unescapeHTML(last_response.body)]
  end

  def take(hex) = send_form("hand", notation: hex)

  {
    {points: "here"} => "cannot be read", {points: "[]"} => "Nothing was pointed at", {points: "{}"} => "Nothing was pointed at", {points: '[["a", 2]]'} => "cannot be read", {points: "[[1]]"} => "cannot be read", {points: "[[900, 900]]"} => "No picture lies there", {points: "null"} => "Nothing was pointed at"
  }.each do |fields, words|
    it "refuses #{fields.inspect} by what is wrong, and changes nothing" do
      take("#E46F58")
      before = rows_of_everything
      status, body = send_form("artworks/#{wall.id}/fills", **fields)
      expect([status < 500, body[/#{words}/]]).to eq [true, words]
      expect(rows_of_everything).to eq before
    end
  end

  it "brings what is said of a patch into what can be, and refuses what is none" do
    take("#E46F58")
    send_form("artworks/#{wall.id}/fills", points: "[[10, 10]]", tolerance: "9999", gap: "-4", soft: "x", opacity: "400", way: "glow", where: "nowhere")
    aim = Magpie::Artwork::Layers.fills(Drawings.of(wall.reload.template)).sole.aim
    expect([aim, place(wall, "patch_1").opacity, PartSettings.new(wall, [wall.parts.sole.position]).all.values.first.blend]).to eq [{"x" => 10, "y" => 10, "tolerance" => 40.0, "everywhere" => false, "gap" => 0, "soft" => 1.0}, 1.0, "color"]
    number = wall.parts.sole.position
    {"artworks/#{wall.id}/fills/#{number}" => [{act: "melt"}, "nothing that can be done to a patch"], "artworks/#{wall.id}/fills/99" => [{act: "remove"}, "could be removed"], "artworks/#{wall.id}/layers" => [{at: "beneath"}, "No picture came in"], "tiles" => [{}, "No file came in"]}.each do |address, (fields, words)|
      expect([address, send_form(address, **fields).last.include?(words)]).to eq [address, true]
    end
    [200, 404].zip(["pictures/#{Magpie::Artwork::Layers.all(Drawings.of(wall.template)).sole.sha256}", "pictures/#{"0" * 64}"]) { |status, address| expect([address, get("/#{address}").status]).to eq [address, status] }
    ["pictures/..%2F..%2Fetc", "tiles/own_..", "tiles/dots"].each { |address| expect([address, get("/#{address}").status]).to eq [address, 404] }
  end

  it "shows what would be filled, and says where no picture lies" do
    get "#{path}/artworks/#{wall.id}/like.json?x=10&y=10"
    expect(JSON.parse(last_response.body)).to include("outline" => start_with("M0 0H60"), "share" => 100.0)
    get "#{path}/artworks/#{wall.id}/like.json?x=-10&y=1e300"
    expect([last_response.status < 500, last_response.body.include?("No picture lies there")]).to eq [true, true]
  end

  it "shows how a patch would be if it was looked for otherwise, and says of what is none" do
    take("#E46F58")
    send_form("artworks/#{wall.id}/fills", points: "[[10, 10]]")
    get "#{path}/artworks/#{wall.id}/like.json?part=#{wall.parts.sole.position}"
    expect(JSON.parse(last_response.body)).to include("outline" => start_with("M0 0H60"), "share" => 100.0)
    get "#{path}/artworks/#{wall.id}/like.json?part=99"
    expect([last_response.status < 500, last_response.body.include?("no patch of a picture")]).to eq [true, true]
  end
end
