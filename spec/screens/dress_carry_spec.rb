require "support/dress_screens"

RSpec.describe "Dress, how parts are drawn", :screen do
  include DressScreens

  def shape(key, property, scope = "#stage") = page.evaluate_script("getComputedStyle((#{ScreenSupport::PART})(#{scope.to_json}, #{number_of(scope, key)}))[#{property.to_json}]")

  before { open_dress }

  def open_settings = find("#settings summary").click

  it "is carried from the part that is outlined, also before the tools have come anew" do
    click_part "moor"
    picks "moor"
    settled
    page.driver.browser.network.emulate_network_conditions(latency: 1000)
    click_part "planet_ring"
    picks "planet_ring"
    page.driver.browser.keyboard.type("4")
    expect(page).to have_content("Carry from Planet ring")
    expect(page).to have_current_path(/from=#{poster.id}\.#{number_of("#stage", "planet_ring")}\z/)
  end

  it "is set for what is picked, told where they differ, and set back" do
    click_part "planet_ring"
    picks "planet_ring"
    settled
    open_settings
    expect(page).to have_field("Line width", with: "8")
    within("#settings") do
      fill_in "Line width", with: "20"
      select "short", from: "Dash"
      fill_in "Part’s opacity", with: "50"
      select "screen", from: "Blending"
    end
    find("#settings-commit").click
    expect_done "Set the line width, dash, opacity and blending of Planet ring"
    eventually { expect(%w[strokeWidth strokeDasharray opacity mixBlendMode].map { |name| shape("planet_ring", name) }).to eq ["20px", "4px, 2px", "0.5", "screen"] }
    settled
    click_part "planet_disc", shift: true
    picks "planet_disc", "planet_ring"
    settled
    open_settings unless find("#settings")["open"]
    expect(find_field("Line width")["placeholder"]).to eq "mixed"
    click_button "As the file has it"
    eventually { expect(%w[strokeWidth strokeDasharray opacity mixBlendMode].map { |name| shape("planet_ring", name) }).to eq ["8px", "none", "1", "normal"] }
    click_button "Undo"
    eventually { expect(shape("planet_ring", "strokeWidth")).to eq "20px" }
    page.refresh
    eventually { expect(shape("planet_ring", "strokeWidth")).to eq "20px" }
  end

  it "is hidden, and shown again from what lies in the list" do
    click_part "moor"
    picks "moor"
    settled
    open_settings
    click_button "Hide"
    expect_done "Hid Moor"
    eventually { expect(shape("moor", "display")).to eq "none" }
    settled
    open_settings unless find("#settings")["open"]
    click_button "Show it"
    expect_done "Showed Moor"
    eventually { expect(shape("moor", "display")).to eq "inline" }
  end

  it "is carried from one part to others by sweeping; each at once, in one step, and taken back by Esc" do
    keys "4"
    expect(page).to have_content("Click the part whose fill, line and settings others are to have.")
    settled
    click_part "planet_ring"
    expect(page).to have_content("Carry from Planet ring")
    settled
    drag_over(point_on("rosehip_band"), point_on("ember_band"))
    expect([fill_of("#stage", "rosehip_band", "stroke"), fill_of("#stage", "ember_band", "stroke"), shape("ember_band", "strokeWidth")]).to eq ["#B88A33", "#B88A33", "8px"]
    keys :escape
    mouse.up
    expect(fill_of("#stage", "ember_band")).to eq "#E46F58"
    expect(RecordedChange.count).to eq 0
    %w[fill dash opacity effects].each { |what| click_button(what) && expect(page).to(have_css("#carry button[aria-pressed=false]", text: what)) && settled }
    drag_over(point_on("rosehip_band"), point_on("ember_band"))
    mouse.up
    expect_done "Carried line and line width of Planet ring to 2 parts"
    eventually { expect([fill_of("#stage", "ember_band"), fill_of("#stage", "ember_band", "stroke"), shape("ember_band", "strokeWidth")]).to eq ["#E46F58", "#B88A33", "8px"] }
    click_button "Undo"
    eventually { expect([fill_of("#stage", "ember_band", "stroke"), shape("ember_band", "strokeWidth")]).to eq %w[none 1px] }
  end

  it "is carried from the part that is picked, to another artwork too" do
    click_part "moor"
    picks "moor"
    settled
    find(".tool", text: "Carry").click
    expect(page).to have_content("Carry from Moor")
    settled
    badge = Artwork.find_by!(name: "Badge")
    visit "/projects/#{demo.id}/dress?artwork=#{badge.id}&tool=carry&from=#{poster.id}.#{poster.parts.find_by!(key: "moor").position}"
    key = badge.parts.where(kind: "part").first.key
    expect(page).to have_content("Carry from Moor")
    click_part key
    expect_done "Carried fill, line, line width, dash, opacity and effects of Moor to #{badge.parts.find_by!(key:).label}"
    eventually { expect(fill_of("#stage", key)).to eq "#121720" }
  end

  it "follows a tint by per cent, which is a swatch of its own" do
    click_part "ember_band"
    picks "ember_band"
    settled
    find("#steps summary").click
    expect(page).to have_field("Tint of what the fill follows", with: "100")
    fill_in "Tint of what the fill follows", with: "40"
    click_button "Tint"
    expect_done "Tinted Ember sky to 40 % in Ember band"
    tint = Swatch.find_by!(name: "Ember sky 40 %")
    eventually { expect(fill_of("#stage", "ember_band")).to eq tint.hex }
    expect(page).to have_css(".rack-chip[title^='Ember sky 40 %']")
    expect(page).to have_css("#picked b", text: "Ember sky 40 %")
    click_button "Undo"
    eventually { expect(fill_of("#stage", "ember_band")).to eq "#E46F58" }
  end
end
