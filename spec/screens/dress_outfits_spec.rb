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

  def keep_ring
    pick_part "planet_ring"
    open_sheet
    fill_in "outfit_name", with: "Brass ring"
    find("#outfit-keep").click
    expect_done "Kept the outfit Brass ring in Quillmere house"
    settled
  end

  def let_go
    find("#stage").send_keys :escape
    picks
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
end
