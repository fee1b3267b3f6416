require "support/odd_requests"

# REQUESTS and SEED: see bin/fuzz.
RSpec.describe App, "when it is asked for anything at all" do
  def app = described_class

  batch = 400 # requests, after which everything is as it was
  count, seed = Integer(ENV.fetch("REQUESTS", "200")), Integer(ENV.fetch("SEED") { rand(1_000_000) })

  # Something of everything that addresses name.
  def furnish
    project = new_project
    bring_in_poster(project)
    kept = keep(project, "Ember", "#E46F58")
    keep(project, "Moor", "#121720")
    share(project, kept)
    source = Changes::BringInSource.perform(project, actor:, name: "dusk.png", bytes: flat_picture(20, 12, [226, 112, 90]).pngsave_buffer)
    Changes::TakeReading.perform(project, actor:, readable: source, aim: Aim.new(way: "square", x: 3, y: 3, size: 5))
    Changes::OpenFile.palette(project, actor:, name: "dusk.tokens.json", bytes: Magpie::Formats::Tokens.write(project.palettes.first.value))
    Changes::OpenFile.palette(project, actor:, name: "odd.csv", bytes: "eins;zwei;drei;vier\nEmber;61;45;35\n")
    project
  end

  def token = get("/projects/#{Project.first.id}/palettes").body[/name="authenticity_token" value="([^"]+)"/, 1] || get("/").body[/name="authenticity_token" value="([^"]+)"/, 1]

  # As a browser would send it, or nearly.
  def send_one(odd, given)
    fields = (odd.verb == "POST") ? {"authenticity_token" => given, "once" => SecureRandom.hex(8), **odd.fields} : odd.fields
    request(odd.path, {method: odd.verb, params: fields, **odd.headers})
  rescue ArgumentError, TypeError, URI::InvalidURIError
    nil # what cannot even be written down as a request
  end

  # In the suite a twentieth of them, others each time.
  part = ENV["REQUESTS"] ? 1 : 20

  it "answers each route with each kind of value in every field, none with 500, #{part} of SEED=#{seed}" do
    odd, asked = OddRequests.new(Random.new(seed)), 0
    furnish
    # What requests leave behind is taken back now and then, so that all is there for the next.
    odd.to_enum(:each, one_in: part, from: seed).each_slice(300 / part) do |some|
      Record.transaction(joinable: false, requires_new: true) do
        given = token
        some.each do |each|
          send_one(each, given)
          expect(last_response.status).to be < 500, each.inspect[0, 600]
        end
        asked += some.size
        raise ActiveRecord::Rollback
      end
    end
    expect(asked).to be_within(1).of(OddRequests::EACH.size / part)
  end

  (0...count).step(batch).each do |first|
    it "answers odd requests, #{batch} of SEED=#{seed + first}, none of them with 500" do
      random = Random.new(seed + first)
      odd = OddRequests.new(random)
      furnish
      given, answers = token, Hash.new(0)
      [batch, count - first].min.times do |number|
        asked = odd.one
        if random.rand < 0.08
          post "/actions", odd.actions, {"CONTENT_TYPE" => "application/json", "HTTP_X_CSRF_TOKEN" => given}
        else
          send_one(asked, given)
        end
        answers[last_response.status] += 1
        expect(last_response.status).not_to eq(500), "request #{number} of SEED=#{seed + first}: #{asked.inspect[0, 600]}"
        expect(last_response.headers).to include("content-security-policy", "x-content-type-options")
        expect(last_response.headers["location"].to_s).to match(%r{\A(http://example\.org/[^\r\n]*)?\z})
      end
      expect(answers.keys - [200, 303, 400, 404, 422]).to be_empty
    end
  end
end
