require "support/pages"

RSpec.describe "Palettes, as pages" do
  before { open_place "palettes" }

  # What is measured of the palette.
  def health
    visit "/projects/#{demo.id}/palettes?side=palette"
    fetched "#health"
  end

  def run_of(group) = all("[data-group-name='#{group}'] .chip-cell b").map(&:text)

  it "share with what holds the colour exactly and nearly, and link what is ticked" do
    strays = demo.artworks.first.places.where(role: "fill").limit(3).to_a
    strays.zip(%w[#C14D85 #C34F88 #C24E86]).each { |place, text| place.update!(**Place.copying(hex(text))) }
    with_selected "share", swatch("Ion pink")
    expect(page).to have_content("One place holds exactly #C24E86, 2 nearly")
    boxes = all(".share input[type=checkbox]", count: 3)
    expect(boxes.map(&:checked?)).to eq(boxes.map { |box| box.find(:xpath, "..").has_text?("exactly") })
    boxes.each(&:check)
    find("#share-commit").click
    expect(page).to have_content("Ion pink is shared now, 3 places linked")
    expect(strays.map { |place| place.reload.swatch_id }.uniq).to eq [swatch("Ion pink").id]
    with_selected "loosen", swatch("Ion pink")
    expect(page).to have_content("Made 1 swatch loose. Every place keeps its value")
    expect(strays.map { |place| place.reload.hex }.uniq).to eq ["#C24E86"]
    expect([swatch("Ion pink").shared, strays.map(&:swatch_id).uniq]).to eq [false, [nil]]
  end

  it "remove a swatch in use: its places follow the nearest" do
    ember = swatch("Ember sky")
    places = ember.places.ids
    with_selected "remove", ember
    expect(page).to have_select("Ember sky, 2 places", selected: "follow Coral, ΔE 0.5")
    click_button "Remove 1"
    expect(page).to have_content("Removed Ember sky. No place lost its colour")
    expect(Place.where(id: places).map { |place| place.swatch.name }.uniq).to eq ["Coral"]
  end

  it "move and copy to a group" do
    with_selected "move", swatch("Lamp"), swatch("Tarnish")
    select "Every job", from: "To the group"
    click_button "Copy 2"
    expect(page).to have_content("Copied 2 swatches to Every job")
    expect(run_of("Every job").last(2)).to match_array %w[Tarnish Lamp]
    expect(run_of("Brass and glass")).to include "Lamp"
  end

  it "find twins and merge them, and the places follow" do
    coral, place = swatch("Coral"), demo.artworks.first.places.joins(:part).find_by!(parts: {key: "plum_band"}, role: "fill")
    coral.update!(shared: true)
    place.follow&.destroy
    Demo.link(Place.where(id: place.id), coral)
    health
    expect(page).to have_content("Ember sky and Coral")
    click_button "Keep Ember sky"
    expect(page).to have_content("Merged 2 swatches into Ember sky. Every place followed")
    expect(place.reload.swatch).to eq swatch("Ember sky")
    click_button "Undo"
    expect(place.reload.swatch).to eq swatch("Coral")
  end

  it "mend in place what the other checks find, and take another limit" do
    Changes::ChooseCondition.perform(nil, actor:, condition: Condition.find_by!(shipped: "uncoated"))
    health
    find("#check-press summary").click
    printed = Condition.usual.press.proof(hex("#231F55")).seen.hex
    within("#check-press") { click_button "Bring in, #{printed}" }
    open_place "palettes"
    expect(page).to have_content("Zenith indigo is #{printed} now")
    health
    find("#check-twins summary").click
    within("#check-twins") do
      fill_in "Limit", with: "0.3"
      click_button "Set"
    end
    health
    expect(page).to have_content("Twins, closer than ΔE 0.3")
    expect(find("#check-twins summary")).to have_content("0")
  end

  it "tell where a swatch came from, and read there again before anything changes" do
    visit "/projects/#{demo.id}/palettes?swatch=#{swatch("Lamp").id}"
    within(".side") { expect(page).to have_css(".came-from", text: "Found as 5 × 5 px at 1072, 690 of Dusk over the dome") }
    click_link "Read again"
    within(".read-again") { expect(page).to have_content(/#FFCE5C.*#FED15B/m) }
    expect(swatch("Lamp").hex).to eq "#FFCE5C"
    click_button "Take #FED15B"
    expect(page).to have_content("Lamp is #FED15B now")
    expect(page).to have_content("Read again: Lamp from #FFCE5C to #FED15B")
    click_link "Read again"
    expect(page).to have_content("It reads the same")
  end

  it "make a gradient whose stops follow swatches" do
    click_link "Swatch"
    find("summary", text: "Make a gradient or pattern").click
    within(".paint-edit") do
      select "Zenith indigo", from: "Ink 1"
      select "Apricot", from: "Ink 2"
      fill_in "Name", with: "Evening"
      click_button "Keep it"
    end
    expect(page).to have_content("Evening is kept in Dusk sky")
    expect(swatch("Evening").paint.inks.map(&:reference)).to eq [swatch("Zenith indigo").id, swatch("Apricot").id]
    expect(find(".chip[title^='Evening']")["style"]).to include("linear-gradient")
  end

  it "say so where Mix was open on what somebody removed" do
    lamp = swatch("Lamp")
    Changes::RemoveSwatches.perform(demo, actor:, swatches: [lamp])
    visit "/projects/#{demo.id}/palettes?mix=#{lamp.id}"
    expect(page).to have_css("#mix-gone", text: "What Mix was open on was removed.").and have_no_css("#mix")
    open_place "palettes"
    expect(page).to have_no_css("#mix-gone")
  end

  it "are found by name, tag and colour; added, duplicated, merged, archived and removed" do
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
    sends find_field("with the archive")
    expect(page).to have_css(".shelf-item", text: "Star trail")
    click_button "Remove with 0 swatches"
    expect(page).to have_content("Removed Star trail")
    expect(Palette.exists?(name: "Star trail")).to be false
  end

  it "offer to undo from the list only what nothing later stands on" do
    ion = swatch("Ion pink")
    ["Ion rose", "Ion red"].each { |name| Changes::EditSwatch.perform(demo, actor:, swatch: ion.reload, fields: {name:}) }
    open_place "palettes"
    fetched "#changes-listed"
    within("li", text: "Renamed Ion pink to Ion rose") do
      later = "“Renamed Ion rose to Ion red” came later and stands on it. Undo that first"
      expect(page).to have_css("[title='#{later}']", text: "needed by a later one")
      expect(page).to have_no_button("Undo only this")
    end
    within("li", text: "Renamed Ion rose to Ion red") { click_button "Undo only this" }
    expect(ion.reload.name).to eq "Ion rose"
  end

  it "take a group, keep into it, and say when a name is taken" do
    fill_in "Name of a new group in Quillmere house", with: "Signs"
    click_button "Add group", match: :first
    expect(page).to have_css(".row", text: "Signs")
    find(".chip[title^='Lamp']").click
    keep_as "Way in"
    expect(page).to have_css(".row", text: /Signs.*Way in/m)
    keep_as "way IN"
    expect(find(".notice-wrong")).to have_content("Signs already has a swatch called way IN")
  end

  def keep_as(name)
    within(".hand") do
      select "Signs · Quillmere house", from: "Drop into"
      fill_in "Name this colour", with: name
      click_button "Keep"
    end
  end
end
