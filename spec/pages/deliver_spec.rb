require "support/pages"
require "support/trail"

RSpec.describe "Deliver, as pages" do
  include Trail

  # A choice about the file, which its script sends.
  def choose_of_file(value, from:)
    select value, from: from
    sends find_field(from)
  end

  trail = Trail::CSV

  before do
    bring_in_stars
    open_place "deliver"
  end

  describe "out" do
    it "shows the file and what it cannot carry, before it is downloaded" do
      expect(page).to have_css("h1", text: "quillmere-house.css")
      expect(page).to have_css("#file-text", text: "--ember-sky: #E46F58;")
      click_button "Plain table"
      expect(page).to have_css("h1", text: "quillmere-house.txt")
      expect(find("#losses")).to have_content("4 groups: are not told apart")
      click_button "Named colour profile"
      expect(page).to have_css("#file-text", text: /Ember sky\s+61 45.1 35.1/)
      click_button "Table"
      expect(page).to have_css("h1", text: "quillmere-house.csv")
      click_link "Download #{house.swatches.count} colours"
      expect(Magpie::Formats.read(downloaded, name: "quillmere-house.csv").palette.swatches.map(&:name)).to eq house.value.swatches.map(&:name)
    end

    it "asks what becomes of a gradient where the format has none" do
      inks = %w[Lamp Coral].map { |name| house.swatches.find_by!(name:) }.each_with_index.map { |each, offset| Magpie::Palette::Compound::Ink.new(colour: each.colour, reference: each.id, offset: offset.to_f) }
      Changes::KeepPaint.perform(demo, actor: Actor.new, paint: Magpie::Palette::Compound.new(form: "linear", angle: 0.0, size: 24.0, inks:), group: house.groups.first, name: "Last glow")
      open_place "deliver"
      expect(page).to have_css("#file-text", text: "--last-glow: linear-gradient(90deg, var(--lamp) 0%, var(--coral) 100%);")
      click_button "Plain table"
      expect(find("#losses")).to have_content("1 gradient: Last glow goes as its ends")
      choose_of_file "as steps", from: "Gradients"
      expect(find("#losses")).to have_content("1 gradient: Last glow goes as 5 steps")
      expect(page).to have_css("#file-text", text: "Last glow 5")
    end

    it "tells what no file has: locks, and what is made of something that stays" do
      ember = house.swatches.find_by!(name: "Ember sky")
      tint = Changes::KeepTint.perform(demo, actor: Actor.new, parent: ember, percent: 40)
      Changes::LockSwatches.perform(demo, swatches: [ember], locked: true, actor: Actor.new)
      open_place "deliver"
      click_button "Design tokens"
      expect(find("#losses")).to have_content("1 lock: stays here")
      with_selected("send", tint)
      expect(find("#losses")).to have_content("1 swatch made from another that stays: goes as a value")
    end

    it "sends artworks out linked and flat" do
      click_link "Artwork"
      within(".deliver-item", text: /\APoster/, match: :first) { click_link "Download linked" }
      expect(downloaded).to include("--ember-sky:#E46F58", "fill-ember-sky")
      visit "/projects/#{demo.id}/deliver?what=artwork"
      within(".deliver-item", text: /\APoster/, match: :first) { click_link "Download flat" }
      expect(Magpie::Artwork.read(downloaded).colours).to eq Magpie::Artwork.read(DataSupport::POSTER).colours
      expect(downloaded).not_to include("var(")
    end

    it "keeps what is chosen about a format, and shows what it does" do
      choose_of_file "oklch()", from: "Colours"
      expect(page).to have_css("#file-text", text: "--ember-sky: oklch(")
      fill_in "Prefix", with: "night"
      sends find_field("Prefix")
      expect(page).to have_css("#file-text", text: "--night-ember-sky: oklch(")
      click_button "Plain table"
      expect(page).to have_css("#file-text", text: "colour table")
      choose_of_file "hex", from: "Colours"
      expect(page).to have_css("#file-text", text: "#E46F58")
      click_button "CSS custom properties"
      expect(page).to have_css("#file-text", text: "--night-ember-sky: oklch(")
      choose_of_file "Star trail", from: "Dark values from"
      expect(page).to have_css("#file-text", text: "color-scheme: light dark;")
      click_link "Gather"
      click_link "Deliver"
      expect(page).to have_css("#file-text", text: "color-scheme: light dark;")
      expect(page).to have_field("Prefix", with: "night")
    end

    it "gives a palette an address that follows it, until it is withdrawn" do
      find("button", text: "Make one", visible: :all).click
      expect(page).to have_content("Quillmere house has a watch address now")
      address = find_field("Watch address", visible: :all).value
      given = -> { Capybara.using_session(:another_program) { visit(address).then { downloaded } } }
      expect(given.call).to include("--ember-sky: #E46F58;")
      ember = house.swatches.find_by!(name: "Ember sky")
      Changes::ChangeSwatch.perform(demo, swatch: ember, actor:, colour: hex("#52A3CC"), definition: "#52A3CC", before: ember.hex)
      expect(given.call).to include("--ember-sky: #52A3CC;")
      click_button "Plain table"
      expect(find_field("Watch address", visible: :all).value).to end_with(".txt")
      find("button", text: "Withdraw it", visible: :all).click
      expect(page).to have_content("The watch address of Quillmere house is withdrawn")
      expect(page).to have_no_field("Watch address", visible: :all)
      given.call
      expect(Capybara.using_session(:another_program) { page.status_code }).to eq 404
    end
  end

  describe "in" do
    it "shows groups, notes by line and what meets, with a choice for each" do
      bring file("trail-2026.csv", trail)
      expect(page).to have_content("A table in UTF-8, recognised by its headings; RGB as 0 to 255. 5 colours in 3 groups, 1 thing left out.")
      expect(page).to have_css(".reading-notes li", text: /line 6\s*red is 300: expected 0 to 255, left out/)
      expect(page).to have_css("#into input[checked] + span", text: "Into Quillmere house")
      expect(page).to have_content("3 meet something that is here already")
      expect(page).to have_css("tr", text: /Dome slit.*0\.0.*same value as Lamp/m)
      expect(page).to have_button("Bring in 2 colours")
      settle "Ember sky", "Take theirs"
      expect(house.swatches.pluck(:name)).not_to include("Dome slit")
      find("#import-commit").click
      ["Ember sky #EA6C4A", "Lamp #FFCE5C", "Dome slit #FFCE5C"].each { |title| expect(page).to have_css(".chip[title='#{title}']") }
      expect(page).to have_css("h2", text: "Trail")
      click_button "Undo"
      expect(page).to have_css(".chip[title='Ember sky #E46F58']").and have_no_css(".chip[title^='Dome slit']")
    end

    it "brings a file into a palette with a choice for each name, in one undo" do
      tokens = {"Dusk sky" => {"$type" => "color", "Coral" => {"$value" => "#ff0000"}, "Rosehip" => {"$value" => "#00ff00"}, "First star" => {"$value" => "#ffffff"}}}
      bring file("house.tokens.json", JSON.generate(tokens))
      expect(page).to have_content("3 colours in 1 group")
      expect(page).to have_content("3 meet something that is here already")
      expect(page).to have_button("Bring in 1 colour")
      settle "Coral", "Take theirs"
      settle "Rosehip", "Keep both"
      find("#import-commit").click
      ["Coral #FF0000", "Rosehip #A35166", "Rosehip 2 #00FF00", "First star #FFFFFF"].each { |title| expect(page).to have_css(".chip[title='#{title}']") }
      click_button "Undo"
      expect(page).to have_content("Undone: Brought 3 swatches into Quillmere house")
      expect(page).to have_css(".chip[title='Coral #E2705A']").and have_no_css(".chip[title^='First star']")
    end

    it "compares a newer version of the same file with what came in" do
      bring file("trail-2026.csv", trail)
      find("#import-commit").click
      expect(page).to have_content("Brought trail-2026.csv into Quillmere house")
      open_place "deliver"
      expect(page).to have_css(".came li", text: /trail-2026.csv.*into Quillmere house, 5 colours, 2 notes/m)
      newer = trail.sub("76;166;86", "76;150;86").sub("Trail;Flare;300;90;40", "Trail;Moss;90;110;60").sub(/.*Dome slit.*\n/, "")
      newer = newer.sub("Trail;;", "Trail;#{house.swatches.find_by!(hex: "#4CA656").name};")
      bring file("trail-later.csv", newer), field: ".came input[type=file]"
      expect(page).to have_css("#newer", text: /A newer version.*1 added, 1 changed and 1 gone/)
      expect(page).to have_css("tr", text: /Dome slit.*not in this version/m)
      settle "Dome slit", "Remove it"
      find("#import-commit").click
      expect(page).to have_content("Brought trail-later.csv into Quillmere house")
      expect(page).to have_no_css(".chip[title^='Dome slit']")
      expect(page).to have_css(".chip[title='Moss #5A6E3C']").and have_css(".chip[title$='#4C9656']")
    end

    it "lets columns be assigned by hand" do
      bring file("odd.csv", "eins;zwei;drei;vier\nEmber;61.0;45.144;35.15\nMoor;8;0;-6\n")
      expect(page).to have_css("h2", text: "Which column is which?")
      expect(page).to have_button("Bring in 0 colours", disabled: true)
      {1 => "Name", 2 => "Lab: lightness", 3 => "Lab: a", 4 => "Lab: b"}.each { |number, role| select role, from: "Column #{number}" }
      click_button "Read it like this"
      expect(page).to have_content("with columns as assigned. 2 colours in 1 group.")
      expect(page).to have_css(".came-chips i[title='Ember #E46F58']")
      find("summary", text: "Say which column is which").click
      {3 => "Lab: b", 4 => "Lab: a"}.each { |number, role| select role, from: "Column #{number}" }
      click_button "Read it like this"
      expect(page).to have_css(".came-chips i[title='Ember #{Magpie::Notation.parse("lab 61 35.15 45.144").hex}']")
      find("#import-commit").click
      expect(page).to have_content("Brought odd.csv into odd")
    end

    it "takes several files, one after the other, and says which could not be read" do
      bring file("moor.css", ":root{--moor:#121720}"), file("odd.bin", "\x00\x01"), file("peat.txt", "18 23 32 Peat\n")
      expect(find(".notice-wrong")).to have_content("odd.bin: it is in no format")
      expect(all(".together a").map(&:text)).to eq %w[moor.css peat.txt]
      find("#import-commit").click
      expect(page).to have_css(".together a", text: "moor.css brought in")
      expect(page).to have_css("h1", text: "peat.txt")
      find("#import-commit").click
      expect(page).to have_css(".palette-head h2, .palette-head h1", text: "peat")
    end

    it "takes text, and says what is none" do
      find("summary", text: "Paste text here").click
      fill_in "Colours as text", with: "nothing"
      click_button "Look at it"
      expect(find(".notice-wrong")).to have_content("Pasted text: it is in no format that I read")
      find("summary", text: "Paste text here").click
      fill_in "Colours as text", with: "Ember late #EA6C4A\nhsl 240 40 20"
      click_button "Look at it"
      expect(page).to have_css(".came-chips i[title='Ember late #EA6C4A']")
    end
  end
end
