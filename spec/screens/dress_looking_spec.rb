require "support/dress_screens"

RSpec.describe "Dress, looking and showing", :screen do
  include DressScreens

  def add(name, note = "") = Changes::AddColourway.perform(demo, actor: Actor.new, artwork: poster, name:, note:)

  def look_at(label)
    find("#look-menu summary").click
    click_link label
    expect(page).to have_css(".pane-looked .pane-name", text: label)
    settled
  end

  # A pixel of the window, as it is painted there.
  def pixel(x, y)
    path = File.join(DOWNLOADS, "pixel.png")
    page.driver.browser.screenshot(path:)
    "#%02X%02X%02X" % Vips::Image.new_from_file(path).getpoint(x, y).first(3)
  end

  def band(scope) = box_of(scope).then { |box| [box["x"] + box["width"] * 0.1, box["y"] + box["height"] * 0.575] }

  # Of a screen that paints with eight bits.
  def near(one, other) = expect(Magpie::Difference.de2000(*[one, other].map { |text| Magpie::Notation.parse(text) })).to be < 1.0

  it "shows the same with other eyes and in other light, beside the original, and changes nothing" do
    open_dress
    Magpie::Vision::Looking::KINDS.each do |kind, label|
      look_at label
      near pixel(*band(".pane-looked .stage-drawing")), Magpie::Vision::Looking.at(kind).of(Magpie::Notation.parse("#A35166")).hex
      near pixel(*band("#stage")), "#A35166"
    end
    expect(RecordedChange.count).to eq 0
    hold "Nebula teal"
    click_part "rosehip_band"
    eventually { expect(fill_of("#stage", "rosehip_band")).to eq "#2F8FA3" }
    settled
    near pixel(*band(".pane-looked .stage-drawing")), Magpie::Vision::Looking.at(:dusk).of(Magpie::Notation.parse("#2F8FA3")).hex
    within(".pane-looked") { click_link "Close" }
    expect(page).to have_no_css(".pane-looked")
  end

  it "shows what the press makes of it, and follows the zoom" do
    open_dress
    look_at "The press"
    lab = Magpie::Notation.parse("#A35166").in(:lab)
    printed = Magpie::Press.usual.then { |press| Magpie::Color.new(:lab, press.to_lab(press.from_lab(lab))).to(:srgb).hex }
    expect(Magpie::Difference.de2000(*[seen_in(".pane-looked img", 0.1, 0.575), printed].map { |text| Magpie::Notation.parse(text) })).to be < 1.5
    roll(-400, on_stage(0.5, 0.5))
    widths = all(".stage-drawing").map { |each| each.evaluate_script("this.getBoundingClientRect().width").round }
    expect(widths.uniq).to contain_exactly(be > 300)
  end

  it "shows the colourways to a client: arrow keys, a swipe, and names below" do
    add("Winter hours", "When the dome opens at five").then { |way| Changes::DressParts.perform(demo, actor: Actor.new, artwork: way, numbers: numbers_of("rosehip_band"), role: "fill", content: Hand::Content.of_swatch(Swatch.find_by!(name: "Nebula teal"))) }
    add("Daytime")
    open_dress
    click_link "Show"
    expect(page).to have_css(".show-foot", text: /First.*1 of 3/m)
    keys :right
    expect(page).to have_css(".show-foot", text: /Winter hours\s+When the dome opens at five.*2 of 3/m)
    eventually { expect(fill_of("#show", "rosehip_band")).to eq "#2F8FA3" }
    keys :right
    expect(page).to have_css(".show-foot h2", text: "Daytime")
    keys :right
    expect(page).to have_css(".show-foot h2", text: "First")
    middle = box_of(".show-room").then { |box| {x: box["x"] + box["width"] / 2, y: box["y"] + 50} }
    mouse.move(**middle)
    mouse.down
    mouse.move(x: middle[:x] + 120, y: middle[:y], steps: 4)
    mouse.up
    expect(page).to have_css(".show-foot h2", text: "Daytime")
    find(".show-row a[title='Winter hours']").click
    expect(page).to have_css(".show-foot h2", text: "Winter hours")
    click_button "Full screen"
    expect(page).to have_no_css(".show-head")
    page.evaluate_async_script("document.exitFullscreen().then(arguments[0])")
    expect(page).to have_css(".show-head")
    keys :escape
    expect(page).to have_css(".said", text: "Poster, Winter hours")
  end

  def numbers_of(*keys) = poster.parts.where(key: keys).pluck(:position)
end
