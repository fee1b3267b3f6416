require "support/dress_screens"

RSpec.describe "Dress, the tree of parts", :screen do
  include DressScreens

  def rows = all(".tree-row").map { |row| row.find(".tree-name").text }

  def row(name) = find(".tree-row:has(.tree-name[title='#{name}'])")

  def act(name, label)
    row(name).hover
    row(name).click_button label
  end

  # By the triangle before its name.
  def open_group(name) = box_of("li:has(> .tree-row .tree-name[title='#{name}']) > details > summary").then { |box| mouse.click(x: box["x"] + 6, y: box["y"] + 12) }

  before do
    open_dress
    click_link "Parts"
    expect(page).to have_css(".tree-row", text: "Bands")
    settled
  end

  it "nests groups and parts as the file does, picks them at any depth, and marks what is picked" do
    expect(rows).to eq ["Night sky", "Stars", "Planet", "Bands", "Moor", "Dome", "Words"]
    row("Bands").find(".tree-name").click
    picks "plum_band", "rosehip_band", "ember_band", "apricot_band"
    expect(page).to have_css(".tree-picked", text: "Bands")
    settled
    open_group "Bands"
    expect(page).to have_css(".tree .tree .tree-name", text: "Rosehip band")
    row("Rosehip band").find(".tree-name").click
    picks "rosehip_band"
    row("Moor").find(".tree-name").click(:shift)
    picks "rosehip_band", "moor"
    settled
    click_part "apricot_band"
    picks "apricot_band"
    expect(page).to have_css(".tree-picked", text: "Apricot band")
  end

  it "is searched, whatever is nested where" do
    fill_in "Search", with: "band"
    eventually { expect(rows).to eq ["Bands", "Plum band", "Rosehip band", "Ember band", "Apricot band"] }
    fill_in "Search", with: "nowhere"
    expect(page).to have_content("Nothing is called that.")
    fill_in "Search", with: ""
    eventually { expect(rows.size).to eq 7 }
  end

  it "gives parts and groups other names, by F2 or a double click, which are undone" do
    row("Moor").find(".tree-name").click
    settled
    row("Moor").find(".tree-name").send_keys :f2
    expect(page).to have_css(".tree-field:focus")
    keys "Heath", :enter
    expect_done "Renamed Moor to Heath in Poster"
    expect(rows).to include "Heath"
    expect(page).to have_css("#picked h2", text: "Fill of Heath")
    settled
    act "Bands", "Name"
    expect(page).to have_css(".tree-field:focus")
    keys "Night bands", :escape
    expect(rows).to eq ["Night sky", "Stars", "Planet", "Bands", "Heath", "Dome", "Words"]
    row("Bands").find(".tree-name").double_click
    expect(page).to have_css(".tree-field:focus")
    keys "Evening sky", :enter
    expect_done "Renamed Bands to Evening sky in Poster"
    expect(rows).to include "Evening sky"
    at = point_on("moor")
    mouse.move(**at)
    expect(page).to have_css(".part-name", text: "Heath")
    2.times { click_button("Undo") && settled }
    eventually { expect(rows).to eq ["Night sky", "Stars", "Planet", "Bands", "Moor", "Dome", "Words"] }
  end

  it "hides what its eye says, and keeps groups open that are" do
    open_group "Dome"
    expect(page).to have_css(".tree .tree .tree-name", text: "Dome roof")
    act "Dome roof", "Hide"
    expect_done "Hid Dome roof"
    expect(page).to have_css(".tree-hidden", text: "Dome roof")
    eventually { expect(page.evaluate_script("getComputedStyle((#{ScreenSupport::PART})('#stage', #{number_of("#stage", "dome_roof")})).display")).to eq "none" }
    settled
    act "Dome", "Hide"
    expect_done "Hid 3 parts"
    expect(page).to have_css(".tree-hidden", text: "Dome")
    settled
    act "Dome", "Show"
    expect_done "Showed 3 parts"
    expect(page).to have_no_css(".tree-hidden")
  end

  it "locks: what is locked is neither picked on the artwork nor given anything" do
    at = point_on("moor")
    act "Moor", "Lock"
    expect_done "Locked Moor of Poster"
    expect(page).to have_css(".tree-row button[aria-pressed=true]", text: "Unlock")
    settled
    mouse.click(**at)
    eventually { expect(outlined).not_to include "moor" }
    hold "Nebula teal"
    row("Moor").find(".tree-name").click
    picks "moor"
    settled
    find("#give").click
    expect(page).to have_content("Moor is locked. Unlock it first")
    expect(fill_of("#stage", "moor")).to eq "#121720"
    settled
    click_part "dome_wall", shift: true
    picks "dome_wall", "moor"
    settled
    find("#give").click
    expect(page).to have_content("1 locked part was left as it is")
    expect(fill_of("#stage", "dome_wall")).to eq "#2F8FA3"
    expect(fill_of("#stage", "moor")).to eq "#121720"
    settled
    act "Moor", "Unlock"
    expect_done "Unlocked Moor of Poster"
    settled
    find("#give").click
    eventually { expect(fill_of("#stage", "moor")).to eq "#2F8FA3" }
  end
end
