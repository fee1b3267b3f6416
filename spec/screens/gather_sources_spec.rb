require "support/gather_screens"

RSpec.describe "Gather, what is read from", :screen do
  include GatherScreens

  before do
    open_place "gather"
    expect(page).to have_css("#zoom-now", text: "%") # the scripts have begun
  end

  describe "looking" do
    def scale = box_of("#picture-image")["width"] / 1600.0

    it "zooms to the pixel under the pointer, by wheel, key and button" do
      place = over(1072, 690)
      mouse.move(**place)
      8.times { page.driver.browser.page.command("Input.dispatchMouseEvent", type: "mouseWheel", **place, deltaX: 0, deltaY: -400) }
      eventually { expect(scale).to be > 20 }
      expect(over(1072, 690)[:x]).to be_within(scale).of(place[:x])
      expect(over(1072, 690)[:y]).to be_within(scale).of(place[:y])
      expect(page).to have_css(".pixel-grid")
      mouse.click(**over(1072, 690))
      expect(page).to have_content("5 × 5 px at 1072, 690")
      expect(scale).to be > 20 # a reading leaves the view alone
      20.times { keys "+" }
      eventually { expect(find("#zoom-now").text).to eq "6400 %" }
      keys "0"
      eventually { expect(scale).to be < 1 }
      expect(page).to have_no_css(".pixel-grid")
      click_button "+"
      expect(find("#zoom-now").text).to eq "75 %"
    end

    it "pans by the middle button, and never beyond the picture" do
      5.times { click_button "+" }
      eventually { expect(scale).to be > 3 }
      before = box_of("#picture-image")
      room = box_of(".picture-room")
      mouse.move(x: 600, y: 300)
      mouse.down(button: :middle)
      mouse.move(x: 500, y: 260, steps: 5)
      mouse.up(button: :middle)
      after = box_of("#picture-image")
      expect([after["x"] - before["x"], after["y"] - before["y"]]).to eq [-100, -40]
      mouse.down(button: :middle)
      mouse.move(x: 4000, y: 3000, steps: 5)
      mouse.up(button: :middle)
      expect(box_of("#picture-image").values_at("x", "y").map(&:round)).to eq room.values_at("x", "y").map(&:round)
      expect(demo.finds.count).to eq 10
    end
  end

  describe "sources" do
    it "come in several at once; the damaged are named, the others stay" do
      good = flat_picture(30, 20, [9, 90, 90]).pngsave_buffer
      send_files([["first plate.png", good], ["notes.png", "just words"], ["cut.png", good[0, 60]], ["second plate.tiff", flat_picture(30, 20, [90, 9, 90]).tiffsave_buffer]], "drop")
      expect(page).to have_content("Brought in first plate and second plate")
      expect(find(".notice-wrong")).to have_content("notes.png is not a picture that I can read")
      expect(find(".notice-wrong")).to have_content("cut.png is damaged")
      expect(demo.sources.count).to eq 5
      click_picture 10, 10
      expect(page).to have_content("at 10, 10 of second plate")
      within(".notations") { expect(page).to have_content("#5A095A") }
    end

    it "stand side by side, at one zoom and with shared pins" do
      within(".source", text: "Nebula plate") { click_link "Beside" }
      expect(page).to have_css(".picture", count: 2)
      expect(page).to have_css(".picture:not(#picture) .pin", minimum: 6)
      click_button "+"
      eventually do
        widths = all(".picture", count: 2).map { |picture| picture.evaluate_script("this.getBoundingClientRect().width") }
        expect(widths.uniq.size).to eq 1
      end
      keys "0"
      click_picture 505, 250
      expect(page).to have_content("5 × 5 px at 505, 250 of Dusk over the dome")
      within(".reading") { expect(page).to have_content(/Nebula plate\n#\h{6} at the same place, ΔE/) }
      # Reading the other one leaves them as they stand.
      mouse.click(**over(900, 500, ".picture:not(#picture)"))
      expect(page).to have_content("5 × 5 px at 900, 500 of Nebula plate")
      within(".reading") { expect(page).to have_content(/Dusk over the dome\n#\h{6} at the same place, ΔE/) }
      eventually { expect(all(".picture").map { |picture| picture["data-name"] }).to eq ["Dusk over the dome", "Nebula plate"] }
      expect(page).to have_css("#picture .pin-shown.pin-other")
    end
  end

  describe "an artwork" do
    before { find(".source a[title^='Poster']").click }

    it "is read as it is seen, or by a part's own paint below what covers it" do
      expect(page).to have_content("A part’s own fill")
      artwork = Artwork.find_by(name: "Poster")
      size = [find("#picture")["data-width"].to_i, find("#picture")["data-height"].to_i]
      x, y = (size[0] * 0.95).round, (size[1] * 0.97).round
      click_picture x, y
      expect(page).to have_content("of Poster, as seen")
      expect(Seen.new(artwork).picture.at(x, y).average.hex).to eq demo.finds.first.hex
      choose "A part’s own fill", visible: :all, allow_label_click: true
      expect(page).to have_css("#picture[data-own=fill]")
      click_picture x, y
      expect(page).to have_content("Moor’s own fill in Poster, whatever covers it")
      within(".stack") { click_button "Night sky" }
      expect(page).to have_content("Night sky’s own fill in Poster")
      expect(demo.finds.first.hex).to eq artwork.places.joins(:part).find_by!(parts: {key: "night_sky"}, role: "fill").swatch.hex
    end
  end

  describe "main colours" do
    it "are shown by share, hold on a click and show where they are" do
      expect(page).to have_css(".main-strip button", minimum: 5)
      first = find(".main-strip button", match: :first)
      first.hover
      eventually { expect(find(".highlight").style("background-image")["background-image"]).to include "/main/0.png" }
      first.click
      expect(page).to have_content("main colour of Dusk over the dome")
      expect(find(".hand")).to have_content(demo.finds.first.hex)
    end
  end

  describe "screens" do
    it "are sampled on the practice screen, press by press, until Esc" do
      click_button "take a screen"
      within("[data-way=practice]") { click_button "Sample" }
      expect(page).to have_content("Press anywhere to sample")
      # The enamel label's first field and the sticky label of the drawing.
      mouse.click(x: 730, y: 650)
      expect(page).to have_content("Taken #231F55. Press again for more")
      mouse.click(x: 110, y: 640)
      expect(page).to have_content("Taken #FFE07A")
      keys :escape
      expect(page).to have_no_css("#practice[open]")
      expect(demo.finds.limit(2).map { |find| [find.hex, find.origin] }).to eq [["#FFE07A", "sampled from the screen"], ["#231F55", "sampled from the screen"]]
      expect(find(".hand")).to have_content("#FFE07A")
    end

    it "are grabbed as a source, from the practice screen" do
      click_button "take a screen"
      within("[data-way=practice]") { click_button "Grab" }
      expect(page).to have_content(/Brought in Screen \d\d\.\d\d\.\d\d/)
      expect(demo.sources.last.kind).to eq "screen"
      expect([demo.sources.last.width, demo.sources.last.height]).to eq [1280, 800]
      click_picture 730, 650
      expect(page).to have_content("5 × 5 px at 730, 650 of Screen")
      expect(Magpie::Difference.de2000(demo.finds.first.colour, Magpie::Notation.parse("#231F55"))).to be < 2
    end

    it "say what this browser cannot do, and why" do
      click_button "take a screen"
      page.execute_script("navigator.mediaDevices.getDisplayMedia = () => Promise.reject(new DOMException('Could not start video source', 'NotReadableError'))")
      within("[data-way=grab]") do
        click_button "Grab"
        expect(page).to have_content("The screen could not be taken")
        expect(page).to have_no_button("Grab")
      end
      page.execute_script("document.querySelector('#screens').close(); delete window.EyeDropper")
      click_button "take a screen"
      within("[data-way=sample]") do
        expect(page).to have_content("This browser has no colour sampler")
        expect(page).to have_no_button("Sample")
      end
    end

    it "use the browser's own sampler where it has one" do
      page.execute_script("window.EyeDropper = class { static given = ['#e46f58', '#2f8fa3']; open() { const sRGBHex = EyeDropper.given.shift(); return sRGBHex ? Promise.resolve({ sRGBHex }) : Promise.reject(new DOMException('ended', 'AbortError')) } }")
      click_button "take a screen"
      within("[data-way=sample]") { click_button "Sample" }
      expect(page).to have_css(".hand .find[data-card^='Steel'], .hand .find", minimum: 12)
      eventually { expect(demo.finds.limit(2).map(&:hex)).to eq %w[#2F8FA3 #E46F58] }
    end
  end
end
