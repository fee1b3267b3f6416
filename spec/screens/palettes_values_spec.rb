require "support/palette_screens"

RSpec.describe "Palettes, values and what follows", :screen do
  include PaletteScreens

  before { open_place "palettes" }

  it "changes many everywhere with before and after on every artwork, and nothing on Esc" do
    ember, plum = named("Ember sky"), named("Plum hour")
    select_chips("Ember sky", "Plum hour")
    click_button "Change 2…"
    expect(page).to have_css(".compare figure", count: 2)
    slide("hue", 60)
    eventually { expect(variable(ember)).to match(/\A#\h{6}\z/).and(satisfy { |text| text != "#E46F58" }) }
    after = variable(ember)
    eventually do
      expect(fill_of(".compare", "ember_band")).to eq after
    end
    expect(seen_in(".compare img", 0.1, 0.66)).to eq "#E46F58"
    keys :escape
    eventually { expect(variable(ember)).to eq "#E46F58" }
    slide("hue", 60)
    click_button "Apply to 2"
    expect(page).to have_content("Shifted 2 swatches: Hue +60°. 2 swatches changed")
    expect([ember.reload.hex, plum.reload.hex]).to eq [after, Magpie::Palette::Shift.new(hue: 60).of(hex("#5F3566")).hex]
    click_button "Undo"
    expect(page).to have_content("Undone: Shifted 2 swatches")
    expect(ember.reload.hex).to eq "#E46F58"
  end

  it "shifts the whole palette but for what is locked, old and new touching" do
    select_chips("Lamp")
    click_button "Lock"
    expect(page).to have_content("Locked 1 swatch")
    click_link "Palette"
    expect(page).to have_button("Apply to 20")
    slide("lightness", 6)
    slide("chroma", -30)
    rose = named("Rosehip")
    expected = Magpie::Palette::Shift.new(lightness: 6, chroma: -30).of(rose.colour).hex
    eventually { expect(variable(rose)).to eq expected }
    expect(chip("Rosehip").style("background-image")["background-image"]).to include("linear-gradient")
    expect(variable(named("Lamp"))).to eq "#FFCE5C"
    click_button "Apply to 20"
    expect(page).to have_content("Shifted Quillmere house: Lightness +6, chroma −30 %. 20 swatches changed")
    expect([rose.reload.hex, named("Lamp").hex]).to eq [expected, "#FFCE5C"]
  end

  it "edits in place in the ledger, sorts it, and shows other notations" do
    look_at "Ledger"
    find("[data-row='#{named("Lamp").id}'] [data-field=code]").set("QO 7\t")
    eventually { expect(Swatch.find_by(code: "QO 7")&.name).to eq "Lamp" }
    find("[data-row='#{named("Lamp").id}'] [data-field=name]").set("Lantern\t")
    expect(page).to have_css(".ledger [data-field=name][value=Lantern]")
    select "lightness", from: "Sort by"
    eventually { expect(all(".ledger [data-field=name]").map(&:value).values_at(0, -1)).to eq %w[Black White] }
    find("summary", text: "Notations").click
    check "Lab"
    expect(page).to have_css(".ledger th", text: "Lab")
    select "spot", from: "Kind of Lantern"
    eventually { expect(named("Lantern").kind).to eq "spot" }
  end

  it "shows every swatch as a dot, and takes one in hand" do
    look_at "Chart"
    expect(page).to have_css(".dot", count: 42)
    find("[data-dot='#{named("Nebula teal").id}']", match: :first).click
    within(".hand-now") { expect(page).to have_content("Nebula teal") }
  end

  it "previews a shift on the chart too, before the slider is let go and after, and takes it back on Esc" do
    look_at "Chart"
    click_link "Palette"
    dot = -> { page.evaluate_script("getComputedStyle(document.querySelector('[data-dot=\"#{named("Nebula teal").id}\"] circle')).fill") }
    was = dot.call
    slide_along("hue", 60)
    expect(dot.call).not_to eq was
    expect(variable(named("Nebula teal"))).to eq "#2F8FA3"
    slide("hue", 60)
    eventually { expect(hex_of(dot.call)).to eq Magpie::Palette::Shift.new(hue: 60).of(named("Nebula teal").colour).hex }
    keys :escape
    expect(hex_of(dot.call)).to eq "#2F8FA3"
    slide("hue", 60)
    click_button "Compare"
    expect(page).to have_css("h1", text: "21 swatches, everywhere")
  end

  it "knows what a swatch is while it shows what is tried, also when the side comes anew" do
    teal = named("Nebula teal")
    slide("hue", 60)
    shifted = Magpie::Palette::Shift.new(hue: 60).of(teal.colour).hex
    eventually { expect(variable(teal)).to eq shifted }
    find("#shift-hue").execute_script("this.focus()") # what one is at keeps its value
    click_link "Palette"
    settled.find("#shift[data-computed]")
    eventually { expect([find("#shift-hue").value, variable(teal)]).to eq ["60", shifted] }
    keys :escape
    eventually { expect([find("#shift-hue").value, variable(teal)]).to eq ["0", "#2F8FA3"] }
  end

  it "previews each slider as the server will compute it" do
    look_at "Chart"
    click_link "Palette"
    slate = named("Slate dome")
    drawn = -> { Magpie::Notation.parse(page.evaluate_script("getComputedStyle(document.querySelector('[data-dot=\"#{slate.id}\"] circle')).fill")) }
    {lightness: -8, chroma: 60, hue: -70, contrast: 40, warmth: 50}.each do |name, amount|
      slide_along(name, amount)
      eventually { expect(Magpie::Difference.de2000(drawn.call, Magpie::Palette::Shift.new(name => amount).of(slate.colour))).to be < 0.3, "#{name}: #{drawn.call.hex}" }
      find("[data-shift-reset]").click
      eventually { expect(Magpie::Difference.de2000(drawn.call, slate.colour)).to be < 0.3 }
    end
  end

  it "tells the history of a swatch, with who and why, and restores a value" do
    fill_in_name = -> { find("summary", text: "Changes").click && fill_in("Your name", with: "Wren\t") }
    fill_in_name.call
    expect(page).to have_css("[name=who][value=Wren]", visible: :all) # as the server has drawn it
    chip("Lamp").click
    within(".side") { click_link "Change everywhere" }
    fill_in "Colour in any notation", with: "#FFD870"
    fill_in "Why", with: "Paler on enamel"
    expect(page).to have_css("#mix-hex", text: "#FFD870")
    click_button "Apply to 12 places"
    expect(page).to have_content("Lamp is #FFD870 now")
    expect(page).to have_content("“Paler on enamel”")
    expect(page).to have_content("Wren, ")
    fill = -> { find(".history", text: "#FFD870") }
    expect(fill.call).to have_no_button("Restore")
  end

  it "refuses a change that was based on an older colour, shows both, and lets choose" do
    ember = named("Ember sky")
    visit "/projects/#{demo.id}/palettes?swatch=#{ember.id}&mix=#{ember.id}"
    fill_in "Colour in any notation", with: "#2F8FA3"
    expect(page).to have_css("#mix-hex", text: "#2F8FA3")
    using_session(:other) do
      visit "/projects/#{demo.id}/palettes?swatch=#{ember.id}&mix=#{ember.id}"
      fill_in "Colour in any notation", with: "#808080"
      expect(page).to have_css("#mix-hex", text: "#808080")
      click_button "Apply to 2 places"
      expect(page).to have_content("Ember sky is #808080 now")
    end
    click_button "Apply to 2 places"
    expect(page).to have_css(".conflict", text: "Somebody was faster")
    within(".conflict") { expect(page).to have_content("#808080").and have_content("#2F8FA3") }
    click_button "Take mine"
    expect(page).to have_content("Ember sky is #2F8FA3 now")
    using_session(:other) { expect(page).to have_css("[data-chip='#{ember.id}'][title*='#2F8FA3']") } # its page refreshed by itself
    expect(ember.reload.hex).to eq "#2F8FA3"
  end
end
