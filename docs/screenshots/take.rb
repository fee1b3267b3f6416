require "support/screens"

# One picture of each main view, made from the demo data by doing what it shows.
RSpec.describe "The pictures of the README", :screen do
  def shoot(name)
    expect(page).to have_no_css(".notice-done", wait: 8)
    block_given? ? yield : page.driver.browser.mouse.move(x: 672, y: 8)
    expect(page).to have_css(".loupe p", text: /#/) if block_given?
    eventually { expect(page.evaluate_script("[...document.images].every(image => image.complete)")).to be true }
    page.driver.browser.screenshot(path: File.expand_path("#{name}.png", __dir__))
  end

  it "are taken" do
    visit "/"
    shoot "projects"
    open_place "gather"
    click_picture 862, 540
    expect(page).to have_css(".pin-shown")
    expect(page).to have_css(".main-strip button")
    shoot("gather") { mouse.move(x: 592, y: 362) }
    click_button "take a screen"
    within("[data-way=practice]") { click_button "Sample" }
    expect(page).to have_css("#practice[open]")
    shoot "practice-screen"
    keys :escape
    open_place "palettes"
    find(".chip[title^='Ember sky']").click
    expect(page).to have_css(".side h1", text: "Ember sky")
    shoot "swatch"
    find(".chip[title^='Apricot']").execute_script("this.dispatchEvent(new MouseEvent('click', { bubbles: true, cancelable: true, ctrlKey: true }))")
    within(".side") { click_link "Palette" }
    expect(page).to have_css("#check-twins")
    shoot "palettes"
    %w[Ledger Chart].each do |view|
      find(".views label", text: view).click
      expect(page).to have_css(".palettes[data-view='#{view.downcase}']")
      expect(page).to have_css("#check-twins")
      shoot view.downcase
    end
    find(".views label", text: "Rows").click
    expect(page).to have_css(".row")
    visit "/projects/1/shelf?palette=1"
    shoot "all-palettes"
    open_place "dress"
    find(".rack-chip[title^='Coral']").click
    expect(page).to have_css(".dress[data-tool=sweep]")
    click_part "rosehip_band"
    expect(page).to have_css("#undo[title='Undo: Dressed Rosehip band with Coral']")
    click_button "Share…"
    expect(page).to have_button("Share and link 1")
    click_link "Not now"
    click_button "Undo"
    expect(page).to have_content("Undone: ")
    open_place "dress"
    find(".rack-chip[title^='Rosehip']").click
    click_link "Pick parts"
    expect(page).to have_css(".dress[data-tool=pick]")
    click_part "night_sky"
    expect(page).to have_content("1 picked: Night sky")
    click_button "Gradient"
    expect(page).to have_css("#handles [data-handle='stop 1']")
    shoot "dress"
    click_button "Undo"
    expect(page).to have_no_css("#handles [data-handle]")
    %w[Winter\ hours Daytime].each do |name|
      within(".colourway", text: name) { click_link "Beside" }
      expect(page).to have_css(".pane-name", text: name)
    end
    settled
    shoot "colourways"
    within(".colourways", match: :first) { click_link "Show" }
    expect(page).to have_css("#show")
    keys :right
    expect(page).to have_css(".show-foot h2", text: "Winter hours")
    settled
    shoot "show"
    open_place "dress"
    find(".rack-chip[title^='Ember sky']").click
    expect(page).to have_css(".rack-chip[title^='Ember sky'][aria-selected=true]")
    click_link "Change everywhere"
    fill_in "Colour in any notation", with: "hsb 172 52 62"
    eventually { expect(fill_of("#stage", "ember_band")).to eq "#4C9E93" }
    shoot "mix"
    keys :escape
    expect(page).to have_no_css("#mix")
    open_place "match"
    expect(page).to have_css(".touching a[aria-current]")
    shoot "match"
    open_place "match/palette"
    expect(page).to have_css(".matched-pair")
    shoot "match-palette"
    visit "/projects/#{demo.id}/match/browse?entry=e#{Entry.find_by!(code: "TF 088").id}"
    expect(page).to have_css("#browse[data-ready]")
    shoot "browse"
    open_place "match/board"
    expect(page).to have_css(".board-variants figure", count: 4)
    shoot "board"
    open_place "deliver"
    expect(page).to have_css("#file-text", text: "--ember-sky")
    shoot "deliver"
    path = File.join(Dir.mktmpdir, "trail-2026.csv")
    File.write(path, <<~CSV)
      Group;Name;R;G;B
      Dusk sky;Zenith indigo;35;31;85
      Dusk sky;Ember sky;234;108;74
      Dusk sky;Apricot;243;186;112
      Brass and glass;Lamp;255;200;60
      Brass and glass;Dome slit;255;206;92
      Trail;Flare;300;90;40
      Trail;Teal;45;158;177
      Trail;;76;166;86
    CSV
    find(".bring-in input[type=file]", visible: :all).attach_file(path)
    expect(page).to have_css(".meetings")
    find("tr", text: "Lamp", match: :first).find("label", text: "Take theirs").click
    shoot "deliver-in"
    library = Library.find_by!(file: "tarn-and-fell.icc")
    visit "/projects/#{demo.id}/deliver/libraries/#{library.id}?entry=#{library.entries.find_by!(name: "Fleece").id}"
    expect(page).to have_css("tr.chosen")
    shoot "library"
  end
end
