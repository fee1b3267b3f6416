require "net/http"
require "support/files_of_a_person"

RSpec.describe "Deliver", :screen do
  include FilesOfAPerson

  def settle(name, choice) = find("tr", text: name).find("label", text: choice).click

  def house = demo.palettes.find_by!(name: "Quillmere house")

  trail = <<~CSV
    Group;Name;R;G;B
    Dusk sky;Ember sky;234;108;74
    Dusk sky;Apricot;243;186;112
    Brass and glass;Lamp;255;200;60
    Brass and glass;Dome slit;255;206;92
    Trail;Flare;300;90;40
    Trail;;76;166;86
  CSV

  before do
    colours = %w[#2D9EB1 #4CA656].map { |text| Magpie::Palette::Swatch.new(name: text, colour: Magpie::Notation.parse(text)) }
    Changes::BringInPalette.perform(demo, actor: Actor.new, value: Magpie::Palette.new(name: "Star trail", groups: [Magpie::Palette::Group.new(name: "Stars", swatches: colours)]))
    open_place "deliver"
  end

  describe "out" do
    it "shows the file and what it cannot carry, in every format, before it is downloaded" do
      expect(page).to have_css("h1", text: "quillmere-house.css")
      expect(page).to have_css("#file-text", text: "--ember-sky: #E46F58;")
      click_button "Plain table"
      expect(page).to have_css("h1", text: "quillmere-house.txt")
      expect(find("#losses")).to have_content("4 groups: are not told apart")
      click_button "Named colour profile"
      expect(page).to have_css("#file-text", text: /Ember sky\s+61 45.1 35.1/)
      click_button "PNG with its palette"
      expect(page).to have_css(".deliver-picture img") { |image| image.evaluate_script("this.naturalWidth > 0") }
      click_button "Table"
      expect(page).to have_css("h1", text: "quillmere-house.csv")
      click_link "Download #{house.swatches.count} colours"
      expect(Magpie::Formats.read(downloaded("quillmere-house.csv"), name: "quillmere-house.csv").palette.swatches.map(&:name)).to eq house.value.swatches.map(&:name)
    end

    it "sends what is ticked: groups, several palettes in one file, swatches that were selected" do
      uncheck "Dusk sky"
      expect(page).to have_link("Download #{house.swatches.count - house.groups.first.swatches.count} colours")
      expect(page).to have_no_css("#file-text", text: "--ember-sky")
      check "Star trail"
      expect(page).to have_css("#file-text", text: "--ember-sky").or have_content("One file for each of 2 palettes")
      click_link(id: "download")
      names = Magpie::Formats::Archive.files(downloaded("night-open-house-css.zip"), "x").map(&:first)
      expect(names).to eq %w[quillmere-house.css star-trail.css]
      find("label", text: "Quillmere house").click
      expect(page).to have_css("#what label", text: "Dusk sky")
      open_place "palettes"
      find(".chip[title^='Apricot']").click(:control)
      find(".chip[title^='Ember sky']").click(:control)
      click_button "Send out 2…"
      expect(page).to have_content("2 swatches, selected on Palettes")
      expect(find("#file-text").text.scan(/--[\w-]+/)).to eq %w[--ember-sky --apricot]
    end

    it "keeps what is chosen about a format, and shows what it does" do
      select "oklch()", from: "Colours"
      expect(page).to have_css("#file-text", text: "--ember-sky: oklch(")
      fill_in "Prefix", with: "night"
      find("body").send_keys(:tab)
      expect(page).to have_css("#file-text", text: "--night-ember-sky: oklch(")
      click_button "Plain table"
      expect(page).to have_css("#file-text", text: "colour table")
      select "hex", from: "Colours"
      expect(page).to have_css("#file-text", text: "#E46F58")
      click_button "CSS custom properties"
      expect(page).to have_css("#file-text", text: "--night-ember-sky: oklch(")
      select "Star trail", from: "Dark values from"
      expect(page).to have_css("#file-text", text: "color-scheme: light dark;")
      click_link "Gather"
      click_link "Deliver"
      expect(page).to have_css("#file-text", text: "color-scheme: light dark;")
    end

    it "gives a palette an address that follows it, until it is withdrawn" do
      find("#watch summary").click
      click_button "Make one"
      expect(page).to have_content("Quillmere house has a watch address now")
      address = find_field("Watch address").value
      expect(Net::HTTP.get(URI(address))).to include("--ember-sky: #E46F58;")
      ember = house.swatches.find_by!(name: "Ember sky")
      Changes::ChangeSwatch.perform(demo, swatch: ember, actor: Actor.new, colour: Magpie::Notation.parse("#52A3CC"), definition: "#52A3CC", before: ember.hex)
      expect(Net::HTTP.get(URI(address))).to include("--ember-sky: #52A3CC;")
      click_button "Plain table"
      expect(find_field("Watch address").value).to end_with(".txt")
      click_button "Withdraw it"
      expect(page).to have_content("The watch address of Quillmere house is withdrawn")
      expect(page).to have_no_field("Watch address")
      expect(Net::HTTP.get_response(URI(address)).code).to eq "404"
    end

    it "asks what becomes of a gradient where the format has none" do
      inks = %w[Lamp Coral].map { |name| house.swatches.find_by!(name:) }.each_with_index.map { |each, offset| Magpie::Palette::Compound::Ink.new(colour: each.colour, reference: each.id, offset: offset.to_f) }
      Changes::KeepPaint.perform(demo, actor: Actor.new, paint: Magpie::Palette::Compound.new(form: "linear", angle: 0.0, size: 24.0, inks:), group: house.groups.first, name: "Last glow")
      open_place "deliver"
      expect(page).to have_css("#file-text", text: "--last-glow: linear-gradient(90deg, var(--lamp) 0%, var(--coral) 100%);")
      click_button "Plain table"
      expect(find("#losses")).to have_content("1 gradient: Last glow goes as its ends")
      select "as steps", from: "Gradients"
      expect(find("#losses")).to have_content("1 gradient: Last glow goes as 5 steps")
      expect(page).to have_css("#file-text", text: "Last glow 5")
    end

    it "tells what no file has: locks, and what is made of something that stays" do
      ember = house.swatches.find_by!(name: "Ember sky")
      Changes::KeepTint.perform(demo, actor: Actor.new, parent: ember, percent: 40)
      Changes::LockSwatches.perform(demo, swatches: [ember], locked: true, actor: Actor.new)
      open_place "deliver"
      click_button "Design tokens"
      expect(find("#losses")).to have_content("1 lock: stays here")
      open_place "palettes"
      find(".chip[title^='Ember sky'][title*='40']").click(:control)
      click_button "Send out…"
      expect(find("#losses")).to have_content("1 swatch made from another that stays: goes as a value")
    end
  end

  describe "in" do
    it "shows groups, notes by line and what meets, with a choice for each and what follows" do
      bring file("trail-2026.csv", trail)
      expect(page).to have_content("A table in UTF-8, recognised by its headings; RGB as 0 to 255. 5 colours in 3 groups, 1 thing left out.")
      expect(page).to have_css(".reading-notes li", text: "line 6 red is 300: expected 0 to 255, left out")
      expect(page).to have_css("#into input:checked + span", text: "Into Quillmere house")
      expect(page).to have_content("3 meet something that is here already")
      expect(page).to have_css("tr", text: /Dome slit.*0\.0.*same value as Lamp/m)
      expect(page).to have_button("Bring in 2 colours")
      settle "Ember sky", "Take theirs"
      expect(page).to have_css("#follows-words", text: /Taking their Ember sky changes \d+ places:/)
      expect(evaluate_script("document.querySelector('#follows').style.cssText")).to include("#EA6C4A")
      expect(house.swatches.pluck(:name)).not_to include("Dome slit")
      click_button "Bring in 3 colours"
      expect(page).to have_css(".chip[title='Ember sky #EA6C4A']")
      expect(page).to have_css(".chip[title='Lamp #FFCE5C']")
      expect(page).to have_css(".chip[title='Dome slit #FFCE5C']")
      expect(page).to have_css("h2", text: "Trail")
      click_button "Undo"
      expect(page).to have_css(".chip[title='Ember sky #E46F58']")
      expect(page).to have_no_css(".chip[title^='Dome slit']")
    end

    it "settles all at once, and by keyboard" do
      bring file("trail-2026.csv", trail)
      within(".meetings-head") { click_button "Take theirs" }
      expect(page).to have_button("Bring in 4 colours")
      row = find("tr", text: "Lamp", match: :first)
      row.find("input[value=theirs]", visible: :all).send_keys(:right)
      expect(row).to have_css("input[value=both]:checked", visible: :all)
      expect(page).to have_button("Bring in 4 colours")
    end

    it "compares a newer version of the same file with what came in" do
      bring file("trail-2026.csv", trail)
      find("#import-commit").click
      expect(page).to have_content("Brought trail-2026.csv into Quillmere house")
      open_place "deliver"
      expect(page).to have_css(".came li", text: /trail-2026.csv.*into Quillmere house, 5 colours, 2 notes/m)
      newer = trail.sub("76;166;86", "76;150;86").sub("Trail;Flare;300;90;40", "Trail;Moss;90;110;60").sub(/.*Dome slit.*\n/, "")
      newer = newer.sub("Trail;;", "Trail;#{house.swatches.find_by!(hex: "#4CA656").name};")
      find(".came input[type=file]", visible: :all).attach_file(file("trail-later.csv", newer))
      expect(page).to have_css("#newer", text: /A newer version.*1 added, 1 changed and 1 gone/)
      expect(page).to have_css("tr", text: /Dome slit.*not in this version/m)
      settle "Dome slit", "Remove it"
      find("#import-commit").click
      expect(page).to have_content("Brought trail-later.csv into Quillmere house")
      expect(page).to have_no_css(".chip[title^='Dome slit']")
      expect(page).to have_css(".chip[title='Moss #5A6E3C']")
      expect(page).to have_css(".chip[title$='#4C9656']")
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

    it "takes text that is pasted, and what is dropped" do
      page.execute_script(<<~JS)
        const data = new DataTransfer(); data.setData("text/plain", "Ember late #EA6C4A\\nhsl 240 40 20");
        document.body.dispatchEvent(new ClipboardEvent("paste", { clipboardData: data, bubbles: true, cancelable: true }))
      JS
      expect(page).to have_css("h1", text: "Pasted text.txt")
      expect(page).to have_css(".came-chips i[title='Ember late #EA6C4A']")
      open_place "deliver"
      page.execute_script(<<~JS)
        const data = new DataTransfer(); data.items.add(new File([":root{--moss:#5A6E3C}"], "moss.css"));
        document.querySelector(".bring-in").dispatchEvent(new DragEvent("drop", { dataTransfer: data, bubbles: true, cancelable: true }))
      JS
      expect(page).to have_css("h1", text: "moss.css")
      open_place "deliver"
      find("summary", text: "Paste text here").click
      fill_in "Colours as text", with: "nothing"
      click_button "Look at it"
      expect(find(".notice-wrong")).to have_content("Pasted text: it is in no format that I read")
    end

    it "says how far a large file is, and leaves nothing of one that is called off" do
      tarns = ->(count) { "Group,Name,Hex\n" + (1..count).map { |n| "Tarn,Tarn #{n},#{format("#%06X", n * 300)}\n" }.join }
      bring file("tarns.csv", tarns[50_000])
      expect(page).to have_content("50,000 colours in 1 group", wait: 60)
      before = [Palette.count, Swatch.count]
      click_button "Bring in 50,000 colours"
      expect(page).to have_content("of 50,000", wait: 30)
      click_button "Cancel"
      expect(find(".notice-wrong", wait: 30)).to have_content("Called off. Nothing came in")
      expect([Palette.count, Swatch.count]).to eq before
      open_place "deliver"
      bring file("tarn.csv", tarns[6_000])
      expect(page).to have_content("6,000 colours in 1 group")
      find("#import-commit").click
      expect(page).to have_content("Brought tarn.csv into tarn", wait: 30)
      expect(Swatch.count).to eq before[1] + 6000
    end
  end
end
