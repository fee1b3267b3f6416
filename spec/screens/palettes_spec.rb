require "support/palette_screens"

RSpec.describe "Palettes", :screen do
  include PaletteScreens

  before { open_place "palettes" }

  describe "selecting" do
    it "takes ranges with Shift, single ones with Ctrl, all of a group, all like one, none" do
      select_chips("Plum hour")
      click_chip("Coral", PaletteScreens::SHIFT)
      expect(page).to have_content("4 swatches selected in Dusk sky")
      eventually { expect(all("[data-chip][aria-selected=true]").map { |each| each["title"][/\A[A-Z][\w ]+?(?= #)/] }).to eq ["Plum hour", "Rosehip", "Ember sky", "Coral"] }
      click_chip("Rosehip", PaletteScreens::CTRL)
      click_chip("Peat", PaletteScreens::CTRL)
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
      Changes::AddPalette.perform(demo, actor:, name: "Star trail")
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
      expect(page).to have_css("#{at("Peat")}:focus")
      keys %i[alt right]
      eventually { expect(run_of("Night ground").first(2)).to eq %w[Moor Peat] }
      expect(page.evaluate_script("document.activeElement.dataset.chip")).to eq named("Peat").id.to_s
      keys %i[alt down]
      eventually { expect(run_of("Brass and glass")).to include "Peat" }
      2.times { click_button "Undo" }
      eventually { expect(run_of("Night ground").first(2)).to eq %w[Peat Moor] }
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
    expect(page).to have_css(".slot")
    expect(page).to have_css(".side h1", text: "Moonwash")
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
end
