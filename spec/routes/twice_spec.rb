RSpec.describe App, "when a form arrives twice, or late" do
  def app = described_class

  let(:project) { new_project }
  let(:group) { project.groups.first }

  def field(name) = last_response.body[/name="#{name}" value="([^"]+)"/, 1]

  # What the browser would send of a page's form.
  def look(place = "palettes")
    get "/projects/#{project.id}/#{place}"
    {authenticity_token: field("authenticity_token"), once: field("once"), held: field("held")}
  end

  def told
    follow_redirect! while last_response.redirect?
    last_response.body[/class="notice[^>]*><p>([^<]*)/, 1]
  end

  it "starts one project of two equal posts, and answers both the same" do
    get "/"
    values = {name: "Star trail", authenticity_token: field("authenticity_token"), once: field("once")}
    answers = Array.new(2) { post("/projects", values).then { |answer| [answer.status, answer.headers["Location"]] } }
    expect(answers.uniq.size).to eq 1
    expect(Project.where(name: "Star trail").count).to eq 1
    post("/projects", **values, once: "another-one")
    expect(Project.where(name: "Star trail").count).to eq 2
  end

  it "keeps and changes once, and says what was done both times" do
    post "/projects/#{project.id}/hand", {**look, notation: "#E46F58"}
    form = look
    words = Array.new(2) { post("/projects/#{project.id}/keep", {**form, group: group.id, name: "Ember"}) && told }
    expect(words).to eq ["Kept Ember in First colours"] * 2
    swatch = group.swatches.reload.sole
    form = look
    words = Array.new(2) { post("/projects/#{project.id}/swatches/#{swatch.id}/change", {**form, notation: "#2F8FA3", before: "#E46F58"}) && told }
    expect(words).to eq ["Ember is #2F8FA3 now"] * 2
    expect(RecordedChange.where(project:).count).to eq 2
  end

  it "takes a value that is there already for what was wanted" do
    swatch = keep(project, "Ember", "#E46F58")
    post "/projects/#{project.id}/swatches/#{swatch.id}/change", {**look, notation: "#2F8FA3", before: "#E46F58"}
    post "/projects/#{project.id}/swatches/#{swatch.id}/change", {**look, notation: "#2F8FA3", before: "#E46F58"}
    expect(told).to eq "Ember is #2F8FA3 now"
  end

  it "keeps nothing of a post that goes wrong, and does it when it comes again" do
    form = look
    post("/projects/#{project.id}/palettes/#{project.palettes.first.id}/groups", {**form, name: ""})
    expect(told).to eq "A group needs a name"
    post("/projects/#{project.id}/palettes/#{project.palettes.first.id}/groups", {**form, name: "Dusk sky"})
    expect(project.groups.map(&:name)).to include "Dusk sky"
  end

  it "gives nobody the answer of somebody else" do
    form = look
    post "/projects/#{project.id}/hand", {**form, notation: "#E46F58"}
    clear_cookies
    post "/projects/#{project.id}/hand", {**look, once: form[:once], notation: "#2F8FA3"}
    expect(Hand.where(project:).order(:id).map { |hand| hand.content.hex }).to eq %w[#E46F58 #2F8FA3]
  end

  it "brings the good files of several in, though one is damaged" do
    files = [["Poster.svg", DataSupport::POSTER], ["Odd.svg", "hello"], ["Badge.svg", DataSupport::POSTER.sub("</svg>", "<!-- another file --></svg>")]].map { |name, bytes| Rack::Test::UploadedFile.new(StringIO.new(bytes), "image/svg+xml", original_filename: name) }
    post "/projects/#{project.id}/artworks", {**look("dress"), files:}
    expect(told).to start_with "Odd.svg is not an SVG"
    expect(project.artworks.map(&:name)).to eq %w[Poster Badge]
  end

  it "shows what came from the same file before, and brings in none once more" do
    file = ->(name, bytes) { Rack::Test::UploadedFile.new(StringIO.new(bytes), "application/octet-stream", original_filename: name) }
    bring_in_poster(project)
    post "/projects/#{project.id}/artworks", {**look("dress"), files: [file.call("Copy.svg", DataSupport::POSTER)]}
    expect(told).to eq "Poster is here already, from the same file. This is it"
    expect(project.artworks.map(&:name)).to eq %w[Poster]
    plate = flat_picture(30, 20, [9, 90, 90]).pngsave_buffer
    2.times { |time| post "/projects/#{project.id}/sources", {**look, files: [file.call("plate #{time}.png", plate)]} }
    expect(told).to eq "plate 0 is here already, from the same file. This is it"
    expect(last_request.fullpath).to end_with "/gather?source=#{project.sources.sole.id}"
    post "/projects/#{project.id}/sources/#{project.sources.sole.id}/again", look
    expect(told).to eq "Brought in plate 0 once more"
    expect(project.sources.map { |source| [source.name, source.sha256] }.uniq.size).to eq 1
    2.times { post "/projects/#{project.id}/sources", {**look, as: "screen", files: [file.call("grab.png", flat_picture(8, 8, [1, 2, 3]).pngsave_buffer)]} }
    expect(project.sources.where(kind: "screen").count).to eq 2
  end

  it "refuses to keep or dress with what another window has put in hand since" do
    poster = bring_in_poster(project)
    post "/projects/#{project.id}/hand", {**look, notation: "#E46F58"}
    form = look
    post "/projects/#{project.id}/hand", {**look, notation: "#2F8FA3"}
    [["keep", {group: group.id}], ["put", {slot: "#{group.id}:1"}], ["artworks/#{poster.id}/dress", {parts: numbers(poster, "moor").join, act: "give-fill"}]].each_with_index do |(path, values), index|
      post "/projects/#{project.id}/#{path}", {**form, **values, once: "try-number-#{index}"}
      expect(told).to match(/Another window has put something else in hand meanwhile: .* #2F8FA3\. Nothing was done/)
    end
    expect([group.swatches.reload.count, place(poster, "moor").hex]).to eq [0, "#121720"]
    post "/projects/#{project.id}/keep", {**look, group: group.id}
    expect(group.swatches.reload.map(&:hex)).to eq ["#2F8FA3"]
  end

  it "refuses to undo what the form did not show" do
    keep(project, "Ember", "#E46F58")
    form = {**look, saw: last_response.body[/id="undo"/] && field("saw")}
    keep(project, "Moor", "#1D2432")
    post "/projects/#{project.id}/undo", form
    expect(told).to eq "Something was done since you looked: Undo would take back “Kept Moor in First colours” now. Look, and do it again"
    expect(group.swatches.reload.map(&:name)).to eq %w[Ember Moor]
  end

  it "refuses to write over a name or note that was changed since the form was drawn" do
    source = Changes::BringInSource.perform(project, actor:, name: "Dusk.png", bytes: noise_picture(60, 40, [120, 60, 90], 20).pngsave_buffer)
    palette = project.palettes.first
    form = look
    {"groups/#{group.id}" => group, "sources/#{source.id}" => source, "shelf/#{palette.id}" => palette}.each_with_index do |(path, record), index|
      was = record.name
      record.update!(name: "Theirs & co")
      post "/projects/#{project.id}/#{path}", {**form, once: "late-form-#{index}", name: "Mine", saw_name: was, note: record.note.to_s, saw_note: record.note.to_s}
      expect(CGI.unescapeHTML(told)).to eq "The name of Theirs & co was changed meanwhile, from “#{was}” to “Theirs & co”. You wanted “Mine”. Nothing was saved"
      post "/projects/#{project.id}/#{path}", {**form, once: "late-form-#{index}-again", name: "Mine", saw_name: "Theirs & co", note: ""}
      expect(record.reload.name).to eq "Mine"
    end
  end

  it "refuses main colours that are not what the form showed" do
    source = Changes::BringInSource.perform(project, actor:, name: "Dusk.png", bytes: noise_picture(60, 40, [120, 60, 90], 20).pngsave_buffer)
    form = look("gather")
    post "/projects/#{project.id}/sources/#{source.id}/main", {**form, saw: "#000000,#111111"}
    expect(told).to start_with "Another window has chosen other main colours meanwhile"
    expect(project.groups.size).to eq 2
  end
end
