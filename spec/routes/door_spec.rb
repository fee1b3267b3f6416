RSpec.describe App, "at the door" do
  def app = described_class

  let(:project) { new_project }

  def token = get("/projects/#{project.id}/palettes").body[/name="authenticity_token" value="([^"]+)"/, 1]

  def add_group(name, headers = {}, **fields)
    given = fields.delete(:token) || token
    post "/projects/#{project.id}/palettes/#{project.palettes.first.id}/groups", {authenticity_token: given, name:, **fields}, headers
    last_response
  end

  def groups = project.groups.map(&:name)

  it "answers to the machine's own names and to those of the setting, and to no other" do
    answers = ["localhost", "localhost:4567", "127.0.0.1:4567", "[::1]:4567", "example.org", "moor.example", "127.0.0.1.moor.example", "localhost.moor.example", "", "example.org@moor.example", "moor.example:80"].to_h do |host|
      get "/health", {}, {"HTTP_HOST" => host}
      [host, last_response.status]
    end
    expect(answers.select { |_, status| status == 200 }.keys).to eq ["localhost", "localhost:4567", "127.0.0.1:4567", "[::1]:4567", "example.org"]
    expect(answers.values.uniq).to eq [200, 403]
    expect(last_response.headers).to include("content-security-policy", "x-frame-options")
  end

  it "hears what a proxy says only where one is declared" do
    get "/projects/#{project.id}", {}, {"HTTP_X_FORWARDED_HOST" => "moor.example", "HTTP_X_FORWARDED_PROTO" => "https"}
    expect(last_response.headers["location"]).to start_with "http://example.org/projects/"
    stub_const("ENV", ENV.to_h.merge("PROXY" => "1"))
    get "/projects/#{project.id}", {}, {"HTTP_X_FORWARDED_HOST" => "example.org", "HTTP_X_FORWARDED_PROTO" => "https"}
    expect(last_response.headers["location"]).to start_with "https://example.org/projects/"
    get "/projects/#{project.id}", {}, {"HTTP_X_FORWARDED_HOST" => "moor.example"}
    expect(last_response.status).to eq 403
  end

  it "takes nothing that a page of another site sends, whatever token it has" do
    [{"HTTP_SEC_FETCH_SITE" => "cross-site"}, {"HTTP_SEC_FETCH_SITE" => "same-site"}, {"HTTP_SEC_FETCH_SITE" => "none"}, {"HTTP_ORIGIN" => "http://moor.example"}, {"HTTP_ORIGIN" => "null"}, {"HTTP_ORIGIN" => "http://example.org:81"}, {"HTTP_ORIGIN" => "https://example.org"}].each do |headers|
      expect(add_group("Foreign", headers).status).to eq(403), headers.inspect
    end
    expect(add_group("Ours", {"HTTP_SEC_FETCH_SITE" => "same-origin", "HTTP_ORIGIN" => "http://example.org"}).status).to eq 303
    expect(add_group("Without a token", token: "x").status).to eq 403
    expect(groups & ["Ours", "Foreign", "Without a token"]).to eq ["Ours"]
  end

  it "leads only to paths of ours" do
    ember = keep(project, "Ember", "#E46F58")
    ["/projects/#{project.id}/gather\r\nSet-Cookie: a=b", "//moor.example/", "http://moor.example/projects/#{project.id}/", "/projects/#{project.id}/\\moor.example", "/projects/#{project.id}/#{"x" * 9000}", "javascript:x", "/projects/#{project.id + 1}/gather"].each do |to|
      post "/projects/#{project.id}/hand", {authenticity_token: token, swatch: ember.id, to:}, {"HTTP_REFERER" => "http://moor.example//moor.example/x"}
      expect([last_response.status, last_response.headers["location"]]).to eq([303, "http://example.org/"]), to
    end
    post "/projects/#{project.id}/hand", {authenticity_token: token, swatch: ember.id, to: "/projects/#{project.id}/dress?tool=sweep"}
    expect(last_response.headers["location"]).to eq "http://example.org/projects/#{project.id}/dress?tool=sweep"
  end

  it "takes actions for addresses of ours only" do
    ["/projects/%ff/gather", "/projects/%00", "//moor.example/", "http://moor.example", "/actions", "/actions?x", "a", "", nil, 7, ["/"], "/\r\nx", "/%"].each do |path|
      [{"at" => path, "actions" => []}, {"at" => "/", "actions" => [{"path" => path, "fields" => []}]}, {"at" => "/", "then" => path || "x", "actions" => []}].each do |asked|
        post "/actions", JSON.generate(asked), {"CONTENT_TYPE" => "application/json", "HTTP_X_CSRF_TOKEN" => token}
        expect([last_response.status, last_response.body]).to match([422, /no address of this site/]), asked.inspect
      end
    end
  end

  it "takes actions where a person typed an address by hand" do
    post "/actions", JSON.generate(at: "/projects/#{project.id}/gather?find={a}|b'^[1]&x=%C3%A9", actions: []), {"CONTENT_TYPE" => "application/json", "HTTP_X_CSRF_TOKEN" => token}
    expect(last_response.status).to eq 200
  end

  it "says what it cannot read in one line, with all headers" do
    {["GET", "/?a=1&a[b]=2"] => 400, ["GET", "/?#{"a[x]" + "[x]" * 200}=1"] => 400, ["PUT", "/"] => 405, ["DELETE", "/projects/1"] => 405, ["GET", "/%ff"] => 422, ["GET", "/projects/%00"] => 422, ["GET", "/?find[]=1"] => 422, ["GET", "/?find=#{"x" * 20_000}"] => 422}.each do |(verb, path), status|
      request path, method: verb
      expect([last_response.status, last_response.headers["content-security-policy"].nil?]).to eq([status, false]), path[0, 40]
    end
    post "/projects/#{project.id}/sources", "--x\r\ncontent-disposition: form-data; name=\"files[]\"; filename=\"a.png\"\r\n\r\nhalf a f", {"CONTENT_TYPE" => "multipart/form-data; boundary=x", "HTTP_X_CSRF_TOKEN" => token}
    expect(last_response.status).to eq 400
  end

  it "tells what is not here by a line of the log, and what goes wrong by some" do
    log = StringIO.new
    get "/projects/999999/gather", {}, {"rack.errors" => log}
    expect([last_response.status, log.string]).to match [404, "404 GET /projects/999999/gather\n"]
    expect(last_response.headers["content-security-policy"]).to include("default-src 'none'")
    allow(HouseVersion).to receive(:new).and_raise(NoMethodError, "something of ours")
    get "/projects/#{project.id}/gather", {}, {"rack.errors" => log, "magpie.as_in_production" => true}
    expect([last_response.status, last_response.body]).to match [500, /Something went wrong here.*Nothing was changed/m]
    expect(last_response.headers).to include("content-security-policy", "x-content-type-options")
    expect(log.string).to include("something of ours")
  end

  it "gives up a statement that does not end, with nothing changed" do
    expect(Record.connection.select_value("SHOW statement_timeout")).to eq "1min"
    allow(Reach).to receive(:in_palettes) { Record.connection.execute("SET LOCAL statement_timeout = 20; SELECT pg_sleep(600)") }
    get "/projects/#{project.id}/palettes", {}, {"magpie.as_in_production" => true, "rack.errors" => (log = StringIO.new)}
    expect([last_response.status, last_response.body]).to match [500, /Nothing was changed/]
    expect(log.string).to include "statement timeout"
  end

  describe Frame::InFlight do
    # Holds what it is given until it is told to go on.
    let(:gate) { Queue.new }
    let(:entered) { Queue.new }
    let(:flight) { described_class.new(->(_) { entered << true && gate.pop && [200, {}, ["done"]] }) }

    def ask(person) = Thread.new { flight.call({"rack.session" => {"visitor" => person}})[0, 2] }

    it "bounds what one person asks for at once, and lets others in" do
      first = Array.new(described_class::OF_ONE) { ask("one").tap { entered.pop } }
      status, headers, = flight.call({"rack.session" => {"visitor" => "one"}})
      expect([status, headers["retry-after"]]).to eq [503, "1"]
      other = ask("two").tap { entered.pop }
      (first.size + 1).times { gate << true }
      expect([*first, other].map(&:value).map(&:first).uniq).to eq [200]
      again = ask("one").tap { entered.pop && gate << true }
      expect(again.value.first).to eq 200
    end

    it "bounds what all ask for at once, also those that have no mark" do
      asked = Array.new(described_class::OF_ALL) { |number| ask("person #{number}").tap { entered.pop } }
      expect(flight.call({"REMOTE_ADDR" => "127.0.0.1"}).first).to eq 503
      asked.size.times { gate << true }
      asked.each(&:join)
    end
  end
end
