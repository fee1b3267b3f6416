require "support/dress_screens"
require "support/fidelity"

RSpec.describe "Dress, gradients of files", :screen do
  include Fidelity

  evening = <<~SVG
    <svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 300 400"><defs>
    <linearGradient id="dusk"><stop stop-color="#231F55"/><stop offset=".5" stop-color="#A35166"/><stop offset="1" stop-color="#F3BA70"/></linearGradient>
    <linearGradient id="evening" href="#dusk" gradientTransform="rotate(70)"/>
    <radialGradient id="moonlight" cx=".4" cy=".4" gradientTransform="rotate(20) scale(1 .7)"><stop stop-color="#FBDEA9"/><stop offset="1" stop-color="#231F55" stop-opacity="0"/></radialGradient>
    <linearGradient id="band" gradientUnits="userSpaceOnUse" x1="0" y1="260" x2="300" y2="380"><stop stop-color="#5F3566"/><stop offset="1" stop-color="#E46F58"/></linearGradient>
    <pattern id="weave" width="8" height="8" patternUnits="userSpaceOnUse"><rect width="4" height="8" fill="#2F8FA3"/></pattern></defs>
    <rect id="sky" width="300" height="400" fill="url(#evening)"/><circle id="moon" cx="210" cy="110" r="70" fill="url(#moonlight)"/>
    <path id="near_hill" d="M0 280Q120 230 300 300V400H0z" fill="url(#band)"/><path id="far_hill" d="M0 330Q160 380 300 320V400H0z" fill="url(#band)" stroke="#231F55" stroke-width="3"/>
    <rect id="cloth" x="10" y="10" width="60" height="40" fill="url(#weave)"/></svg>
  SVG
  let!(:card) { Changes::BringInArtwork.perform(demo, actor:, name: "Evening.svg", bytes: evening) }

  before { open_dress(artwork: card) }

  def at(kind) = box_of("#handles [data-handle='#{kind}']").then { |box| {x: box["x"] + box["width"] / 2, y: box["y"] + box["height"] / 2} }

  def held(key) = Dressing.new(card).paints.fetch([key, "fill"])

  def seen = shot(box_of("#stage").then { |box| {x: box["x"].ceil, y: box["y"].ceil, width: box["width"].floor, height: box["height"].floor} })

  it "keep their look when nothing is changed, wherever they are shown" do
    expect(differences(looks(card)).values.max).to be < 0.5
  end

  it "are edited in place, whatever their units, transforms and references, and look as before but for that" do
    before = seen
    click_part "moon"
    expect(page).to have_css(".stop", count: 2).and have_css("#handles [data-handle=squash]").and have_css(".picked-wears", text: "of the file")
    expect(find("[data-field=angle]").value).to eq "20"
    fill_in "Opacity of the stop in per cent", with: "99"
    keys :enter
    expect_done "Painted Moon with a gradient"
    expect([held("moon").kind, held("moon").compound.inks.map { |ink| ink.colour.hex }]).to eq [:compound, %w[#FBDEA9 #231F5500]]
    click_part "sky"
    expect(page).to have_css(".stop", count: 3)
    drag_over(at("stop 1"), at("stop 1").merge(x: at("stop 1")[:x] + 5))
    expect(page.evaluate_script("document.querySelector('#stage-drawing').shadowRoot.querySelector('[data-preview] stop') !== null")).to be true
    mouse.up
    expect_done "Painted Sky with a gradient"
    find("#stage").send_keys(:escape)
    expect(page).to have_no_css("#picked")
    page.execute_script("document.activeElement.blur()") # whose ring lies on its edge
    eventually { expect(between(before, seen)).to be < 0.5 }
  end

  it "that paint several parts are asked about once: all are picked, or one gets its own" do
    click_part "near_hill"
    expect(page).to have_css(".shared-gradient h2", text: "The gradient of 2 parts").and have_no_css("#handles [data-handle]")
    click_button "Only for this"
    expect_done "Painted Near hill with a gradient"
    expect(page).to have_css("#handles [data-handle=to]")
    expect(held("far_hill").kind).to eq :server
    find("#undo").click
    settled
    click_button "Pick all 2"
    picks "far_hill", "near_hill", artwork: card
    expect(page).to have_css("#handles [data-handle=to]")
    before = seen
    drag_over(at("middle 0 1"), at("middle 0 1").merge(x: at("middle 0 1")[:x] + 6))
    mouse.up
    expect_done "Painted 2 parts with a gradient"
    expect([held("near_hill").laid, held("near_hill").laid.across]).to eq [held("far_hill").laid, [0, 0, 300, 400]]
    eventually { expect(between(before, seen)).to be_between(0.01, 3) }
    click_part "near_hill"
    expect(page).to have_css("#handles [data-handle=to]").and have_no_css(".shared-gradient")
  end

  it "that are patterns stay as they are, and are said to be" do
    click_part "cloth"
    expect(page).to have_css(".kind[aria-pressed=true]", text: "Pattern").and have_css("#picked b", text: "Gradient or pattern of the file")
    click_button "Plain"
    expect_done "Painted Cloth plain"
    click_button "Pattern"
    eventually { expect([held("cloth").kind, held("cloth").server]).to eq [:server, "url(#weave)"] }
  end
end
