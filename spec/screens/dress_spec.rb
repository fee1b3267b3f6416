require "support/dress_screens"

RSpec.describe "Dress, picking", :screen do
  before { open_dress }

  it "picks what lies on top, and what lies below at the next click" do
    point = point_on("ember_band")
    mouse.click(**point)
    picks "ember_band"
    expect(page).to have_content("1 picked: Ember band")
    mouse.click(**point)
    eventually { expect(outlined.size).to eq(1).and satisfy { outlined != ["ember_band"] } }
    mouse.click(**on_stage(1.06, 0.5))
    picks
    expect(page).to have_no_content("picked:")
  end

  it "adds and takes away with Shift, and says what they have in common" do
    click_part "ember_band"
    click_part "plum_band", shift: true
    click_part "moor", shift: true
    picks "ember_band", "moor", "plum_band"
    expect(page).to have_content("3 parts picked")
    within("#picked") { expect(page).to have_content("Fill of 3 parts").and have_content("Mixed").and have_content("3 different") }
    click_part "plum_band", shift: true
    picks "ember_band", "moor"
    expect(page).to have_content("2 parts picked")
  end

  it "draws a frame, and picks what it touches" do
    drag_over(on_stage(0.13, 0.15), on_stage(0.38, 0.27))
    expect(page).to have_css(".select-frame")
    mouse.up
    picks "night_sky", "planet_disc", "planet_ring", "stars/circle7"
    expect(page).to have_no_css(".select-frame")
    drag_over(on_stage(0.7, 0.05), on_stage(0.78, 0.14))
    keys :escape
    mouse.up
    picks "night_sky", "planet_disc", "planet_ring", "stars/circle7"
  end

  it "finds more: the group round it, the same fill or line, near colours, a colour of the list" do
    click_part "planet_disc"
    within("#picked") { find("#pick-more summary").click }
    click_button "All with this line"
    picks "planet_disc", "planet_ring"
    click_part "planet_ring"
    picks "planet_ring"
    find("#pick-more summary").click
    click_button "The group round it"
    picks "planet_disc", "planet_ring"
    find("#stage").evaluate_script("this.focus()")
    keys "w"
    expect(page).to have_content("20 parts picked")
    keys "W", "W"
    picks "planet_ring"
    within(".in-artwork") { find("a", text: "Lamp").click }
    expect(page).to have_content("8 parts picked")
    click_part "ember_band"
    find("#pick-more summary").click
    fill_in "ΔE", with: "30"
    click_button "All near this colour"
    eventually { expect(outlined).to include("ember_band", "apricot_band", "rosehip_band") }
  end

  it "keeps what is picked through work of others, undo, another artwork and a new page" do
    click_part "moor"
    click_part "ember_band", shift: true
    picks "ember_band", "moor"
    Changes::DressParts.perform(demo, actor:, artwork: poster, numbers: numbers(poster, "plum_band"), role: "fill", content: Hand::Content.new(name: "Red", colour: hex("#FF0000")))
    eventually { expect(fill_of("#stage", "plum_band")).to eq "#FF0000" }
    expect(outlined).to eq %w[ember_band moor]
    click_button "Exchange"
    expect_done "Exchanged fill and line of 2 parts"
    expect([fill_of("#stage", "ember_band", "stroke"), fill_of("#stage", "ember_band")]).to eq ["#E46F58", "none"]
    click_button "Undo"
    eventually { expect(fill_of("#stage", "ember_band")).to eq "#E46F58" }
    find(".other", text: "Badge").click
    expect(page).to have_css(".tools", text: "Badge, 13 parts.")
    settled
    find(".other", text: "Poster").click
    expect(page).to have_content("2 parts picked")
    page.driver.refresh
    expect(page).to have_content("2 parts picked")
    picks "ember_band", "moor"
  end

  it "walks by key, gives, clears and lets go" do
    hold "Nebula teal"
    find("#stage").evaluate_script("this.focus()")
    keys :right
    picks "night_sky"
    keys :right
    eventually { expect(outlined).not_to eq ["night_sky"] }
    keys :left, :enter
    expect_done "Dressed Night sky with Nebula teal"
    expect(fill_of("#stage", "night_sky")).to eq "#2F8FA3"
    keys "f"
    expect(page).to have_css("#target input[value=line]:checked", visible: :all)
    settled
    find("#stage").evaluate_script("this.focus()")
    keys :enter
    expect_done "Dressed the line of Night sky with Nebula teal"
    keys :delete
    expect_done "Cleared the line of Night sky"
    keys :escape
    picks
  end

  it "names the part under the pointer" do
    mouse.move(**point_on("moor"))
    expect(page).to have_css(".part-name", text: "Moor", visible: :all)
    mouse.move(x: 5, y: 400)
    expect(page).to have_no_css(".part-name:not([hidden])", visible: :all)
  end

  describe "looking" do
    def scale = find("#zoom-now").text

    it "zooms under the pointer up to 64 times, pans and shows all again; what is done leaves it alone" do
      at = point_on("moor")
      before = box_of("#stage")["width"]
      roll(-1200, at)
      zoomed = box_of("#stage")["width"] / before
      expect(zoomed).to be > 5
      expect(scale).to eq "#{Float(format("%.2g", zoomed)).then { |number| (number % 1 == 0) ? number.to_i : number }} ×"
      expect(page.evaluate_script("document.querySelector('#stage-drawing').shadowRoot.elementFromPoint(#{at[:x]}, #{at[:y]}).dataset.part")).to eq numbers(poster, "moor").first.to_s
      20.times { roll(-800, at) }
      expect([box_of("#stage")["width"] / before, scale]).to match [be_within(0.1).of(64), "64 ×"]
      20.times { roll(400, at) }
      expect(scale).to eq "1 ×"
      roll(-1200, at)
      left = box_of("#stage")["x"]
      mouse.move(**at)
      page.driver.browser.keyboard.down("l")
      mouse.down
      mouse.move(x: at[:x] - 60, y: at[:y], steps: 4)
      mouse.up
      page.driver.browser.keyboard.up("l")
      expect(box_of("#stage")["x"]).to be_within(1).of(left - 60)
      seen = box_of("#stage")
      Changes::DressParts.perform(demo, actor:, artwork: poster, numbers: numbers(poster, "plum_band"), role: "fill", content: Hand::Content.new(name: "Red", colour: hex("#FF0000")))
      eventually { expect(fill_of("#stage", "plum_band")).to eq "#FF0000" }
      expect(box_of("#stage")).to eq seen
      keys "0"
      expect(scale).to eq "1 ×"
      keys "+", "+", "-"
      expect(scale).to eq "1.5 ×"
    end

    it "circles what is too small to be seen, and goes to it" do
      tiny = Changes::BringInArtwork.perform(demo, actor:, name: "Tiny.svg", bytes: '<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 4000 3000"><rect id="ground" width="4000" height="3000" fill="#121720"/><circle id="star" cx="3000" cy="900" r="6" fill="#FFCE5C"/></svg>')
      open_dress artwork: tiny
      expect(page).to have_no_button("Go to it")
      within(".in-artwork") { find("a", text: "#FFCE5C").click }
      picks "star", artwork: tiny
      expect(page).to have_css("#circles rect", count: 2, visible: :all)
      click_button "Go to it"
      expect(page).to have_no_css("#circles rect", visible: :all)
      expect(page).to have_no_button("Go to it")
      box = page.evaluate_script("(#{ScreenSupport::PART})('#stage', #{numbers(tiny, "star").first}).getBoundingClientRect().toJSON()")
      room = box_of(".stage-room")
      expect([box["x"] + box["width"] / 2, box["y"] + box["height"] / 2]).to match [be_within(2).of(room["x"] + room["width"] / 2), be_within(2).of(room["y"] + room["height"] / 2)]
    end
  end

  it "keeps the file's identifiers and styles to itself" do
    trap = Changes::BringInArtwork.perform(demo, actor:, name: "Trap.svg", bytes: '<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 90 60"><style>.hand{fill:#E46F58} #undo{fill:#2F8FA3}</style><defs><linearGradient id="swatch-1"><stop stop-color="#FFCE5C"/></linearGradient></defs><rect id="undo" width="30" height="60"/><rect class="hand" id="app" x="30" width="30" height="60"/><rect id="g" x="60" width="30" height="60" fill="url(#swatch-1)"/></svg>')
    open_dress artwork: trap
    expect([fill_of("#stage", "undo"), fill_of("#stage", "app")]).to eq %w[#2F8FA3 #E46F58]
    expect(page.evaluate_script("document.querySelectorAll('#undo, #app').length")).to eq 2
    expect(page.evaluate_script("getComputedStyle((#{ScreenSupport::PART})('#stage', #{numbers(trap, "g").first})).fill")).to include("of-file-swatch-1")
  end
end
