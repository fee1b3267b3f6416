require "support/fidelity"
require "support/pattern_screens"

RSpec.describe "Dress, lines", :screen do
  include Fidelity
  include PatternScreens

  before { open_dress }

  def set(key = "planet_ring") = PartSettings.new(poster, numbers(poster, key)).all.fetch(key)

  def open_lines = find("#settings").tap { |menu| menu.find("summary").click unless menu["open"] }

  def style_of(key) = page.evaluate_script("document.querySelector('#stage-drawing').shadowRoot.querySelector('[data-part=\"#{numbers(poster, key).first}\"]').getAttribute('style')").to_s

  it "are drawn by choice and by numbers, which is seen while it is said, and taken back where it is left" do
    click_part "planet_ring"
    open_lines
    fill_in "Line width", with: "9"
    expect(style_of("planet_ring")).to include "stroke-width:9"
    select "long", from: "Dash, some to choose"
    expect(find_field("Dash, lengths of dashes and gaps").value).to eq "8 4"
    fill_in "Dash, lengths of dashes and gaps", with: "14 3 2 3"
    expect(style_of("planet_ring")).to include "stroke-dasharray:14 3 2 3"
    expect(find("#line-sample path")["stroke-dasharray"]).to eq "14 3 2 3"
    find("#settings summary").click
    eventually { expect(style_of("planet_ring")).not_to include "dasharray" }
    expect(set.dash).to eq "none"
    open_lines
    fill_in "Dash, lengths of dashes and gaps", with: "14 3"
    select "round", from: "Ends"
    click_button "Set"
    expect_done "Set the line width, dash and ends of Planet ring"
    expect([set.width, set.dash, set.cap]).to eq [9.0, "14 3", "round"]
    fill_in "Dash, lengths of dashes and gaps", with: "14 and 3"
    click_button "Set"
    expect(page).to have_css(".notice", text: "\"14 and 3\" is no dash")
  end

  it "lie outside, run double, and are found, outlined and painted as before; and go back" do
    click_part "dome_roof"
    click_button "Exchange"
    expect_done "Exchanged fill and line of Dome roof"
    open_lines
    fill_in "Line width", with: "20"
    select "outside", from: "Lies"
    select "double", from: "Run"
    click_button "Set"
    eventually { expect([set("dome_roof").side, set("dome_roof").run]).to eq %w[outside double] }
    group = "document.querySelector('#stage-drawing').shadowRoot.querySelector('g[data-part=\"#{numbers(poster, "dome_roof").first}\"]')"
    eventually { expect(page.evaluate_script("#{group}?.getAttribute('stroke')")).to eq "var(--swatch-#{place(poster, "dome_roof", "line").swatch_id})" }
    find("#settings summary").click
    expect(outlined).to eq ["dome_roof"]
    hold "Lamp"
    click_link "Pick parts"
    find("#target label", text: "Line").click
    expect(page).to have_css(".picked-main h2", text: "Line of Dome roof")
    within(".picked-main") { click_button "Give" }
    eventually { expect(page.evaluate_script("getComputedStyle(#{group}.lastElementChild).stroke")).to eq "rgb(255, 206, 92)" }
    click_button "Undo"
    click_button "Undo"
    eventually { expect(page.evaluate_script(group)).to be_nil }
  end

  it "look alike on the page, in SVGs and in pictures, with gradients and patterns on them" do
    hide_texts
    lines = {
      "planet_ring" => {width: 14.0, run: "double"}, "planet_disc" => {width: 10.0, side: "outside", dash: "30 8"}, "dome_roof" => {width: 12.0, side: "inside"}, "dome_wall" => {width: 9.0, run: "stitched"},
      "moor" => {width: 16.0, side: "inside", run: "double"}, "plum_band" => {width: 0.4}, "ember_band" => {width: 6.0, join: "bevel", cap: "square", dash: "20 14"}
    }
    inks = %w[#FFCE5C #2F8FA3].each_with_index.map { |text, at| Magpie::Palette::Compound::Ink.new(colour: hex(text), offset: at.to_f) }
    lines.each_with_index do |(key, settings), index|
      Changes::PaintParts.perform(demo, actor:, artwork: poster, numbers: numbers(poster, key), role: "line", paint: Magpie::Palette::Compound.new(form: index.even? ? "linear" : "stripes", angle: 0.0, size: 32.0, inks:))
      Changes::SetSettings.perform(demo, actor:, artwork: poster, numbers: numbers(poster, key), settings:)
    end
    open_dress
    found = differences(looks(poster))
    expect(found.values.max).to be < 0.5, found.inspect
  end

  it "have marks where they begin and end, on the page as elsewhere" do
    svg = '<svg xmlns="http://www.w3.org/2000/svg" width="300" height="200"><path id="trail" d="M40 150C90 20 200 220 260 60" fill="none" stroke="#231F55" stroke-width="6"/></svg>'
    trail = Changes::BringInArtwork.perform(demo, actor:, name: "Trail.svg", bytes: svg)
    open_dress(artwork: trail)
    mouse.click(**on_stage(40 / 300.0 + 0.004, 150 / 200.0 - 0.02))
    picks "trail", artwork: trail
    open_lines
    select "dot", from: "Begins with"
    select "feather", from: "Ends with"
    expect(page).to have_no_field("Lies")
    click_button "Set"
    expect_done "Set the first mark and last mark of Trail"
    find("#settings summary").click
    find("#stage").execute_script("this.focus()")
    keys :escape
    picks artwork: trail
    open_dress(artwork: trail)
    found = differences(looks(trail))
    expect(found.values.max).to be < 0.5, found.inspect
    expect(Dressing.new(trail).flat).to include 'stroke-linecap="round"'
  end

  it "have grain on their fills besides, which looks alike everywhere and goes with whatever is carried" do
    click_part "plum_band"
    open_lines
    fill_in "Grain", with: "25"
    fill_in "Size of a grain", with: "3"
    click_button "Set"
    expect_done "Set the grain and size of the grain of Plum band"
    expect([set("plum_band").grain, set("plum_band").grain_size]).to eq [0.25, 3.0]
    Changes::CarryDress.perform(demo, actor:, artwork: poster, numbers: numbers(poster, "night_sky", "moor"), from: [poster, numbers(poster, "plum_band").first], what: ["effects"])
    expect(set("moor").grain).to eq 0.25
    hide_texts
    find("#settings summary").click
    find("#stage").execute_script("this.focus()")
    keys :escape
    picks
    hold "Lamp"
    click_link "Pick parts"
    click_part "plum_band"
    within(".picked-main") { click_button "Give" }
    eventually { expect(fill_of("#stage", "plum_band")).to eq "#FFCE5C" }
    find("#stage").execute_script("this.focus()")
    keys :escape
    picks
    open_dress
    found = differences(looks(poster))
    expect(found.values.max).to be < 0.5, found.inspect
  end
end
