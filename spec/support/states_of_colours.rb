# States of the places where colours are found and kept.
module States
  state("Projects: all of them") { visit "/" }
  state("Projects: an address that leads nowhere") { visit "/projects/999/gather" }

  state("Gather: a picture") { open_place("gather").then { whole } }
  state("Gather: a reading") do
    open_place "gather"
    click_picture 862, 540
    expect(page).to have_css(".pin-shown")
  end
  state("Gather: a patch") do
    open_place "gather"
    choose_probe "patch"
    click_picture 300, 300
    expect(page).to have_css("#tolerance[data-again]")
  end
  state("Gather: an artwork's own paint") do
    visit "/projects/#{demo.id}/gather?artwork=#{poster.id}"
    expect(page).to have_css(".paint-choice")
  end
  state("Gather: about a source") { visit "/projects/#{demo.id}/gather?about=1" }
  state("Gather: two beside each other") do
    open_place "gather"
    find(".source a", text: "Beside", match: :first).click
    expect(page).to have_css(".picture-column", count: 2)
  end
  state("Gather: the ways to a screen") do
    open_place "gather"
    click_button "take a screen"
    expect(page).to have_css("#screens[open]")
  end
  state("Gather: the practice screen") do
    open_place "gather"
    click_button "take a screen"
    within("[data-way=practice]") { click_button "Sample" }
    expect(page).to have_css("#practice[open]")
  end
  state("Gather: the list of changes") do
    open_place "gather"
    find("#changes-list summary").click
    expect(page).to have_css("#changes-listed li")
  end
  state("Gather: the shortcuts") do
    open_place "gather"
    keys "?"
    expect(page).to have_css("#shortcuts[open]")
  end
  state("Gather: what cannot be read") do
    open_place "gather"
    a_file("notes.png", "just words")
    expect(page).to have_css(".notice-wrong", text: "notes.png")
  end
  state("Gather: a better copy") do
    visit "/projects/#{demo.id}/gather?about=1"
    a_file("better.png", flat_picture(400, 200, [200, 120, 80]).pngsave_buffer, ".about-row input[type=file]")
    expect(page).to have_css(".better")
  end
  state("Gather: nothing yet") { empty_project }

  %w[rows grid ledger chart].each do |view|
    state("Palettes: #{view}") do
      open_place "palettes"
      prefer(view:)
      open_place "palettes"
      whole
      prefer(view: "rows")
    end
  end
  state("Palettes: a group's menu") do
    open_place "palettes"
    find(".row", match: :first).hover
    find(".group-menu summary", match: :first).click
    expect(page).to have_css(".menu")
  end
  state("Palettes: several selected") { chosen("Rosehip", "Apricot") }
  state("Palettes: a swatch") { chosen("Ember sky") }
  state("Palettes: a gradient") do
    visit "/projects/#{demo.id}/palettes?swatch=#{named("Dome tartan").id}"
    expect(page).to have_css(".paint-ink")
  end
  state("Palettes: the health") { visit("/projects/#{demo.id}/palettes?side=palette").then { expect(page).to have_css("#check-twins") } }
  state("Palettes: sharing") { task("Share", "Share", "Coral") }
  state("Palettes: changing") { task("Change", /Change|everywhere|Shift/, "Rosehip", "Apricot") }
  state("Palettes: ordering") { task("Order", "Order", "Rosehip", "Apricot") }
  state("Palettes: renaming") { task("Rename", "Rename", "Rosehip", "Apricot") }
  state("Palettes: moving") { task("Move", "Move", "Rosehip", "Apricot") }
  state("Palettes: as text") { task("2 as text", /text/i, "Rosehip", "Apricot") }
  state("Palettes: blending") { task("Blend", /Make|one/, "Rosehip", "Apricot") }
  state("Palettes: a ramp") { task("Build", /ramp/i, "Rosehip") }
  state("Palettes: removing") { task("Remove", "Remove", "Rosehip", "Apricot") }
  state("Palettes: all palettes") { open_place "shelf" }
  state("Palettes: about a palette") { visit "/projects/#{demo.id}/shelf?palette=#{demo.palettes.first.id}" }
  state("Palettes: none") do
    project = empty_project
    Use.where(project:).delete_all
    open_place "palettes", project
  end
end
