RSpec.describe App, "when it is asked what cannot be answered" do
  def app = described_class

  let(:project) { new_project }

  def ask(path)
    header "Referer", "http://example.org#{path}"
    get path
    last_response
  end

  it "says so where it is asked, and leads nowhere" do
    answers = %w[/slice.png?plane=nope&held=1 /slice.png?held=1e999 /slice.png?plane=%ff].map { |path| ask(path) }
    expect(answers.map(&:status).uniq).to eq [422]
    expect(answers.map(&:content_type).uniq).to eq ["text/plain"]
    expect(answers[0].body).to start_with "no such slice: expected"
    page = ask("/projects/#{project.id}/mix/panels/tints?notation=nope&before=%23fff")
    expect([page.status, page.body.include?("This cannot be shown"), page.body.include?("“nope” is not a colour")]).to eq [422, true, true]
    expect(ask("/colour.json?notation=nope").body).to include("error")
  end

  it "takes nothing that is no text, wherever it stands" do
    ["/projects/%ff/gather", "/projects/#{project.id}/gather?find=%00", "/projects/#{project.id}/gather?source=%ff%fe", "/projects/#{project.id}/palettes?b=1&a=%ff",
      "/projects/#{project.id}/sources/%00/picture", "/colour.json?notation=%ff", "/nudge.json?notation=%23fff&step=%ff", "/projects/#{project.id}/shelf?find=%00"].each do |path|
      expect(ask(path).status).to eq(422), path
      expect(last_response.body).to include("no text")
    end
    token = get("/projects/#{project.id}/palettes").body[/name="authenticity_token" value="([^"]+)"/, 1]
    post "/projects/#{project.id}/palettes/#{project.palettes.first.id}/groups", {authenticity_token: token, name: "a\0b"}
    expect(last_response.status).to eq 303
    expect(project.groups.map(&:name)).not_to include(/\Aa/)
  end

  it "says where the picture would be that a drawing cannot be shown as one, and tries no second time" do
    greedy = %(<svg xmlns="http://www.w3.org/2000/svg" width="90" height="90">#{'<g opacity=".9">' * 80}<rect id="r" width="90" height="90"/>#{"</g>" * 80}</svg>)
    artwork = Changes::BringInArtwork.perform(project, actor:, name: "Layers.svg", bytes: greedy)
    get "/projects/#{project.id}/gather?artwork=#{artwork.id}"
    expect([last_response.status, last_response.body]).to match [200, /This cannot be shown as a picture.*Layers cannot be read: it makes the decoder stop.*Open it in Dress/m]
    expect(last_response.body).not_to include("Press on the picture")
    expect(Magpie::Walls).not_to receive(:picture)
    get "/projects/#{project.id}/artworks/#{artwork.id}/thumbnail"
    expect([last_response.status, last_response.body]).to match [422, /Layers cannot be read/]
    get "/artworks/#{artwork.id}/drawing.svg"
    expect(last_response.body).to include('data-part="0"')
  end

  it "tries again what met somebody else's work, and then says that it can be sent again" do
    tries = 0
    allow(Following::Graph).to receive(:lock).and_wrap_original { |lock| ((tries += 1) < 3) ? raise(ActiveRecord::Deadlocked, "met") : lock.call }
    token = get("/projects/#{project.id}/palettes").body[/name="authenticity_token" value="([^"]+)"/, 1]
    tries = 0
    post "/projects/#{project.id}/palettes/#{project.palettes.first.id}/groups", {authenticity_token: token, name: "Dusk sky"}
    expect([last_response.status, tries >= 3, project.groups.map(&:name).count("Dusk sky")]).to eq [303, true, 1]
    allow(Following::Graph).to receive(:lock).and_raise(ActiveRecord::Deadlocked, "met")
    post "/projects/#{project.id}/palettes/#{project.palettes.first.id}/groups", {authenticity_token: token, name: "Night"}
    expect([last_response.status, last_response.headers["Retry-After"]]).to eq [503, "1"]
    expect(last_response.body).to start_with "Others are changing the same things"
  end
end
