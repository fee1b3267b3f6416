require "support/dress_screens"

RSpec.describe "Dress, outfits", :screen do
  include DressScreens

  def shape(key, property) = page.evaluate_script("getComputedStyle((#{ScreenSupport::PART})('#stage', #{number_of("#stage", key)}))[#{property.to_json}]")

  # As a part is seen.
  def look(key) = %w[fill stroke strokeWidth].map { |property| shape(key, property) }

  # As the ring of the poster's planet is.
  def ring = ["none", "rgb(184, 138, 51)", "8px"]

  def open_sheet = (find("#wear summary").click unless find("#wear")["open"])

  def pick_part(*keys)
    keys.each_with_index { |key, index| click_part key, shift: index > 0 }
    picks(*keys)
    settled
  end

  def keep_ring(name = "Brass ring")
    pick_part "planet_ring"
    open_sheet
    fill_in "outfit_name", with: name
    find("#outfit-keep").click
    expect_done "Kept the outfit #{name} in Quillmere house"
    settled
  end

  def let_go
    find("#stage").send_keys :escape
    picks
    settled
  end

  # What is done with an outfit in its palette.
  def edit_outfit(name, &)
    find(".outfit-card", text: name).hover
    within(".outfit-card", text: name) do
      find("summary").click unless find("details")["open"]
      yield
    end
    settled
  end

  before { open_dress }

  it "is kept of what is picked, and given to what is picked by one click" do
    keep_ring
    expect(page).to have_css("#picked .picked-wears", text: "wears Brass ring", count: 2)
    expect(find("#wear")["open"]).to be_falsey
    pick_part "moor", "dome_wall"
    find(".rack-outfit", text: "Brass ring").click
    expect_done "Gave 2 parts the outfit Brass ring"
    eventually { expect([look("moor"), look("dome_wall")]).to all eq ring }
    expect(page).to have_css(".in-row", text: "Brass ring\n3 parts")
    click_button "Undo"
    eventually { expect(look("moor")).not_to eq ring }
    settled
    60.times { page.evaluate_script("document.activeElement.matches('.rack-outfit')") ? break : keys(:tab) }
    keys :enter
    expect_done "Gave 2 parts the outfit Brass ring"
  end

  it "is taken from the rack where nothing is picked, and given by sweeping; at once, and taken back by Esc" do
    keep_ring
    let_go
    find(".rack-outfit").click
    expect(page).to have_content("Give the outfit Brass ring")
    settled
    before = look("dome_wall")
    mouse.move(**point_on("dome_wall"))
    mouse.down
    expect(look("dome_wall")).to eq ring
    keys :escape
    expect(look("dome_wall")).to eq before
    mouse.up
    drag_over(on_stage(0.1, 0.43), on_stage(0.1, 0.56))
    mouse.up
    expect_done "Gave 2 parts the outfit Brass ring"
    eventually { expect([look("plum_band"), look("rosehip_band")]).to all eq ring }
  end

  it "reaches all that wears it, in other artworks too, when it becomes what is picked" do
    keep_ring
    badge = Artwork.find_by!(name: "Badge")
    Changes::WearOutfit.perform(demo, actor: Actor.new, artwork: badge, numbers: badge.parts.where(key: "rim_line").pluck(:position), outfit: Outfit.sole)
    hold "Nebula teal"
    find("#target label", text: "Line").click
    settled
    find("#give").click
    expect_done "Dressed the line of Planet ring with Nebula teal"
    settled
    expect(page).to have_css("#picked .picked-wears", text: "wears Brass ring", count: 1)
    open_sheet
    click_button "Change it to this"
    expect_done "Changed the outfit Brass ring, which 2 parts wear"
    expect(page).to have_content("Changed Brass ring, and 2 parts that wear it")
    open_dress "tool=pick", artwork: badge
    eventually { expect(page.evaluate_script("getComputedStyle((#{ScreenSupport::PART})('#stage', #{badge.parts.find_by!(key: "rim_line").position})).stroke")).to eq "rgb(47, 143, 163)" }
  end

  it "is taken off by what wears it, and found again by the list of what is worn" do
    keep_ring
    let_go
    find(".in-row", text: "Brass ring").click
    picks "planet_ring"
    settled
    open_sheet
    click_button "Take off"
    expect_done "Took the outfit off Planet ring"
    expect(page).to have_no_css(".in-row", text: "Brass ring")
    expect(look("planet_ring")).to eq ring
  end

  it "is refused under a name that is there, and nothing is lost" do
    keep_ring
    pick_part "moor"
    open_sheet
    fill_in "outfit_name", with: "brass ring"
    find("#outfit-keep").click
    expect(page).to have_content("Quillmere house already has an outfit called brass ring")
    expect(Outfit.count).to eq 1
  end

  it "is given in several artworks by what fills them, shown beforehand, in one step" do
    keep_ring
    open_dress "tool=pick&do=palette"
    find("label", text: "Badge", match: :first).click
    settled
    find("select[aria-label='Instead of Lamp']").select "Brass ring"
    eventually { expect(look("dome_slit")).to eq ring }
    expect(page).to have_css(".compare figure", text: "Badge")
    settled
    expect(Place.where.not(artwork_id: nil).where.not(outfit_id: nil).count).to eq 2
    find("#swap-commit").click
    expect_done "Swapped 1 colour in 12 places of 2 artworks"
    eventually { expect(look("dome_slit")).to eq ring }
    click_button "Undo"
    eventually { expect(look("dome_slit")).not_to eq ring }
  end

  it "stands in its palette: renamed, moved, removed, and what wears it stays" do
    keep_ring "Ring"
    pick_part "moor"
    open_sheet
    fill_in "outfit_name", with: "Night moor"
    find("#outfit-keep").click
    expect_done "Kept the outfit Night moor in Quillmere house"
    visit "/projects/#{demo.id}/palettes"
    settled
    expect(all(".outfit-card b").map(&:text)).to eq ["Ring", "Night moor"]
    edit_outfit("Night moor") { click_button "Move up" }
    eventually { expect(all(".outfit-card b").map(&:text)).to eq ["Night moor", "Ring"] }
    edit_outfit("Ring") do
      fill_in "Name", with: "Brass halo"
      click_button "Save"
    end
    expect(page).to have_css(".outfit-card", text: "Brass halo")
    edit_outfit("Night moor") { click_button "Remove this outfit" }
    expect(page).to have_no_css(".outfit-card", text: "Night moor")
    expect(page).to have_content("What wore it stays as it is")
  end
end
