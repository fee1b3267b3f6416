RSpec.describe App, "Dress, gradients" do
  def app = described_class

  let(:project) { new_project }
  let!(:poster) { bring_in_poster(project) }
  let(:path) { "/projects/#{project.id}" }
  let(:moor) { numbers(poster, "moor").first }

  def act(act, parts: moor, **fields)
    get "#{path}/dress"
    token = last_response.body[/name="authenticity_token" value="([^"]+)"/, 1]
    header "Referer", "http://example.org#{path}/dress"
    post "#{path}/artworks/#{poster.id}/dress", {authenticity_token: token, parts: parts.to_s, act:, **fields}
    follow_redirect! while last_response.redirect?
    [last_response.status, CGI.unescapeHTML(last_response.body)]
  end

  # What is said of a gradient or pattern.
  def self.it_refuses(fields, words)
    it "refuses #{fields.inspect[0, 70]} by what is wrong, and changes nothing" do
      before = rows_of_everything
      status, body = act("gradient-fill", **fields)
      expect([status, body[/#{words}/]]).to eq [status, body[/#{words}/] || words]
      expect(status).to be < 500
      expect(rows_of_everything).to eq before
    end
  end

  before { Changes::SwitchPaints.perform(project, actor:, artwork: poster, numbers: [moor], role: "fill", kind: "gradient") }

  stops = [{of: 0, offset: 0}, {of: 1, offset: 1}]
  {
    {handles: "{"} => "cannot be read", {handles: "[]"} => "cannot be read", {handles: "null"} => "cannot be read", {handles: "{}"} => "cannot be read", {handles: '{"stops":7}'} => "cannot be read",
    {handles: '{"stops":[{"of":9,"offset":0}]}'} => "cannot be read", {handles: '{"stops":[{"of":"x","offset":0}]}'} => "cannot be read", {handles: '{"stops":[{"offset":"near"}]}'} => "cannot be read",
    {handles: '{"stops":[]}'} => "0 inks: expected 2 to 48", {handles: JSON.generate(stops: stops * 40)} => "49 inks: expected 2 to 48",
    {handles: JSON.generate(stops:, from: [0, 0], to: [1e12, 0])} => "lies nowhere", {handles: JSON.generate(stops:, from: "here", to: [1, 0])} => "lies nowhere", {handles: JSON.generate(stops:, from: [0, 0], to: [1, 0], squash: "flat")} => "cannot be read|lies nowhere",
    {shape: "twill"} => "no form of a gradient", {mixing: "mud"} => "no way of mixing", {extent: "on"} => "nothing beyond the ends", {angle: "steep"} => "is no number",
    {stop: "9", stop_opacity: "40"} => "stop is 9: expected 0 to 1", {stop_opacity: "40"} => "Choose a stop first", {stop: "1", stop_tint: "40"} => "follows no swatch", {saw_paint: "then", handles: JSON.generate(stops:)} => "was painted otherwise meanwhile"
  }.each { |fields, words| it_refuses(fields, words) }

  it "refuses what is nothing that is done, or is done to nothing" do
    {"gradient-fill-explode" => "nothing that is done to a gradient", "gradient-fill-as_plaid" => "nothing that is done to a gradient", "gradient-fill-remove" => "two stops at least", "gradient-fill-give" => "Nothing is in hand",
     "gradient-line" => "holds no gradient", "switch-fill-glow" => "nothing that a part is painted with", "alike-fill" => "Carry it to another part"}.each do |act, words|
      status, body = act(act)
      expect([act, status < 500, body.include?(words)]).to eq [act, true, true]
    end
  end

  describe "of a pattern" do
    before { act("switch-fill-pattern") }

    by = {about: [0, 0], move: [4, 0], turn: 10, scale: 2}
    {
      {handles: "x"} => "handles of the pattern cannot be read", {handles: JSON.generate(by.merge(about: [0]))} => "cannot be read", {handles: JSON.generate(by.merge(turn: "a bit"))} => "cannot be read", {handles: JSON.generate(by.except(:move))} => "cannot be read",
      {handles: JSON.generate(by.merge(move: [1e30, 0]))} => "shifted nowhere", {handles: JSON.generate(by).sub("[4", "[1e400")} => "cannot be read|shifted nowhere", {fit: "tight"} => "no way to lay a pattern", {angle: "steep"} => "is no number", {shift_x: "left"} => "is no number", {shift_y: "1e9"} => "shifted nowhere"
    }.each { |fields, words| it_refuses(fields, words) }

    it "refuses another one that is none" do
      {"gradient-fill-as_plaid" => "is no pattern", "gradient-fill-reverse" => "nothing that is done to a pattern"}.each { |act, words| expect(act(act).last).to include words }
    end
  end

  it "shows tiles as chips wherever there are any" do
    inks = %w[#231F55 #FFCE5C].map { |text| Magpie::Palette::Compound::Ink.new(colour: hex(text), offset: 0.0) }
    Changes::KeepPaint.perform(project, actor:, paint: Magpie::Palette::Compound.new(form: "twill", angle: 0.0, size: 12.0, inks:), group: project.groups.first, name: "Cloth")
    %w[palettes dress palettes?view=grid].each do |place|
      chip = Nokogiri::HTML(get("#{path}/#{place}").body).at_css("[style][title^='Cloth'], [style][aria-label*='Cloth']")
      expect([place, chip&.[]("style")]).to match [place, /\Abackground:url\('data:image\/svg\+xml,[^'"]*%3Cpattern[^'"]*'\)/]
    end
  end
end
