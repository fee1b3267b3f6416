require "support/files_of_a_person"
require "support/trail"

RSpec.describe "Deliver", :screen do
  include FilesOfAPerson
  include Trail

  trail = Trail::CSV

  before do
    bring_in_stars
    open_place "deliver"
  end

  describe "out" do
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
  end

  describe "in" do
    it "shows on the artworks what is taken, and counts what comes in" do
      bring file("trail-2026.csv", trail)
      expect(page).to have_button("Bring in 2 colours")
      settle "Ember sky", "Take theirs"
      expect(page).to have_css("#follows-words", text: /Taking their Ember sky changes \d+ places:/)
      expect(evaluate_script("document.querySelector('#follows').style.cssText")).to include("#EA6C4A")
      click_button "Bring in 3 colours"
      expect(page).to have_css(".chip[title='Ember sky #EA6C4A']")
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
      bring file("tarns.csv", tarns[20_000])
      expect(page).to have_content("20,000 colours in 1 group", wait: 60)
      before = [Palette.count, Swatch.count]
      click_button "Bring in 20,000 colours"
      expect(page).to have_content("of 20,000", wait: 30)
      click_button "Cancel"
      expect(find(".notice-wrong", wait: 30)).to have_content("Called off. Nothing came in")
      expect([Palette.count, Swatch.count]).to eq before
      open_place "deliver"
      bring file("tarn.csv", tarns[4_000])
      expect(page).to have_content("4,000 colours in 1 group")
      find("#import-commit").click
      expect(page).to have_content("Brought tarn.csv into tarn", wait: 30)
      expect(Swatch.count).to eq before[1] + 4000
    end
  end
end
