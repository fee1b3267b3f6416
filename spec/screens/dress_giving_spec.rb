require "support/dress_screens"

RSpec.describe "Dress, giving", :screen do
  before { open_dress }

  def held = find(".hand-now .hand-name").text

  it "drops a chip on a part, or on all that is picked, and takes it back on Esc" do
    chip = box_of(".rack-chip[title^='Nebula teal']").then { |box| {x: box["x"] + 9, y: box["y"] + 9} }
    drag_over(chip, point_on("moor"))
    expect(page).to have_css(".chip-ghost")
    expect(fill_of("#stage", "moor")).to eq "#2F8FA3"
    keys :escape
    expect(fill_of("#stage", "moor")).to eq "#121720"
    mouse.up
    expect(page).to have_no_css(".chip-ghost")
    drag_over(chip, point_on("moor"))
    mouse.up
    expect_done "Dressed Moor with Nebula teal"
    expect(held).to eq "Nebula teal"
    click_part "plum_band"
    click_part "ember_band", shift: true
    picks "ember_band", "plum_band"
    drag_over(chip, point_on("plum_band"))
    mouse.up
    expect_done "Dressed 2 parts with Nebula teal"
    expect(%w[plum_band ember_band].map { |key| fill_of("#stage", key) }).to eq ["#2F8FA3"] * 2
  end

  it "takes a colour that is typed, and says what cannot be read" do
    fill_in "Type a colour", with: "hsb 200 60 80"
    keys :enter
    expect(page).to have_css(".hand-hex", text: "#52A3CC").and have_css(".dress[data-tool=sweep]")
    click_part "moor"
    expect(page).to have_css("#undo[title^='Undo: Dressed Moor']")
    expect(fill_of("#stage", "moor")).to eq "#52A3CC"
    fill_in "Type a colour", with: "quite blue"
    keys :enter
    expect(page).to have_css(".notice-wrong", text: "quite blue")
  end

  it "reads a part's own paint or what is seen, with the tool or while R is held, and is back" do
    mouse.move(**point_on("ember_band"))
    page.driver.browser.keyboard.down("r")
    click_part "ember_band"
    page.driver.browser.keyboard.up("r")
    expect(page).to have_css(".hand-name", text: "Ember sky")
    expect(page).to have_css(".dress[data-tool=pick]")
    click_part "moor"
    picks "moor"
    click_link "Read colour"
    expect(page).to have_css(".dress[data-tool=read]")
    click_part "dome_slit", shift: true
    expect(page).to have_css(".hand-hex", text: "#FFCE5C")
    expect(demo.finds.first.artwork).to eq poster
    picks "moor"
    expect(fill_of("#stage", "moor")).to eq "#121720"
  end

  it "gives to what is outlined, though the line is slow and the panel is still of the part before" do
    hold "Nebula teal"
    click_link "Pick parts"
    click_part "plum_band"
    expect(page).to have_css("#picked h2", text: "Plum band")
    moor, give = point_on("moor"), box_of("#give").then { |box| {x: box["x"] + 8, y: box["y"] + 8} }
    browser = page.driver.browser
    browser.network.emulate_network_conditions(latency: 1000)
    [moor, give].each { |point| browser.mouse.click(**point) }
    expect_done "Dressed Moor with Nebula teal"
    eventually { expect([fill_of("#stage", "moor"), fill_of("#stage", "plum_band")]).to eq %w[#2F8FA3 #5F3566] }
  ensure
    browser&.network&.emulate_network_conditions(latency: 0)
  end

  it "sets the opacity of fill and line" do
    click_part "ember_band"
    click_part "plum_band", shift: true
    fill_in "Opacity of the fill in per cent", with: "40"
    keys :enter
    expect_done "Made the fill of 2 parts 40 % opaque"
    expect([fill_of("#stage", "ember_band", "fill-opacity"), place(poster, "plum_band").reload.opacity]).to eq ["0.4", 0.4]
    expect(find("#picked-fill")).to be_visible
    click_part "plum_band"
    click_part "moor", shift: true
    expect(page).to have_field("Opacity of the fill in per cent", with: "", placeholder: "mixed")
  end

  it "makes what is picked lighter, and the swatch that it follows, where that was chosen" do
    ember, lighter = Swatch.find_by!(name: "Ember sky"), Magpie::Making::Nudge.apply(hex("#E46F58"), :lighter).hex
    click_part "ember_band"
    find("#steps summary").click
    find("label", text: "is changed, with all that follows").click
    expect(page).to have_css("#steps[open]")
    click_button "Lighter"
    expect(page).to have_content("Changed Ember sky with all that follows")
    eventually { expect(fill_of("#stage", "ember_band")).to eq lighter }
    expect(ember.reload.hex).to eq lighter
    expect(page).to have_css("#undo[title='Undo: Made Ember sky lighter']")
  end

  it "gives main colours of the pictures, found when they are wanted" do
    open_dress
    find("#rack-main summary").click
    expect(page).to have_css("#rack-main-colours h2", text: "Nebula plate")
    chip = find("#rack-main-colours .rack-chip", match: :first)
    hex = chip["value"]
    chip.click
    expect(page).to have_css(".hand-now", text: hex)
    settled
    click_part "moor"
    eventually { expect(fill_of("#stage", "moor")).to eq hex }
  end
end
