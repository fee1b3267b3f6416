require "support/sent_forms"

RSpec.describe App, "matching" do
  include SentForms

  def app = described_class

  let(:project) { new_project }
  let!(:ember) { keep(project, "Ember sky", "#E46F58") }
  let!(:library) do
    swatches = {"Hearth clay" => ["TF 088", "#E3725F"], "=1+1" => ["TF 150", "#6D7284"]}.map { |name, (code, text)| Magpie::Palette::Swatch.new(name:, code:, colour: hex(text)) }
    Changes::BringInLibrary.perform(project, actor:, value: Magpie::Palette.new(name: "Tarn & Fell", groups: [Magpie::Palette::Group.new(name: "Tarn & Fell", swatches:)]))
  end
  let(:clay) { library.entries.first }

  def page(path) = get("/projects/#{project.id}/match#{path}").body

  def statements
    count = 0
    counting = ->(*, payload) { count += 1 unless payload[:name] == "SCHEMA" }
    ActiveSupport::Notifications.subscribed(counting, "sql.active_record") { yield }
    count
  end

  it "shows every page with and without anything to show, and escapes what people write" do
    keep(project, "<b>Ember & co</b>", "#E3725F")
    ["", "?search=clay", "?search=%3Cb%3E", "?entry=e#{clay.id}", "?entry=e999", "?side=presses", "/palette", "/palette?of=a9&ranks=s1:99,x:1&turned=s1", "/palette/proof", "/palette/readable", "/browse", "/browse?library=9&order=odd", "/board", "/board?do=new"].each do |path|
      expect([path, page(path)]).to match [path, include("Match")]
      expect([path, last_response.status, last_response.body.include?("<b>Ember &")]).to eq [path, 200, false]
    end
    empty = Changes::StartProject.perform(actor:, name: "Empty", client: "Quillmere Observatory", palette: false)
    Library.update_all(removed_at: Time.now)
    ["", "/palette", "/palette/proof", "/palette/readable", "/browse", "/board"].each do |path|
      get "/projects/#{empty.id}/match#{path}"
      expect([path, last_response.status]).to eq [path, 200]
    end
  end

  it "asks no more of the database where there is more to match" do
    page("/palette")
    few = statements { page("/palette") }
    20.times { |n| keep(project, "Colour #{n}", format("#%06X", n * 99_991)) }
    expect(statements { page("/palette") }).to be <= few + 2
  end

  it "gives a table that no spreadsheet takes for formulas" do
    post_with_token("match/palette/note", pairs: "#{ember.id}:e#{clay.id}:E46F58")
    expect(ember.reload.code).to eq "TF 088"
    keep(project, "Grey", "#6D7284")
    get "/projects/#{project.id}/match/palette.csv"
    rows = CSV.parse(last_response.body.force_encoding("UTF-8"), headers: true)
    expect(rows.find { |row| row["Name"] == "Grey" }["Match"]).to eq "'=1+1"
    expect(last_response.headers["Content-Disposition"]).to include "attachment"
  end

  it "refuses what is gone, what is not there, and what nobody may reach, with nothing changed" do
    before = rows_of_everything
    {["match/palette/note", {pairs: ""}] => "No row is ticked", ["match/palette/change", {pairs: "#{ember.id}:e99999:E46F58"}] => "removed meanwhile",
     ["match/change", {swatch: ember.id, to_match: "e0"}] => "gone", ["match/libraries/#{library.id}/keep", {version: "old", picked: "0", group: ember.group_id}] => "was changed meanwhile",
     ["match/boards", {source: 0}] => "not here"}.each do |(path, fields), words|
      post_with_token(path, **fields)
      follow_redirect! while last_response.redirect?
      expect([path, last_response.body]).to match [path, include(words)]
    end
    expect(rows_of_everything).to eq before
    ["/show/nothing", "/show/", "/show/../x", "/projects/#{project.id}/match/boards/1/piece.png", "/projects/#{project.id}/match/libraries/77/chart.json"].each do |path|
      get path
      expect([path, last_response.status]).to match [path, be_between(400, 499)]
    end
  end

  it "tells a chart and its names by an address that changes with it" do
    chart = page("/browse")[/data-chart="([^"]+)"/, 1].gsub("&amp;", "&")
    expect(JSON.parse(get(chart).body)).to eq("hexes" => "E3725F6D7284", "runs" => [[nil, 0, 2, 12]])
    expect(last_response.headers["Cache-Control"]).to include "immutable"
    Changes::EditEntry.perform(project, actor:, library:, entry: clay, colour: hex("#111111"))
    expect(page("/browse")[/data-chart="([^"]+)"/, 1].gsub("&amp;", "&")).not_to eq chart
  end
end
