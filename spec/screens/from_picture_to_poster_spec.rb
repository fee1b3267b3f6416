require "support/screens"

RSpec.describe "From a picture to a poster that follows its swatch", :screen do
  # What a screen shows of the two artworks: the ember field of each.
  def embers = [fill_of("#stage", "ember_band"), page.has_css?(".other [data-drawing]", wait: 0) ? fill_of(".other", "ember_field") : seen_in(".other img", 0.3, 0.7)]

  it "reads, keeps, dresses, shares, changes everywhere, undoes and delivers" do
    # Gather: a click reads the picture and puts the colour in hand.
    open_place "gather"
    click_picture 700, 180
    expect(page).to have_content("5 × 5 px at 700, 180 of Dusk over the dome")
    expect(page).to have_css(".pin-shown")
    read = Find.order(:id).last
    expect([read.x, read.y]).to eq [700, 180]
    expect(find(".hand")).to have_content(read.hex)
    within(".notations") { expect(page).to have_content(read.hex) }

    # Keep: a name and a group.
    select "Brass and glass · Quillmere house", from: "Drop into"
    fill_in "Name this colour", with: "Heather dusk"
    click_button "Keep"
    expect(page).to have_content("Kept Heather dusk in Brass and glass")

    # Palettes: it stands in its row, touching its neighbour.
    click_link "Palettes"
    row = find(".row", text: "Brass and glass")
    expect(row).to have_content("Heather dusk")
    eventually do
      chips = row.all(".chip", count: 6).map { |chip| chip.evaluate_script("this.getBoundingClientRect().toJSON()") }
      expect(chips[-1]["left"]).to be_within(0.5).of(chips[-2]["right"])
    end

    # Dress: the loose swatch is copied, to a part inside nested groups, and a line too.
    click_link "Dress"
    find(".rack-chip[title^='Heather dusk']").click
    expect(page).to have_css(".dress[data-tool=sweep]")
    click_part "plum_band"
    expect(page).to have_css("#undo[title='Undo: Dressed Plum band with Heather dusk']")
    expect(fill_of("#stage", "plum_band")).to eq read.hex
    click_part "planet_ring", shift: true
    expect(page).to have_css("#undo[title='Undo: Dressed the line of Planet ring with Heather dusk']")
    expect(fill_of("#stage", "planet_ring", "stroke")).to eq read.hex
    click_link "Pick parts"
    expect(page).to have_css(".dress[data-tool=pick]")
    click_part "plum_band"
    within(".hand") { expect(page).to have_content(/Fill of \S/) }
    expect(find("#picked-fill").style("background-color")["background-color"]).to eq find("#in-hand").style("background-color")["background-color"]

    # Share: the places that hold exactly its colour are listed and linked.
    click_button "Share…"
    expect(page).to have_content("2 places hold exactly #{read.hex}")
    expect(page).to have_content("Plum band, fill")
    click_button "Share and link 2"
    expect(page).to have_content("Heather dusk is shared now, 2 places linked")
    expect(find(".chip-cell", text: "Heather dusk")).to have_content("2 places")

    # Change everywhere: both artworks follow live, Esc leaves all as it was.
    click_link "Dress"
    find(".rack-chip[title^='Ember sky']").click
    expect(page).to have_content("2 places in 2 artworks")
    expect(embers).to eq %w[#E46F58 #E46F58]
    click_link "Change everywhere"
    fill_in "Colour in any notation", with: "#3366CC"
    eventually { expect(embers).to eq %w[#3366CC #3366CC] }
    expect([fill_of(".mix-artworks figure:nth-child(1)", "ember_band"), fill_of(".mix-artworks figure:nth-child(2)", "ember_field")]).to eq %w[#3366CC #3366CC]
    expect(Swatch.find_by(name: "Ember sky").hex).to eq "#E46F58"
    keys :escape
    expect(page).to have_no_css("#mix")
    expect(embers).to eq %w[#E46F58 #E46F58]

    # A slider is dragged with the pointer, then applied.
    click_link "Change everywhere"
    slider = box_of("#mix-hsb-0")
    mouse.move(x: slider["x"] + 20, y: slider["y"] + 9)
    mouse.down
    mouse.move(x: slider["x"] + slider["width"] / 2, y: slider["y"] + 9, steps: 8)
    eventually { expect(embers.uniq.size).to eq 1 }
    expect(embers.first).not_to eq "#E46F58"
    mouse.up
    fill_in "Colour in any notation", with: "hsb 200 60 80"
    eventually { expect(embers).to eq %w[#52A3CC #52A3CC] }
    click_button "Apply to 2 places"
    expect(page).to have_content("Ember sky is #52A3CC now, in 2 places")
    expect(page).to have_no_css("#mix")
    expect(embers).to eq %w[#52A3CC #52A3CC]

    # Undo by key: the poster and the badge go back.
    find("h1", text: "Rack").click
    keys [:ctrl, "z"]
    expect(page).to have_content("Undone: Changed Ember sky everywhere from #E46F58 to #52A3CC")
    eventually { expect(embers).to eq %w[#E46F58 #E46F58] }
    keys [:ctrl, :shift, "z"]
    expect(page).to have_content("Done again")
    eventually { expect(embers).to eq %w[#52A3CC #52A3CC] }

    # Deliver: what goes out comes back equal.
    click_link "Deliver"
    before = demo.palettes.first.value
    click_button "Design tokens"
    expect(page).to have_css("h1", text: "quillmere-house.tokens.json")
    click_link "Download 22 colours"
    file = eventually_downloaded("quillmere-house.tokens.json")
    find(".bring-in input[type=file]", visible: :all).attach_file(file)
    expect(page).to have_content("Design tokens in UTF-8. 22 colours in 4 groups.")
    choose "A new project called"
    fill_in "Name of the new project", with: "Star trail"
    find("#import-commit").click
    expect(page).to have_content("Brought quillmere-house.tokens.json into Quillmere house")
    expect(Project.last.name).to eq "Star trail"
    expect(Project.last.palettes.first.value).to eq before
  end

  def eventually_downloaded(name)
    path = File.join(DOWNLOADS, name)
    eventually { expect(File.exist?(path)).to be true }
    path
  end
end
