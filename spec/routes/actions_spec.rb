RSpec.describe Places::Actions do
  def app = App

  let(:project) { new_project }
  let(:group) { project.groups.first }
  let(:base) { "/projects/#{project.id}" }

  def token = @token ||= get("#{base}/palettes").body[/name="authenticity_token" value="([^"]+)"/, 1]

  def version = HouseVersion.new(actor, project.reload, Hand.find_by(project:)).to_s

  # As the browser sends it.
  def send_actions(*actions, window: "one", seen: nil, **given)
    header "X-CSRF-Token", token
    header "X-Window", window
    header "X-Seen", seen || version
    body = JSON.generate(at: "#{base}/palettes", actions: actions.map { |path, fields| {path: "#{base}/#{path}", fields: fields.to_a} }, **given)
    post "/actions", body, "CONTENT_TYPE" => "application/json"
    JSON.parse(last_response.body) if last_response.ok?
  end

  def key = SecureRandom.hex(8)

  def hold(text) = ["hand", {notation: text, once: key}]

  def keep_held(name, **more) = ["keep", {group: group.id, name:, once: key, **more}]

  it "does them in their order, and answers with the page that they lead to" do
    answer = send_actions(hold("#E46F58"), keep_held("Ember"), hold("#2F8FA3"), keep_held("Teal"), ["groups/#{group.id}", {name: "Dusk", saw_name: group.name, once: key}])
    expect(group.reload.swatches.map { |each| [each.name, each.hex] }).to eq [%w[Ember #E46F58], %w[Teal #2F8FA3]]
    expect(answer["told"]).to eq [["Kept Ember in First colours", "done"], ["Kept Teal in First colours", "done"]]
    expect(answer["page"]).to include("Dusk", "Teal", %(id="app"))
    expect(answer.values_at("at", "parts")).to eq ["#{base}/palettes", nil]
    expect(answer["page"]).not_to include("notice-done") # the browser tells it
  end

  it "goes on from where each action led, and to where was gone after them" do
    ember = keep(project, "Ember", "#E46F58")
    answer = send_actions(["hand", {swatch: ember.id, stay: "palettes", once: key}], keep_held("Again"))
    expect(answer["at"]).to eq "#{base}/palettes?swatch=#{ember.id}"
    answer = send_actions(hold("#2F8FA3"), then: "#{base}/dress")
    expect([answer["at"], answer["page"].include?(%(<main class="dress"))]).to eq ["#{base}/dress", true]
  end

  it "answers with no more than the parts that changed" do
    ember = keep(project, "Ember", "#E46F58")
    answer = send_actions(["hand", {swatch: ember.id, stay: "palettes", once: key}])
    expect(answer["parts"]).to eq %w[side hand]
    expect(answer["page"]).to include(%(id="side"), %(id="hand"), "Ember")
    expect(answer["page"]).not_to include(%(class="rows"), %(id="app"))
    expect(send_actions(["hand", {swatch: ember.id, stay: "palettes", once: key}], keep_held("New"))["parts"]).to be_nil
    expect(send_actions(["hand", {swatch: ember.id, stay: "palettes", once: key}], whole: true)["parts"]).to be_nil
  end

  it "does once what is sent again, and goes on with the rest" do
    first, second = [hold("#E46F58"), keep_held("Ember")], [keep_held("Again")]
    send_actions(*first)
    answer = send_actions(*first, *second)
    expect(answer["told"].map(&:first)).to eq ["Kept Ember in First colours", "Kept Again in First colours"]
    expect(group.reload.swatches.map(&:name)).to eq %w[Ember Again]
  end

  it "tells what was refused, and does the others" do
    answer = send_actions(hold("#E46F58"), keep_held("Ember"), keep_held("ember"), ["swatches/0/change", {notation: "#fff", once: key}], keep_held("Glow"), ["nowhere", {once: key}])
    expect(answer["told"].map(&:last)).to eq %w[done wrong wrong done wrong]
    expect(answer["told"].map(&:first)).to include(/already has a swatch called ember/, "What this was about is not there any more. Nothing was done")
    expect(group.reload.swatches.map(&:name)).to eq %w[Ember Glow]
  end

  it "comes again whole when the database is busy, and does the first ones once" do
    calls = 0
    first, second = hold("#E46F58"), keep_held("Ember")
    allow(Following::Graph).to receive(:lock).and_wrap_original { |lock| ((calls += 1) > 0) ? raise(ActiveRecord::Deadlocked, "met") : lock.call }
    expect(send_actions(first, second)).to be_nil
    expect(last_response.status).to eq 503
    allow(Following::Graph).to receive(:lock).and_call_original
    expect(send_actions(first, second)["told"]).to eq [["Kept Ember in First colours", "done"]]
  end

  it "reads only what is one" do
    {"[" => 422, "[]" => 422, JSON.generate(at: "//elsewhere.example", actions: []) => 422, JSON.generate(at: "/actions", actions: []) => 422, JSON.generate(at: "#{base}/palettes", actions: [{path: "http://elsewhere.example/x"}]) => 422,
     JSON.generate(at: "#{base}/palettes", actions: [{path: "no"}]) => 422, JSON.generate(at: "#{base}/palettes", actions: [5, "x"]) => 422, JSON.generate(at: "#{base}/palettes", actions: [{path: base}] * 201) => 422}.each do |body, status|
      header "X-CSRF-Token", token
      post "/actions", body, "CONTENT_TYPE" => "application/json"
      expect(last_response.status).to eq(status), body[0, 80]
    end
    header "X-Window", "x" * 4000
    header "X-Seen", "5"
    header "X-CSRF-Token", token
    post "/actions", JSON.generate(at: "#{base}/palettes", actions: [{path: "#{base}/groups/#{group.id}", fields: {name: "Dusk", saw_name: "Old"}.to_a}]), "CONTENT_TYPE" => "application/json"
    expect(JSON.parse(last_response.body)["told"].flatten).to include(/was changed meanwhile/)
    header "X-CSRF-Token", "wrong"
    post "/actions", "{}", "CONTENT_TYPE" => "application/json"
    expect(last_response.status).to eq 403
  end

  describe "what a window did itself since its page" do
    it "is its own: it keeps what it took in hand, undoes what it did, and renames again" do
      seen = version
      send_actions(hold("#E46F58"), keep_held("Ember", held: "other"), seen:)
      send_actions(keep_held("Glow", held: "older"), ["undo", {saw: project.version, once: key}], ["undo", {saw: project.version, once: key}], ["redo", {saw: project.version, once: key}], seen:)
      expect(group.reload.swatches.map(&:name)).to eq %w[Ember]
      send_actions(["groups/#{group.id}", {name: "Dusk", saw_name: group.name, once: key}], ["groups/#{group.id}", {name: "Dusk sky", saw_name: group.name, once: key}], seen:)
      expect(group.reload.name).to eq "Dusk sky"
      ember = group.swatches.sole
      send_actions(*%w[#111111 #222222].map { |text| ["swatches/#{ember.id}/change", {notation: text, before: "#E46F58", once: key}] }, seen:)
      expect(ember.reload.hex).to eq "#222222"
    end

    it "is no longer, once another window did something" do
      seen, saw = version, project.version
      send_actions(hold("#E46F58"), keep_held("Ember"), seen:)
      send_actions(hold("#2F8FA3"), window: "two")
      answer = send_actions(keep_held("Glow", held: "older"), seen:)
      expect(answer["told"].flatten).to include(/Another window has put something else in hand/)
      keep(project, "Theirs", "#111111")
      answer = send_actions(["undo", {saw:, once: key}], ["groups/#{group.id}", {name: "Dusk", saw_name: "Old", once: key}], seen:)
      expect(answer["told"].map(&:first)).to match [/Something was done since you looked/, /was changed meanwhile/]
      expect(group.reload.swatches.map(&:name)).to eq %w[Ember Theirs]
    end

    it "is no longer, once somebody changed the house from another project" do
      ember = keep(project, "Ember", "#E46F58")
      seen = version
      other = new_project("Star trail")
      Changes::ChangeSwatch.perform(other, actor:, swatch: ember, colour: hex("#2F8FA3"), definition: "", before: "#E46F58")
      send_actions(["swatches/#{ember.id}/change", {notation: "#111111", before: "#E46F58", once: key}], seen:)
      expect(ember.reload.hex).to eq "#2F8FA3"
      expect(last_response.body).to include("Somebody was faster")
    end
  end
end
