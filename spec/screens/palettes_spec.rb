require "support/screens"

RSpec.describe "Palettes", :screen do
  def named(name) = Swatch.joins(group: :palette).find_by!(name:, palettes: {starter: false})

  def chip(name) = find("[data-chip='#{named(name).id}']")

  # Boxes are asked for by selector in one go, since a page that follows a change may
  # have put another element there meanwhile.
  def at(name) = "[data-chip='#{named(name).id}']"

  def middle(selector) = box_of(selector).then { |box| {x: box["x"] + box["width"] / 2, y: box["y"] + box["height"] / 3} }

  # Clicks chips as a person does who holds a key.
  def click_chip(name, modifiers = 0) = mouse.click(**middle(at(name)), modifiers:)

  CTRL, SHIFT = 2, 8

  def select_chips(first, *others)
    chip(first).click
    expect(page).to have_css(".side h1", text: first)
    others.each { |name| click_chip(name, CTRL) }
    expect(page).to have_content("#{others.size + 1} #{others.empty? ? "swatch" : "swatches"} selected")
  end

  def drag(from, to)
    mouse.move(**from)
    mouse.down
    mouse.move(x: from[:x] + 9, y: from[:y] + 3)
    mouse.move(**to, steps: 6)
    yield if block_given?
    mouse.up
  end

  def look_at(view)
    find(".views label", text: view).click
    expect(page).to have_css(".palettes[data-view='#{view.downcase}']")
  end

  def run_of(group) = all("[data-group-name='#{group}'] [data-slot]").map { |cell| cell.text.lines.first.to_s.strip }

  def slide(name, value)
    find("#shift-#{name}").execute_script("this.value = arguments[0]; this.dispatchEvent(new Event('input', { bubbles: true })); this.dispatchEvent(new Event('change', { bubbles: true }))", value)
  end

  def variable(swatch) = page.evaluate_script("document.querySelector('#app').style.getPropertyValue('#{swatch.variable}')")

  before { open_place "palettes" }

  describe "selecting" do
    it "takes ranges with Shift, single ones with Ctrl, all of a group, all like one, none" do
      select_chips("Plum hour")
      click_chip("Coral", SHIFT)
      expect(page).to have_content("4 swatches selected in Dusk sky")
      eventually { expect(all("[data-chip][aria-pressed=true]").map { |each| each["title"][/\A[A-Z][\w ]+?(?= #)/] }).to eq ["Plum hour", "Rosehip", "Ember sky", "Coral"] }
      click_chip("Rosehip", CTRL)
      click_chip("Peat", CTRL)
      expect(page).to have_content("4 swatches selected in 2 groups")
      expect(page).to have_button("Lock 4")
      click_button "All of group"
      expect(page).to have_content("7 swatches selected in Dusk sky")
      click_button "None"
      expect(page).to have_content("Finds, newest first")
      select_chips("Ember sky")
      click_button "All like it"
      expect(page).to have_content("2 swatches selected in Dusk sky")
    end

    it "takes what a frame touches, and leaves with Esc" do
      from, to = box_of(at("Tarnish")), box_of(at("Lamp"))
      drag({x: from["x"] - 12, y: from["bottom"] + 40}, {x: to["x"] + 10, y: from["y"] + 20}) { expect(page).to have_css(".select-frame") }
      expect(page).to have_content("3 swatches selected in Brass and glass")
      keys :escape
      expect(page).to have_content("Finds, newest first")
    end

    it "works with keys alone: Space, Shift and arrows, Ctrl and A, Delete" do
      chip("Peat").execute_script("this.focus()")
      keys :space
      expect(page).to have_content("1 swatch selected in Night ground")
      keys %i[shift right]
      expect(page).to have_content("2 swatches selected in Night ground")
      keys %i[shift right]
      expect(page).to have_content("3 swatches selected in Night ground")
      keys [:ctrl, "a"]
      expect(page).to have_content("5 swatches selected in Night ground")
      keys :delete
      expect(page).to have_css("h1", text: "Remove 5 swatches")
    end
  end

  describe "moving" do
    it "drags chips between groups, before another, and with empty slots to the right" do
      last = box_of(at("Ion pink"))
      drag(middle(at("Coral")), {x: last["x"] + 60, y: last["y"] + 30}) { expect(page).to have_css(".chip-ghost i") }
      expect(page).to have_content("Moved Coral to Brass and glass")
      eventually { expect(run_of("Brass and glass").last).to eq "Coral" }
      eventually { expect(run_of("Dusk sky")).to eq ["Zenith indigo", "Plum hour", "Rosehip", "Ember sky", "Apricot", "Last light"] }
      first = box_of(at("Tarnish"))
      drag(middle(at("Coral")), {x: first["x"] + 8, y: first["y"] + 30}) { expect(page).to have_css(".drop-before") }
      eventually { expect(run_of("Brass and glass").first(2)).to eq %w[Coral Tarnish] }
      right = box_of(at("Moonwash"))
      drag(middle(at("Moonwash")), {x: right["right"] + 100, y: right["y"] + 30})
      eventually { expect(run_of("Night ground")).to eq ["Peat", "Moor", "Slate dome", "Mist", "Empty slot 5 of Night ground", "Empty slot 6 of Night ground", "Moonwash"] }
    end

    it "drags between palettes that stand one above the other, and copies with Ctrl" do
      Changes::AddPalette.perform(demo, name: "Star trail")
      open_place "palettes"
      find("#chip-size").execute_script("this.value = 44; this.dispatchEvent(new Event('change', { bubbles: true }))")
      expect(page).to have_css(".rows[style*='44px']")
      first = "[data-group-name='First colours']"
      find(first).execute_script("this.scrollIntoView({ block: 'end' })")
      drag(middle(at("Screen grey")), middle(first)) { expect(page).to have_css(".chip-ghost") }
      expect(page).to have_content("Moved Screen grey to First colours")
      expect(Palette.find_by!(name: "Star trail").swatches.map(&:name)).to eq ["Screen grey"]
      click_button "Undo"
      expect(page).to have_content("Undone: Moved Screen grey to First colours")
      expect(named("Screen grey").group.name).to eq "Every job"
    end

    it "goes by key within a run, to the next group, and back with undo" do
      chip("Peat").execute_script("this.focus()")
      keys %i[alt right]
      eventually { expect(run_of("Night ground").first(2)).to eq %w[Moor Peat] }
      expect(page.evaluate_script("document.activeElement.dataset.chip")).to eq named("Peat").id.to_s
      keys %i[alt down]
      eventually { expect(run_of("Brass and glass")).to include "Peat" }
      2.times { click_button "Undo" }
      eventually { expect(run_of("Night ground").first(2)).to eq %w[Peat Moor] }
    end

    it "moves and copies from the menu" do
      select_chips("Lamp", "Tarnish")
      click_button "Move 2 to…"
      select "Every job", from: "To the group"
      click_button "Copy 2"
      expect(page).to have_content("Copied 2 swatches to Every job")
      eventually { expect(run_of("Every job").last(2)).to eq %w[Tarnish Lamp] }
      eventually { expect(run_of("Brass and glass")).to include "Lamp" }
    end
  end

  it "fills the gaps between, in the run where slots were left empty" do
    right = box_of(at("Moonwash"))
    drag(middle(at("Moonwash")), {x: right["right"] + 100, y: right["y"] + 30})
    expect(page).to have_css("[data-group-name='Night ground'] .slot", count: 2)
    select_chips("Mist", "Moonwash")
    click_button "Fill gaps between 2"
    expect(page).to have_content("Filled the gaps between 2 swatches")
    expect(page).to have_no_css(".slot")
    steps = Group.find_by!(name: "Night ground").swatches.last(4).map(&:colour).each_cons(2).map { |a, b| Magpie::Difference.de2000(a, b) }
    expect(steps.max / steps.min).to be < 1.06
  end

  it "keeps what is in hand in an empty slot" do
    right = box_of(at("Moonwash"))
    drag(middle(at("Moonwash")), {x: right["right"] + 30, y: right["y"] + 30})
    chip("Lamp").click
    expect(page).to have_css(".side h1", text: "Lamp")
    find(".slot", match: :first).click
    expect(page).to have_content(/Kept .* in Night ground/)
    expect(Group.find_by!(name: "Night ground").swatches.map(&:hex)).to include "#FFCE5C"
  end

  it "crosses ramps on the grid in a chip that both share" do
    look_at "Grid"
    slot = ->(across, down) { ".grid-cell[data-across='#{across}'][data-down='#{down}']" }
    grid = ->(across, down) { find(slot.call(across, down)) }
    [["Zenith indigo", 0, 5], ["Last light", 4, 5], ["Peat", 2, 7]].each do |name, across, down|
      grid.call(across, down).execute_script("this.scrollIntoView({ block: 'center' })")
      drag(middle(at(name)), middle(slot.call(across, down)))
      eventually { expect(grid.call(across, down)).to have_css("[data-chip='#{named(name).id}']") }
    end
    select_chips("Zenith indigo", "Last light")
    click_button "Fill gaps between 2"
    expect(page).to have_content("Filled the gaps between 2 swatches")
    crossing = Swatch.find(grid.call(2, 5).find("[data-chip]")["data-chip"])
    select_chips(crossing.name, "Peat")
    click_button "Fill gaps between 2"
    eventually { expect(grid.call(2, 6)).to have_css("[data-chip]") }
    colours = [[2, 5], [2, 6], [2, 7]].map { |across, down| Swatch.find(grid.call(across, down).find("[data-chip]")["data-chip"]).colour }
    steps = colours.each_cons(2).map { |a, b| Magpie::Difference.de2000(a, b) }
    expect(steps.max / steps.min).to be < 1.06
  end

  it "shares with two near places ticked, and they follow" do
    poster = demo.artworks.first
    strays = poster.places.where(role: "fill").limit(3).to_a
    strays.zip(%w[#C14D85 #C34F88 #C24E86]).each { |place, text| place.update!(**Place.copying(hex(text))) }
    select_chips("Ion pink")
    click_button "Share…"
    expect(page).to have_content("One place holds exactly #C24E86, 2 nearly")
    eventually { all(".share input[type=checkbox]", count: 3).each { |box| expect(box.checked?).to eq(box.find(:xpath, "..").has_text?("exactly")) } }
    eventually { all(".share input[type=checkbox]", count: 3).each(&:check) }
    click_button "Share and link 3"
    expect(page).to have_content("Ion pink is shared now, 3 places linked")
    expect(strays.map { |place| place.reload.swatch_id }.uniq).to eq [named("Ion pink").id]
    click_button "Make loose"
    expect(page).to have_content("Made 1 swatch loose. Every place keeps its value")
    expect(strays.map { |place| place.reload.hex }.uniq).to eq ["#C24E86"]
  end

  it "changes many everywhere with before and after on every artwork, and nothing on Esc" do
    ember, plum = named("Ember sky"), named("Plum hour")
    select_chips("Ember sky", "Plum hour")
    click_button "Change 2…"
    expect(page).to have_css(".compare figure", count: 2)
    slide("hue", 60)
    eventually { expect(variable(ember)).to match(/\A#\h{6}\z/).and(satisfy { |text| text != "#E46F58" }) }
    after = variable(ember)
    eventually do
      before_fill, after_fill = find(".compare-pair", match: :first).all(".drawing", count: 2).map { |drawing| hex_of(drawing.find("[data-part=ember_band]").style("fill")["fill"]) }
      expect([before_fill, after_fill]).to eq ["#E46F58", after]
    end
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

  it "finds twins and merges them, and the artwork follows" do
    coral = named("Coral")
    place = demo.artworks.first.places.joins(:part).find_by!(parts: {key: "plum_band"}, role: "fill")
    coral.update!(shared: true)
    place.follow&.destroy
    Demo.link(Place.where(id: place.id), coral)
    open_place "palettes"
    within("#health") { expect(page).to have_content("Ember sky and Coral") }
    click_button "Keep Ember sky"
    expect(page).to have_content("Merged 2 swatches into Ember sky. Every place followed")
    expect(place.reload.swatch).to eq named("Ember sky")
    open_place "dress"
    expect(fill_of("#stage", "plum_band")).to eq "#E46F58"
    click_button "Undo"
    eventually { expect(fill_of("#stage", "plum_band")).to eq "#E2705A" }
  end

  it "mends in place what the other checks find, and takes another limit" do
    find("#check-press summary").click
    within("#check-press") { click_button "Bring in, #777677" }
    expect(page).to have_content("Screen grey is #777677 now")
    click_link "Palette"
    find("#check-twins summary").click
    within("#check-twins") do
      fill_in "Limit", with: "0.3"
      click_button "Set"
    end
    expect(page).to have_content("Twins, closer than ΔE 0.3")
    expect(find("#check-twins summary")).to have_content("0")
  end

  it "removes a swatch in use: its places follow the nearest" do
    ember = named("Ember sky")
    places = ember.places.ids
    select_chips("Ember sky")
    click_button "Remove…"
    expect(page).to have_select("Ember sky, 2 places", selected: "follow Coral, ΔE 0.5")
    click_button "Remove 1"
    expect(page).to have_content("Removed Ember sky. No place lost its colour")
    expect(Place.where(id: places).map { |place| place.swatch.name }.uniq).to eq ["Coral"]
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
    find("#shift-hue").execute_script("this.value = 60; this.dispatchEvent(new Event('input', { bubbles: true }))")
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

  it "previews each slider as the server will compute it" do
    look_at "Chart"
    click_link "Palette"
    slate = named("Slate dome")
    drawn = -> { Magpie::Notation.parse(page.evaluate_script("getComputedStyle(document.querySelector('[data-dot=\"#{slate.id}\"] circle')).fill")) }
    {lightness: -8, chroma: 60, hue: -70, contrast: 40, warmth: 50}.each do |name, amount|
      find("#shift-#{name}").execute_script("this.value = #{amount}; this.dispatchEvent(new Event('input', { bubbles: true }))")
      expect(Magpie::Difference.de2000(drawn.call, Magpie::Palette::Shift.new(name => amount).of(slate.colour))).to be < 0.3, name.to_s
      find("[data-shift-reset]").click
    end
  end

  it "tells the history of a swatch, with who and why, and restores a value" do
    fill_in_name = -> { find("summary", text: "Changes").click && fill_in("Your name", with: "Wren\t") }
    fill_in_name.call
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

  it "tells where a swatch came from, and reads there again before anything changes" do
    chip("Lamp").click
    within(".side") { expect(page).to have_css(".came-from", text: "Found as 5 × 5 px at 1072, 690 of Dusk over the dome") }
    click_link "Read again"
    within(".read-again") { expect(page).to have_content(/#FFCE5C.*#FED15B/m) }
    expect(named("Lamp").hex).to eq "#FFCE5C"
    click_button "Take #FED15B"
    expect(page).to have_content("Lamp is #FED15B now")
    expect(page).to have_content("Read again: Lamp from #FFCE5C to #FED15B")
    click_link "Read again"
    expect(page).to have_content("It reads the same")
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

  it "makes a gradient whose stops follow swatches" do
    click_link "Swatch"
    find("summary", text: "Make a gradient or pattern").click
    within(".paint-edit") do
      select "Zenith indigo", from: "Ink 1"
      select "Apricot", from: "Ink 2"
      fill_in "Name", with: "Evening"
      click_button "Keep it"
    end
    expect(page).to have_content("Evening is kept in Dusk sky")
    expect(chip("Evening").style("background-image")["background-image"]).to include("rgb(35, 31, 85)", "rgb(243, 186, 112)")
  end

  it "finds palettes by name, tag and colour; adds, duplicates, merges, archives and removes" do
    click_link "All palettes"
    within(".side") do
      fill_in "Name", with: "Star trail"
      fill_in "Tags", with: "children, enamel"
      click_button "Add and use here"
    end
    expect(page).to have_content("Added Star trail")
    click_link "All palettes"
    fill_in "Find palettes", with: "enamel"
    click_button "Find"
    expect(page).to have_css(".shelf-item", count: 1, text: "Star trail")
    fill_in "Find palettes", with: "#E2705A"
    click_button "Find"
    expect(page).to have_css(".shelf-item", count: 1, text: /Quillmere house.*Coral ΔE 0.0, Ember sky ΔE 0.5/m)
    click_link "Quillmere house"
    expect(page).to have_content("Poster").and have_content("Badge")
    click_button "Duplicate"
    expect(page).to have_content("Duplicated Quillmere house as Quillmere house copy")
    within("form", text: "Same colour means") { select "Quillmere house", from: "Into" }
    click_button "Merge"
    expect(page).to have_content("Merged Quillmere house copy into Quillmere house: 21 swatches became one with another, 0 moved")
    visit "/projects/#{demo.id}/shelf?palette=#{Palette.find_by!(name: "Star trail").id}"
    click_button "Archive"
    expect(page).to have_no_css(".shelf-item", text: "Star trail")
    check "with the archive"
    expect(page).to have_css(".shelf-item", text: "Star trail")
    click_button "Remove with 0 swatches"
    expect(page).to have_content("Removed Star trail")
    expect(Palette.exists?(name: "Star trail")).to be false
  end
end
