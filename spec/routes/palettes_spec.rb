RSpec.describe App, "Palettes" do
  def app = described_class

  let(:project) { new_project }
  let(:group) { project.groups.first }
  let(:path) { "/projects/#{project.id}" }

  # As the one who looks.
  def choose(chosen)
    get "#{path}/palettes"
    post_with_token("hand", notation: "#E46F58") unless Hand.exists?(project:)
    Hand.find_by!(project:).tap { |hand| hand.choose(chosen) }.settle
  end

  def post_with_token(to, **values)
    get "#{path}/palettes"
    token = last_response.body[/name="authenticity_token" value="([^"]+)"/, 1]
    header "Referer", "http://example.org#{path}/palettes"
    post "#{path}/#{to}", {authenticity_token: token, **values}
    follow_redirect! while last_response.redirect?
    CGI.unescapeHTML(last_response.body)
  end

  it "goes on without Mix, and says so, where somebody removed what it was open on" do
    gone = keep(project, "Ember", "#E46F58")
    Changes::RemoveSwatches.perform(project, actor:, swatches: [gone], replacements: {})
    %w[gather palettes dress deliver].each do |place|
      get "#{path}/#{place}?mix=#{gone.id}"
      expect([last_response.status, last_response.body]).to match([200, /What Mix was open on was removed/]), place
    end
    get "#{path}/palettes?mix=0"
    expect(last_response.body).not_to include("What Mix was open on")
  end

  it "says what is wrong with a selection, a task or a shift, and changes nothing" do
    ember = keep(project, "Ember", "#E46F58")
    {["selection", {ids: "", do: "lock"}] => "Select swatches first", ["selection", {ids: ember.id, do: "polish"}] => "There is no such action",
     ["selection", {ids: ember.id, do: "order", now: 1, key: "size"}] => "no such order", ["shift", {palette: project.palettes.first.id}] => "Nothing is shifted yet",
     ["shift", {palette: project.palettes.first.id, hue: 720}] => "hue 720.0: expected -180 to 180", ["selection/blend", {ids: ember.id}] => "Choose two swatches or more",
     ["selection/move", {ids: ember.id, group: group.id, slot: 9000}] => "at most 5,000 slots", ["put", {slot: "#{group.id}:2"}] => "There is nothing in hand",
     ["swatches/#{ember.id}/restore", {change: 0, before: ember.hex}] => "has no such value in its history",
     ["paints", {shape: "linear", angle: 0, inks: ["s#{ember.id}"]}] => "1 ink: expected 2 to 48",
     ["selection/remove", {ids: ember.id, replace: {ember.id => ember.id}}] => "cannot be replaced by one that goes too"}.each do |(to, values), words|
      rows = rows_of_everything
      expect(post_with_token(to, **values)).to include(words), "#{to} #{values}"
      expect(rows_of_everything).to eq rows
    end
  end

  it "escapes names wherever a palette shows them" do
    nasty = %(<img src=x onerror="1">)
    Changes::EditPalette.perform(project, actor:, palette: project.palettes.first, name: nasty, note: nasty, tags: nasty)
    Changes::EditGroup.perform(project, actor:, group:, name: nasty, note: nasty)
    swatch = keep(project, nasty, "#E46F58")
    Changes::EditSwatch.perform(project, actor:, swatch:, fields: {note: nasty, code: nasty})
    Frame::Choices::VIEWS.each_key do |view|
      get "#{path}/palettes?swatch=#{swatch.id}"
      choose("view" => view)
      [nil, *Places::Palettes::Page::TASKS].each do |task|
        choose("selected" => [swatch.id, *project.groups.last.swatches.ids])
        get "#{path}/palettes?swatch=#{swatch.id}&do=#{task}"
        expect(last_response.status).to eq(200), "#{view} #{task}"
        expect(last_response.body).not_to include("<img src=x"), "#{view} #{task}"
      end
    end
    get "#{path}/shelf?palette=#{project.palettes.first.id}&find=onerror"
    expect(last_response.body).not_to include("<img src=x")
    expect(last_response.body).to include("&lt;img src=x")
  end

  it "asks the database no more often for forty swatches than for four, in every view" do
    counted = lambda do
      Frame::Choices::VIEWS.keys.map do |view|
        get "#{path}/palettes"
        choose("view" => view)
        queries = 0
        subscriber = ActiveSupport::Notifications.subscribe("sql.active_record") { |*, payload| queries += 1 unless payload[:name] == "SCHEMA" }
        get "#{path}/palettes"
        ActiveSupport::Notifications.unsubscribe(subscriber)
        queries
      end
    end
    4.times { |number| keep(project, "A #{number}", format("#%06X", number * 4000)) }
    few = counted.call
    36.times { |number| keep(project, "B #{number}", format("#%06X", number * 90_000)) }
    expect(counted.call).to eq few
  end

  it "answers what a shift would give, but for what is locked" do
    ember, lamp = keep(project, "Ember", "#E46F58"), keep(project, "Lamp", "#FFCE5C")
    lamp.update!(locked: true)
    get "#{path}/shift.json?palette=#{project.palettes.first.id}&lightness=5&warmth=20"
    expect(JSON.parse(last_response.body)[ember.id.to_s]).to eq Magpie::Palette::Shift.new(lightness: 5, warmth: 20).of(ember.colour).hex
    expect(JSON.parse(last_response.body)).not_to have_key(lamp.id.to_s)
    get "#{path}/shift.json?palette=#{project.palettes.first.id}&chroma=900"
    expect([last_response.status, JSON.parse(last_response.body)["error"]]).to eq [422, "chroma 900.0: expected -100 to 100"]
  end

  it "gives another version after each change, undo and redo" do
    versions = [-> { keep(project, "Ember", "#E46F58") }, -> { undo(project) }, -> { redo_change(project) }].map do |step|
      step.call
      get "#{path}/version.json"
      last_response.body
    end
    expect(versions.each_cons(2)).to all(satisfy { |before, after| before != after })
  end

  it "opens a palette of the house without using it, and says so" do
    get "#{path}/palettes?open=#{project && Palette.starter.id}"
    expect(last_response.body).to include("Starter groups", "Only opened here.")
    expect(project.palettes.reload).not_to include Palette.starter
  end

  it "shows both values of a name that somebody else changed, and keeps theirs until told" do
    ember = keep(project, "Ember", "#E46F58")
    Changes::EditSwatch.perform(project, actor:, swatch: ember, fields: {name: "Ember sky"})
    body = post_with_token("swatches/#{ember.id}/edit", name: "Glow", saw_name: "Ember")
    expect(body).to include("Somebody was faster", "Ember sky", "Glow")
    expect(ember.reload.name).to eq "Ember sky"
    post_with_token("swatches/#{ember.id}/edit", name: "Glow")
    expect(ember.reload.name).to eq "Glow"
  end

  it "carries codes, kinds and gradients in tokens, and says that nothing is lost" do
    ember, lamp = keep(project, "Ember", "#E46F58"), keep(project, "Lamp", "#FFCE5C")
    Changes::EditSwatch.perform(project, actor:, swatch: ember, fields: {code: "QO 14", kind: "spot"})
    inks = [ember, lamp].map { |swatch| Magpie::Palette::Compound::Ink.new(colour: swatch.colour, reference: swatch.id, offset: 0.0) }
    Changes::KeepPaint.perform(project, actor:, paint: Magpie::Palette::Compound.new(form: "radial", angle: 0.0, size: 6.0, inks:), group:, name: "Glow")
    value = Magpie::Formats.read(Magpie::Formats::Tokens.write(project.palettes.first.value), name: "x.tokens.json").palette
    brought = Changes::BringInPalette.perform(project, actor:, value:)
    expect(brought.swatches.find_by!(name: "Glow").paint.form).to eq "radial"
    expect(brought.swatches.find_by!(name: "Ember")).to have_attributes(code: "QO 14", kind: "spot")
    get "#{path}/deliver"
    expect(last_response.body).not_to include("gradient: ")
  end
end
