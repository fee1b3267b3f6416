require "support/palette_screens"
require "support/gather_screens"

RSpec.describe "Quick work", :screen do
  include PaletteScreens
  include GatherScreens

  # Every request takes a second longer.
  def slow = page.driver.browser.network.emulate_network_conditions(latency: 1000)

  def offline(off = true) = page.driver.browser.network.emulate_network_conditions(offline: off)

  # The pointer acts whether an answer is awaited or not.
  def quick = page.driver.browser.mouse

  def quick_keys(*keys) = page.driver.browser.keyboard.type(*keys)

  def arrived = expect(page).to(have_no_css("html[data-waiting]", visible: :all, wait: 30))

  def changes = RecordedChange.order(:id).pluck(:words)

  def center(selector) = page.evaluate_script("(() => { const box = document.querySelector(#{selector.to_json}).getBoundingClientRect(); return { x: box.x + box.width / 2, y: box.y + box.height / 3 } })()").transform_keys(&:to_sym)

  def press(selector) = quick.click(**center(selector))

  # Parts of the stage that a click can reach.
  def parts_in_view(artwork)
    keys = artwork.places.joins(:part).where(role: "fill").where.not(kind: "none").order("parts.position").pluck("parts.key").uniq
    keys.select { |key| point_on(key) }
  end

  after { offline(false) }

  describe "at a second of latency" do
    it "holds and keeps twenty times in Palettes, in order" do
      open_place "palettes"
      names = ["Zenith indigo", "Rosehip", "Ember sky", "Peat", "Mist", "Tarnish", "Lamp", "Nebula teal", "Moonwash", "Last light"]
      chips = names.to_h { |name| [named(name), at(name)] }
      slow
      chips.each_value do |selector|
        press selector
        press "#keep"
      end
      expect(page).to have_css("#in-hand-before", visible: :all) { |last| last["data-name"] == "Moonwash" } # shown before any answer
      arrived
      group = Group.find_by!(name: "Dusk sky")
      expect(group.swatches.reload.last(10).map(&:hex)).to eq chips.keys.map(&:hex)
      expect(changes.grep(/\AKept/).size).to eq 10
      expect(page).to have_css(".hand-name", text: group.swatches.last.name)
      10.times { quick_keys([:control, "z"]) }
      arrived
      expect(group.swatches.reload.count).to eq 7
      expect(page).to have_css("#redo:not([disabled])").and have_css("#undo[disabled]")
      3.times { quick_keys([:control, :shift, "z"]) }
      quick_keys([:control, "z"])
      arrived
      expect(group.swatches.reload.count).to eq 9
    end

    it "dresses twenty times in Dress, and what is shown stays until the newest answer" do
      open_place "dress"
      poster = Artwork.find_by!(name: "Poster")
      parts = parts_in_view(poster).first(10)
      chips = ["Lamp", "Peat", "Rosehip", "Mist", "Ember sky", "Moonwash", "Tarnish", "Apricot", "Moor", "Plum hour"].first(parts.size).map { |name| named(name) }
      points = parts.map { |key| point_on(key) }
      press ".rack-chip[value='#{chips.last.id}']"
      arrived
      slow
      parts.zip(chips, points) do |_, chip, point|
        press ".rack-chip[value='#{chip.id}']"
        quick.click(**point)
      end
      shown = -> { parts.map { |key| fill_of("#stage", key) } }
      expect(shown.call).to eq chips.map(&:hex)
      arrived
      expect(shown.call).to eq chips.map(&:hex)
      expect(parts.map { |key| place(poster, key).reload.swatch&.name }).to eq chips.map(&:name)
    end

    it "reads twenty times in Gather, in order" do
      open_place "gather"
      dusk = Source.find_by!(name: "Dusk over the dome")
      visit "/projects/#{demo.id}/gather?source=#{dusk.id}"
      over(10, 10)
      before = demo.finds.count
      slow
      pixels = (1..20).map { |n| [60 * n + 20, 20 * n + 20] } # away from the pins that are there
      points = pixels.map { |x, y| over(x, y) }
      points.each { |point| quick.click(**point) }
      arrived
      finds = demo.finds.reload.first(20).reverse
      expect(demo.finds.count - before).to eq 20
      pixels.zip(finds) { |(x, y), find| expect([(find.x - x).abs, (find.y - y).abs].max).to be <= 3 }
      expect(find(".find[aria-selected=true]", visible: :all)["value"]).to eq finds.last.id.to_s
    end

    it "goes where was clicked last, after what was done before" do
      open_place "palettes"
      slow
      press at("Lamp")
      press "#keep"
      press ".places a[href$='deliver']"
      press ".places a[href$='dress']"
      arrived
      expect(page).to have_css("main.dress").and have_css(".notice", text: /Kept/)
      expect(page).to have_current_path(%r{/dress})
      expect(changes.last).to match(/\AKept .* in Dusk sky/)
    end
  end

  describe "without a server" do
    it "marks what waits, and sends it when the server is back" do
      open_place "dress"
      press ".rack-chip[value='#{named("Lamp").id}']"
      arrived
      one, other = parts_in_view(Artwork.find_by!(name: "Poster"))
      points = [one, other].map { |key| point_on(key) }
      offline
      quick.click(**points[0])
      expect(page).to have_css(".notice-waiting", text: "The server does not answer. What you did waits here and is sent as soon as it does.")
      quick.click(**points[1])
      expect(page).to have_css(".notice-waiting", text: "2 things that you did wait here")
      expect([fill_of("#stage", one), fill_of("#stage", other)]).to eq ["#FFCE5C"] * 2
      offline false
      expect(page).to have_no_css(".notice-waiting")
      arrived
      expect([one, other].map { |key| place(Artwork.find_by!(name: "Poster"), key).swatch.name }).to eq ["Lamp"] * 2
    end

    it "takes back what was shown, when it is not to wait" do
      open_place "dress"
      press ".rack-chip[value='#{named("Lamp").id}']"
      arrived
      was, point = fill_of("#stage", "moor"), point_on("moor")
      offline
      press ".rack-chip[value='#{named("Peat").id}']"
      quick.click(**point)
      expect(page).to have_css(".hand-name", text: "Peat")
      click_button "Take it back"
      expect(page).to have_css(".hand-name", text: "Lamp")
      expect(fill_of("#stage", "moor")).to eq was
      offline false
      arrived
      expect(RecordedChange.count).to eq 0
    end

    it "says that a page cannot be had, and stays" do
      open_place "palettes"
      offline
      press ".places a[href$='dress']"
      expect(page).to have_css(".notice-wrong", text: "The server does not answer. Try again when it runs")
      expect(page).to have_css("main.palettes")
    end
  end

  it "says what became of a file when the answer is none of ours, and takes the next" do
    open_place "gather"
    path = File.join(DOWNLOADS, "Moor.png").tap { |file| noise_picture(60, 40, [90, 60, 120], 8).pngsave(file) }
    network = page.driver.browser.network
    network.intercept
    page.driver.browser.on(:request) { |request| (request.url.include?("/sources.json") && !@through) ? request.respond(responseCode: 500, body: "<html>Bad gateway</html>") : request.continue }
    attach_file "files[]", [path, path.sub("Moor", "Fen").tap { |copy| FileUtils.cp(path, copy) }], make_visible: true
    expect(page).to have_css(".notice-wrong", text: "Moor.png: The server gave an answer (500) that cannot be read")
    expect(page).to have_no_css(".progress")
    @through = true
    attach_file "files[]", path, make_visible: true
    expect(page).to have_css(".source", text: "Moor")
  end

  it "moves a group as often as it is told to, however quickly" do
    open_place "palettes"
    slow
    form = "form[action$='groups/#{demo.groups.find { |each| each.name == "Every job" }.id}'][data-each]"
    2.times { page.evaluate_script("document.querySelector(#{form.to_json}).querySelector('[value=up]').click()") }
    arrived
    expect(demo.groups.map(&:name)).to eq ["Dusk sky", "Every job", "Night ground", "Brass and glass"]
  end

  it "begins a session anew when it is lost, and does what was asked" do
    open_place "palettes"
    page.driver.browser.cookies.clear
    press at("Lamp")
    expect(page).to have_css(".hand-name", text: "Lamp")
    arrived
    click_button "Keep"
    expect(page).to have_css(".notice", text: /\AKept/)
  end

  describe "two windows" do
    # What another window of the same browser shows, and what follows in it within a second.
    def beside(path)
      other = open_new_window
      within_window(other) do
        visit path
        yield
      end
    ensure
      other&.close
    end

    it "follow each other in every place, and while Mix is open" do
      lamp = named("Lamp")
      {"palettes" => at("Lamp"), "dress" => ".rack-chip[value='#{lamp.id}']", "gather" => nil, "deliver" => nil}.each_with_index do |(place, chip), index|
        colour = format("#%02X8040", 40 * index + 20)
        visit "/projects/#{demo.id}/#{place}?mix=#{named("Apricot").id}"
        expect(page).to have_content("Read as")
        beside("/projects/#{demo.id}/palettes") do
          Changes::ChangeSwatch.perform(demo, actor:, swatch: lamp.reload, colour: hex(colour), definition: "", before: lamp.hex)
          expect(page).to have_css("#{at("Lamp")}[title*='#{colour}']")
        end
        expect(page).to have_css("#undo[title*='#{colour}']")
        expect(page).to have_css("#{chip}[title*='#{colour}']") if chip
        expect(page).to have_css("#mix-hex", text: "#F3BA70")
      end
    end

    it "share what is in hand, and refuse what the other has taken there" do
      open_place "palettes"
      beside("/projects/#{demo.id}/dress") do
        press ".rack-chip[value='#{named("Lamp").id}']"
        expect(page).to have_css(".hand-name", text: "Lamp")
      end
      expect(page).to have_css(".hand-name", text: "Lamp")
    end
  end

  it "does once what is clicked twice" do
    open_place "palettes"
    chip("Lamp").click
    expect(page).to have_css(".hand-name", text: "Lamp")
    {"#keep" => "Lamp", "button[value=lock]" => "Lamp", "button[value=unlock]" => "Lamp"}.each do |button, name|
      chip(name).click
      expect(page).to have_css(".side h1", text: name)
      expect { find(button).double_click && arrived }.to change(RecordedChange, :count).by(1)
    end
    chip("Lamp").click
    click_link "Change everywhere"
    expect(page).to have_content("Read as")
    fill_in "Colour in any notation", with: "teal"
    expect(page).to have_css("#mix-hex", text: "#008080")
    expect { find("#mix-apply").double_click && arrived }.to change(RecordedChange, :count).by(1)
    expect(page).to have_no_css("#mix")
    fill_in "Name of a new group", with: "Twice", match: :first
    expect { find("button", text: "Add group", match: :first).double_click && arrived }.to change(RecordedChange, :count).by(1)
    visit "/"
    fill_in "What is the job?", with: "Star trail"
    expect { find_button("Start the project").double_click && arrived && page.has_css?("main.gather") }.to change(Project, :count).by(1)
  end
end
