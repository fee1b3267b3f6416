require "support/dress_screens"

RSpec.describe "Dress, sweeping", :screen do
  let(:bands) { %w[plum_band rosehip_band ember_band] }

  before do
    open_dress
    hold "Nebula teal"
    expect(page).to have_css(".dress[data-tool=sweep]")
  end

  def fills = bands.map { |key| fill_of("#stage", key) }

  it "gives to all that a fast hand passes over, in one change that is undone at once" do
    from, to = point_on("plum_band"), point_on("ember_band")
    mouse.move(**from)
    mouse.down
    mouse.move(**to) # in one step
    expect(fills).to eq ["#2F8FA3"] * 3
    mouse.up
    expect_done "Dressed 3 parts with Nebula teal"
    click_button "Undo"
    eventually { expect(fills).to eq %w[#5F3566 #A35166 #E46F58] }
  end

  it "takes all of it back on Esc, and on a pointer that is called off" do
    [-> { keys :escape }, -> { find(".stage-room").execute_script("this.dispatchEvent(new PointerEvent('pointercancel', { bubbles: true, isPrimary: true }))") }].each do |away|
      drag_over(*bands.map { |key| point_on(key) })
      expect(fills).to eq ["#2F8FA3"] * 3
      away.call
      expect(fills).to eq %w[#5F3566 #A35166 #E46F58]
      mouse.move(**point_on("moor"), steps: 4)
      mouse.up
      expect(fill_of("#stage", "moor")).to eq "#121720"
    end
    expect(RecordedChange.count).to eq 0
  end

  it "sweeps by touch, and a swipe that the browser takes over does nothing, nor does the next tap elsewhere" do
    touch = ->(type, *points) { page.driver.browser.page.command("Input.dispatchTouchEvent", type:, touchPoints: points) }
    from, to = point_on("plum_band"), point_on("ember_band")
    touch.call("touchStart", from)
    touch.call("touchMove", {x: from[:x], y: (from[:y] + to[:y]) / 2})
    touch.call("touchMove", to)
    touch.call("touchEnd")
    expect_done "Dressed 3 parts with Nebula teal"
    click_button "Undo"
    eventually { expect(fills).to eq %w[#5F3566 #A35166 #E46F58] }
    touch.call("touchStart", from)
    touch.call("touchMove", to)
    touch.call("touchCancel")
    expect(fills).to eq %w[#5F3566 #A35166 #E46F58]
    touch.call("touchStart", {x: 600, y: 30})
    touch.call("touchEnd")
    expect(settled).to have_css("#undo[disabled]")
  end

  it "gives to the line where that is chosen, and with Shift to the other" do
    find("#target label", text: "Line").click
    expect(page).to have_css("#target input[value=line]:checked", visible: :all)
    click_part "moor"
    expect_done "Dressed the line of Moor with Nebula teal"
    click_part "moor", shift: true
    expect_done "Dressed Moor with Nebula teal"
    expect([fill_of("#stage", "moor"), fill_of("#stage", "moor", "stroke")]).to eq ["#2F8FA3"] * 2
  end

  it "leaves alone what is picked" do
    click_link "Pick parts"
    expect(page).to have_css(".dress[data-tool=pick]")
    click_part "moor"
    picks "moor"
    hold "Lamp" # what is picked is worked on: the tool stays
    expect(page).to have_css(".dress[data-tool=pick]")
    click_button "Give to 1 part"
    expect_done "Dressed Moor with Lamp"
    click_link "Sweep"
    expect(page).to have_css(".dress[data-tool=sweep]")
    click_part "plum_band"
    expect_done "Dressed Plum band with Lamp"
    picks "moor"
  end
end
