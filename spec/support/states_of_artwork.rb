# States of Mix and of the places where colours are used.
module States
  %w[Reach Tints Mix Between Ramp Harmony Checks].each { |panel| state("Mix: #{panel.downcase}") { mixing panel } }
  state("Mix: its models") do
    mixing "Reach"
    find(".mix-models summary").click
    expect(page).to have_css(".mix-models[open]")
  end
  state("Mix: what cannot be read") do
    mixing "Reach"
    fill_in "Colour in any notation", with: "rgb(300 0 0)"
    expect(page).to have_content("red is 300")
  end
  state("Mix: in Dress") do
    visit "/projects/#{demo.id}/dress?mix=#{named("Ember sky").id}"
    expect(page).to have_css("#mix .moving, #mix .before-after")
  end

  state("Dress: nothing picked") { at_poster.then { whole } }
  state("Dress: a part") do
    at_poster
    click_part "night_sky"
    expect(page).to have_content("1 picked: Night sky")
    settled
  end
  state("Dress: a part, with a swatch in hand") do
    chosen "Ember sky"
    at_poster
    click_part "night_sky"
    expect(page).to have_button("Give to 1 part")
  end
  state("Dress: a gradient") do
    at_poster
    switched "Gradient", "stop 1", %w[night_sky]
  end
  state("Dress: a pattern") do
    at_poster
    switched "Pattern", "shift", %w[moor]
    find("#tiles summary").click
    expect(page).to have_css(".tile")
  end
  state("Dress: a line's settings") do
    at_poster
    click_part "ember_band"
    expect(page).to have_css("#settings")
    settled
    find("#settings summary").click
    expect(page).to have_css("#settings-commit")
  end
  state("Dress: outfits") do
    at_poster
    click_part "ember_band"
    expect(page).to have_css("#wear")
    settled
    find("#wear summary").click
    expect(page).to have_css("#outfit-keep")
  end
  {"a sweep" => "tool=sweep", "reading" => "tool=read", "carrying" => "tool=carry", "filling" => "tool=fill", "test patches" => "tool=patch&shape=word", "the parts" => "tool=pick&side=parts",
   "seen by other eyes" => "tool=pick&look=green", "swapping the palette" => "tool=pick&do=palette"}.each do |name, query|
    state("Dress: #{name}") { at_poster(query).then { whole } }
  end
  state("Dress: a colour of it") do
    at_poster
    find("[data-colour]", match: :first).click
    expect(page).to have_css(".swap")
  end
  state("Dress: colourways beside") do
    at_poster
    within(".colourway", text: "Daytime") { click_link "Beside" }
    expect(page).to have_css(".pane-name", text: "Daytime")
  end
  state("Dress: changing an artwork") do
    at_poster
    find(".colourway-edit summary", match: :first).click
    find(".colourway-add summary", match: :first).click
  end
  state("Dress: shown to a client") { visit("/projects/#{demo.id}/artworks/#{poster.id}/show").then { expect(page).to have_css("#show") } }
  state("Dress: nothing yet") { open_place "dress", empty_project }

  state("Match: nothing in hand") { open_place "match" }
  state("Match: the nearest") do
    open_place "palettes"
    chip("Ember sky").click
    expect(page).to have_css(".side h1", text: "Ember sky")
    settled
    open_place "match"
    expect(page).to have_css(".touching a[aria-current]")
  end
  state("Match: what is called so") { visit "/projects/#{demo.id}/match?search=lantern" }
  {"a palette" => "palette", "on press" => "palette/proof", "text on grounds" => "palette/readable", "charts" => "browse", "boards" => "board"}.each do |name, path|
    state("Match: #{name}") { open_place("match/#{path}").then { whole } }
  end
  state("Match: a chosen entry") do
    visit "/projects/#{demo.id}/match/browse?entry=e#{Entry.find_by!(code: "TF 088").id}"
    expect(page).to have_css("#browse[data-ready]")
  end
  state("Match: the presses") { visit "/projects/#{demo.id}/match?side=presses" }
  state("Match: cutting a piece") { visit "/projects/#{demo.id}/match/board?do=new" }
  state("Match: a board shown") { visit "/projects/#{demo.id}/match/boards/#{Board.first.id}/show" }

  state("Deliver: colours") { open_place "deliver" }
  state("Deliver: artworks") { visit "/projects/#{demo.id}/deliver?what=artwork" }
  state("Deliver: libraries") { visit "/projects/#{demo.id}/deliver?what=libraries" }
  state("Deliver: a library") do
    library = Library.find_by!(file: "tarn-and-fell.icc")
    visit "/projects/#{demo.id}/deliver/libraries/#{library.id}?entry=#{library.entries.find_by!(name: "Fleece").id}"
    expect(page).to have_css("tr.chosen")
  end
  state("Deliver: bringing in") do
    open_place "deliver"
    a_file("trail.csv", "Group;Name;R;G;B\nDusk sky;Ember sky;234;108;74\nBrass and glass;Lamp;255;200;60\nTrail;Flare;300;90;40\n")
    expect(page).to have_css(".meetings")
  end
  state("Deliver: which column is which") do
    open_place "deliver"
    a_file("columns.csv", "a;b;c\n1;2;3\nx;y;z\n")
    expect(page).to have_css("#import")
  end
end
