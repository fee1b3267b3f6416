require "support/dress_screens"

RSpec.describe "Dress, gradients", :screen do
  before { open_dress }

  def handle(kind) = find("#handles [data-handle='#{kind}']")

  # The middle of a handle in the window.
  def at(kind) = box_of("#handles [data-handle='#{kind}']").then { |box| {x: box["x"] + box["width"] / 2, y: box["y"] + box["height"] / 2} }

  def by(point, x, y) = {x: point[:x] + x, y: point[:y] + y}

  def drag(kind, to, &while_dragged)
    drag_over(at(kind), to)
    yield if while_dragged
    mouse.up
    settled
  end

  def paint(key = "plum_band", role: "fill") = place(poster, key, role).reload.then { |held| Dressing.new(poster).paints.fetch([key, role]).tap { |found| expect(found.compound).not_to be_nil, held.inspect } }

  def offsets(key = "plum_band") = paint(key).compound.then { |made| made.inks.values_at(*made.order).map { |ink| (ink.offset * 100).round } }

  # How the gradient lies: its ends in the units of the drawing.
  def ends(key = "plum_band")
    frame = PartFrames.of(poster.template)[key]
    axes = (paint(key).laid || Magpie::Artwork::Placing.usual(paint(key).compound, frame)).axes(frame)
    [[0, 0], [1, 0]].map { |point| axes.point(*point).map(&:round) }
  end

  def with_gradient(*keys) = switched("Gradient", "stop 1", keys)

  it "begins with the colour that is there and what is in hand, is remembered, and is switched back" do
    hold "Lamp"
    click_link "Pick parts"
    with_gradient "plum_band"
    expect_done "Painted Plum band with a gradient"
    expect(all(".stop b").map(&:text)).to eq ["Plum hour", "Lamp"]
    expect([offsets, paint.compound.mixing]).to eq [[0, 100], "oklab"]
    click_button "Plain"
    expect_done "Painted Plum band plain"
    expect(fill_of("#stage", "plum_band")).to eq "#5F3566"
    click_button "None"
    expect_done "Painted Plum band with nothing"
    click_button "Gradient"
    expect(page).to have_css(".stop b", text: "Lamp")
    expect(offsets).to eq [0, 100]
    click_button "Pattern"
    expect_done "Painted Plum band with a pattern"
    expect(page).to have_css(".picked-stops h2", text: "2 inks").and have_no_css("#handles [data-handle^='stop']")
  end

  it "is laid by its ends, each for itself, in steps with Shift, and taken back by Esc" do
    with_gradient "plum_band"
    from, to = ends
    drag("to", by(at("to"), 60, -20)) { expect(page.evaluate_script("document.querySelector('#stage-drawing').shadowRoot.querySelector('[data-preview] linearGradient') !== null")).to be true }
    expect_done "Laid the gradient of Plum band otherwise"
    expect(ends[0]).to eq from
    expect(ends[1].zip(to, [60, -20]).map { |now, was, moved| (now - was - moved * unit).abs }.max).to be < 3
    before = ends
    drag_over(at("from"), by(at("from"), -40, 0))
    keys :escape
    mouse.up
    settled
    expect(ends).to eq before
    drag_constrained(at("to"), by(at("to"), -31, 12))
    eventually { expect(ends).not_to eq before }
    turn = Math.atan2(ends[1][1] - ends[0][1], ends[1][0] - ends[0][0]) * 180 / Math::PI
    expect((turn / 15 - (turn / 15).round).abs).to be < 0.02
    open_more
    click_button "Lay it as usual"
    expect_done "Laid the gradient of Plum band as usual"
    expect(ends).to eq [from, to]
  end

  def open_more = find("#gradient-more summary").click

  it "has stops that are slid, added by a click, and taken away off the line or by a key" do
    with_gradient "plum_band"
    one, two = at("stop 0"), at("stop 1")
    middle = {x: (one[:x] + two[:x]) / 2, y: one[:y] + (two[:y] - one[:y]) * 0.3}
    mouse.move(**middle)
    mouse.down
    mouse.up
    expect(page).to have_css(".stop", count: 3)
    eventually { expect(offsets).to eq [0, 30, 100] }
    expect(page).to have_css(".stop:nth-child(2) input[name=stop]:checked", visible: :all)
    drag("stop 2", {x: middle[:x], y: one[:y] + (two[:y] - one[:y]) * 0.75})
    eventually { expect(offsets).to eq [0, 75, 100] }
    drag("stop 2", by(at("stop 2"), 90, 0)) { expect(page).to have_css(".handle-going") }
    expect(page).to have_css(".stop", count: 2)
    expect(offsets).to eq [0, 100]
    click_on_undo
    eventually { expect(offsets).to eq [0, 75, 100] }
    handle("stop 2").send_keys(:right, :right)
    eventually { expect(offsets).to eq [0, 77, 100] }
    handle("stop 2").send_keys(:delete)
    eventually { expect(offsets).to eq [0, 100] }
  end

  def click_on_undo
    find("#undo").click
    settled
  end

  it "shows while it is dragged what it will be" do
    with_gradient "plum_band"
    before = color_at(point_on("plum_band"))
    drag_over(at("middle 0 1"), by(at("middle 0 1"), 0, -28))
    eventually { expect(color_at(point_on("plum_band"))).not_to eq before }
    shown = color_at(point_on("plum_band"))
    mouse.up
    settled
    expect_done "Painted Plum band with a gradient"
    expect(paint.compound.inks[0].middle).to be < 0.3
    eventually { expect(color_at(point_on("plum_band")).zip(shown).map { |now, then_| (now - then_).abs }.max).to be <= 4 }
    expect(page.evaluate_script("document.querySelector('#stage-drawing').shadowRoot.querySelectorAll('[data-preview]').length")).to eq 0
  end

  # What the window shows at a point, handles and outlines aside.
  def color_at(point)
    page.execute_script("document.querySelectorAll('#handles, #outline').forEach(each => { each.style.visibility = 'hidden' })")
    bytes = page.driver.browser.screenshot(format: "png", encoding: :binary, area: {x: point[:x], y: point[:y], width: 1, height: 1})
    Vips::Image.new_from_buffer(bytes, "").getpoint(0, 0).first(3)
  ensure
    page.execute_script("document.querySelectorAll('#handles, #outline').forEach(each => { each.style.visibility = '' })")
  end

  it "lets a stop follow a swatch, which is changed everywhere then, and be plain, tinted or clear" do
    with_gradient "plum_band"
    hold "Lamp"
    click_link "Pick parts"
    choose "clear", allow_label_click: true, visible: :all
    within(".picked-stops") { click_button "Give" }
    expect(page).to have_css(".stop b", text: "Lamp")
    lamp = Swatch.find_by!(name: "Lamp")
    expect(paint.compound.inks.map(&:reference)).to eq [Swatch.find_by!(name: "Plum hour").id, lamp.id]
    halfway = {x: at("stop 0")[:x], y: (at("stop 0")[:y] + at("stop 1")[:y]) / 2 - 12}
    before = color_at(halfway)
    Changes::ChangeSwatch.perform(demo, actor:, swatch: lamp, colour: hex("#2F8FA3"), definition: "", before: lamp.hex)
    expect(paint.compound.inks[1].colour.hex).to eq "#2F8FA3"
    eventually { expect(color_at(halfway)).not_to eq before }
    fill_in "Opacity of the stop in per cent", with: "50"
    keys :enter
    eventually { expect(paint.compound.inks[1].opacity).to eq 0.5 }
    open_more
    fill_in "Tint of its swatch", with: "40"
    keys :enter
    expect(page).to have_css(".stop b", text: "Lamp 40 %")
    click_button "Clear"
    expect(page).to have_css(".stop b", text: "clear")
  end

  it "turns, squashes, reverses, is spaced evenly, mixed and laid across several by number and button" do
    click_part "plum_band"
    click_part "rosehip_band", shift: true
    click_button "All as the first"
    expect_done "Carried fill of Plum band to Rosehip band"
    click_button "Gradient"
    expect(page).to have_css("#handles [data-handle='stop 1']")
    fill_in "Angle in degrees, 0 to the right, 90 down", with: "30"
    keys :enter
    eventually { expect(paint.compound.angle).to eq 30 }
    select "elliptical", from: "Form of the gradient"
    expect(page).to have_css("#handles [data-handle=squash]")
    expect(paint("rosehip_band").compound.form).to eq "radial"
    before = paint.laid
    drag("squash", by(at("squash"), 0, -30))
    eventually { expect(paint.laid&.squash).to be_between(0.05, 0.3) }
    expect(before).to be_nil
    select "turning", from: "Form of the gradient"
    expect(page).to have_no_css("#handles [data-handle=squash]")
    drag("stop 1", by(at("from"), -80, 1))
    eventually { expect(offsets.last).to be_between(20, 80) }
    click_button "Reverse"
    eventually { expect(offsets.last).to eq 100 }
    open_more
    click_button "Space evenly"
    eventually { expect(offsets).to eq [0, 100] }
    select "as light", from: "Mixed"
    eventually { expect(paint.compound.mixing).to eq "linear" }
    click_button "One across all 2"
    eventually { expect([paint.laid&.across, paint("rosehip_band").laid&.across]).to all be_an Array }
    expect(paint.laid.across).to eq paint("rosehip_band").laid.across
    select "straight", from: "Form of the gradient"
    eventually { expect(ends("plum_band")).to eq ends("rosehip_band") }
  end

  it "is kept as a swatch, whose stops are changed in Palettes and reach what follows it" do
    with_gradient "plum_band"
    drag("to", by(at("to"), 60, -20))
    expect_done "Laid the gradient of Plum band otherwise"
    open_more
    fill_in "paint_name", with: "Evening"
    within("#gradient-more") { click_button "Keep" }
    expect_done "Kept Evening in Dusk sky"
    expect(page).to have_css(".picked-wears", text: "shared: Evening")
    laid = paint.laid
    visit "/projects/#{demo.id}/palettes?swatch=#{Swatch.find_by!(name: "Evening").id}"
    select "as light", from: "A gradient is mixed"
    fill_in "Middle between ink 1 and the next in per cent", with: "30"
    click_button "Change Evening"
    expect_done "Changed Evening"
    expect([paint.compound.mixing, paint.compound.inks.map { |ink| [ink.middle, ink.opacity] }, paint.laid]).to eq ["linear", [[0.3, 1.0], [0.5, 0.0]], laid]
  end

  it "leaves nothing of how it lay to another fill" do
    with_gradient "plum_band"
    drag("to", by(at("to"), 60, -20))
    expect_done "Laid the gradient of Plum band otherwise"
    hold "Lamp"
    find("button[value='give-fill']", match: :first).click
    expect_done "Dressed Plum band with Lamp"
    expect([place(poster, "plum_band").reload.laid, fill_of("#stage", "plum_band")]).to eq [nil, "#FFCE5C"]
    click_button "Gradient"
    expect(page).to have_css("#handles [data-handle=to]")
    expect(place(poster, "plum_band").reload.laid).not_to be_nil
  end
end
