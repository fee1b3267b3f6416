require "support/dress_screens"
require "support/gather_screens"
require "support/palette_screens"
require "support/touch_screens"

RSpec.describe "By touch", :screen do
  include DressScreens
  include GatherScreens
  include PaletteScreens
  include TouchScreens

  def scale = find("#zoom-now").text

  it "zooms a picture by two fingers, looks at another part by both, and reads nothing meanwhile" do
    open_place "gather"
    at = over(600, 400)
    touch("touchStart", at.merge(id: 1))
    touch("touchMove", {x: at[:x] + 4, y: at[:y], id: 1})
    touch("touchStart", {x: at[:x] + 4, y: at[:y], id: 1}, {x: at[:x] + 44, y: at[:y], id: 2})
    5.times { |step| touch("touchMove", {x: at[:x] - 8 * step, y: at[:y], id: 1}, {x: at[:x] + 44 + 8 * step, y: at[:y], id: 2}) }
    eventually { expect(scale.to_i).to be > 100 }
    box = box_of("#picture")
    4.times { |step| touch("touchMove", {x: at[:x] - 32 - 10 * step, y: at[:y], id: 1}, {x: at[:x] + 76 - 10 * step, y: at[:y], id: 2}) }
    eventually { expect(box_of("#picture")["x"]).to be < box["x"] - 15 }
    touch("touchEnd", {x: at[:x] + 46, y: at[:y], id: 2})
    touch("touchEnd")
    expect(demo.finds.count).to eq 10
    expect(page).to have_no_css(".app-watching")
    tap_on(over(600, 400))
    expect(page).to have_css("#reading-now")
    expect(demo.finds.count).to eq 11
  end

  it "takes nothing from a picture where the browser takes the finger over" do
    open_place "gather"
    swipe(over(600, 400), over(620, 420), ends: "touchCancel")
    expect(page).to have_no_css(".app-watching")
    expect(demo.finds.count).to eq 10
    tap_on(over(700, 300))
    expect(page).to have_css("#reading-now")
    expect(demo.finds.count).to eq 11
  end

  it "zooms the artwork by two fingers, and dresses nothing by them or by the next tap elsewhere" do
    open_dress
    hold "Nebula teal"
    open_dress "tool=sweep"
    before = fill_of("#stage", "plum_band")
    one, other = on_stage(0.3, 0.45), on_stage(0.5, 0.45)
    touch("touchStart", one.merge(id: 1))
    touch("touchStart", one.merge(id: 1), other.merge(id: 2))
    4.times { |step| touch("touchMove", {**one, x: one[:x] - 10 * step, id: 1}, {**other, x: other[:x] + 10 * step, id: 2}) }
    eventually { expect(scale).not_to eq "1 ×" }
    touch("touchEnd", {**one, id: 1})
    touch("touchEnd")
    tap_element(find(".side h1"))
    expect(fill_of("#stage", "plum_band")).to eq before
    expect(page).to have_css("#undo[disabled]", visible: :all)
    tap_element(find("#zoom-now"))
    tap_on(point_on("plum_band"))
    expect(page).to have_css("#undo[title^='Undo: Dressed Plum band']", visible: :all)
  end

  it "takes in hand what a finger stays on" do
    open_dress
    at = point_on("ember_band")
    touch("touchStart", at)
    within(".hand-now") { expect(page).to have_content("Ember sky") }
    touch("touchEnd")
    expect(page).to have_no_content("1 picked")
  end

  it "tells what a pointer that rests would be told" do
    open_place "palettes"
    at = middle(at("Ember sky"))
    touch("touchStart", at)
    expect(page).to have_css(".press-tip", text: "Ember sky #E46F58")
    touch("touchEnd")
    within(".hand-now") { expect(page).to have_no_content("Ember sky") }
  end
end
