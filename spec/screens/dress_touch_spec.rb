require "support/dress_screens"
require "support/touch_screens"

RSpec.describe "Dress, by touch", :screen do
  include DressScreens
  include TouchScreens

  def shape(key, property) = page.evaluate_script("getComputedStyle((#{ScreenSupport::PART})('#stage', #{number_of("#stage", key)}))[#{property.to_json}]")

  before { open_dress }

  it "picks by a tap, and carries by a tap and a swipe; one that the browser takes over gives nothing" do
    tap_on(point_on("planet_ring"))
    picks "planet_ring"
    settled
    tap_element(find(".tool", text: "Carry"))
    expect(page).to have_content("Carry from Planet ring")
    before = shape("plum_band", "fill")
    swipe(on_stage(0.1, 0.43), on_stage(0.1, 0.56), ends: "touchCancel")
    expect([shape("plum_band", "fill"), shape("rosehip_band", "strokeWidth")]).to eq [before, "1px"]
    swipe(on_stage(0.1, 0.43), on_stage(0.1, 0.56))
    expect_done "Carried fill, line, line width, dash, opacity and effects of Planet ring to 2 parts"
    eventually { expect(%w[plum_band rosehip_band].map { |key| [shape(key, "fill"), shape(key, "strokeWidth")] }).to all eq ["none", "8px"] }
  end

  it "keeps and gives an outfit" do
    tap_on(point_on("planet_ring"))
    picks "planet_ring"
    settled
    tap_element(find("#wear summary"))
    fill_in "outfit_name", with: "Brass ring"
    tap_element(find("#outfit-keep"))
    expect_done "Kept the outfit Brass ring in Quillmere house"
    settled
    tap_on(point_on("moor"))
    picks "moor"
    settled
    tap_element(find(".rack-outfit"))
    expect_done "Gave Moor the outfit Brass ring"
    eventually { expect([shape("moor", "fill"), shape("moor", "strokeWidth")]).to eq ["none", "8px"] }
  end

  it "lays a test patch, moves it, and draws none where the browser takes the swipe over" do
    hold "Nebula teal"
    tap_element(find("#patch-menu summary"))
    tap_element(find("#patch-menu a", text: "Rectangle"))
    expect(page).to have_css("h2", text: "Test patch: rectangle")
    swipe(on_stage(0.2, 0.2), on_stage(0.3, 0.3), on_stage(0.5, 0.4), ends: "touchCancel")
    expect(page).to have_no_css("#patches > *")
    swipe(on_stage(0.2, 0.2), on_stage(0.3, 0.3), on_stage(0.5, 0.4))
    expect_done "Laid a test patch of Nebula teal on Poster"
    expect(page).to have_css(".test-patch")
    swipe(on_stage(0.3, 0.3), on_stage(0.35, 0.32), on_stage(0.4, 0.35))
    expect_done "Moved a test patch"
  end

  it "picks, hides and locks in the tree" do
    tap_element(find(".side-tabs a", text: "Parts"))
    expect(page).to have_css(".tree-row", text: "Moor")
    settled
    tap_element(find(".tree-row [data-tree-pick]", text: "Moor"))
    picks "moor"
    settled
    tap_element(find(".tree-row", text: "Moor").find("[data-tree-act=hide]"))
    expect_done "Hid Moor"
    eventually { expect(shape("moor", "display")).to eq "none" }
    settled
    tap_element(find(".tree-row", text: "Moor").find("[data-tree-act=lock]"))
    expect_done "Locked Moor of Poster"
  end
end
