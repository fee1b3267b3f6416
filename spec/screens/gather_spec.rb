require "support/screens"

RSpec.describe "Gather", :screen do
  # The point of the window over a pixel of a picture.
  def over(x, y, picture = "#picture")
    expect(page).to have_css("#{picture} .picture-image") { |image| image.evaluate_script("this.complete && this.naturalWidth > 0") }
    box = box_of("#{picture} .picture-image")
    width, height = %w[width height].map { |side| find(picture)["data-#{side}"].to_f }
    {x: box["x"] + (x + 0.5) / width * box["width"], y: box["y"] + (y + 0.5) / height * box["height"]}
  end

  def hover(x, y) = mouse.move(**over(x, y))

  def value_under_loupe = find(".loupe p").text

  def choose_probe(value)
    find("#probe input[value='#{value}']", visible: :all).evaluate_script("this.click()")
    expect(page).to have_css("#probe input[value='#{value}']:checked", visible: :all)
  end

  def read_in_ruby(x, y, probe) = Source.find_by(name: "Dusk over the dome").picture.at(x, y, probe:).average.hex

  def send_files(files, how)
    contents = files.map { |name, bytes| [name, [bytes].pack("m0")] }
    page.execute_script(<<~JS, contents, how)
      const data = new DataTransfer()
      for (const [name, bytes] of arguments[0]) data.items.add(new File([Uint8Array.from(atob(bytes), c => c.charCodeAt(0))], name, { type: "image/png" }))
      const given = { bubbles: true, cancelable: true }
      document.querySelector("main").dispatchEvent(arguments[1] === "drop" ? new DragEvent("drop", { dataTransfer: data, ...given }) : new ClipboardEvent("paste", { clipboardData: data, ...given }))
    JS
  end

  before do
    open_place "gather"
    expect(page).to have_css("#zoom-now", text: "%") # the scripts have begun
  end

  describe "reading" do
    it "shows under the magnifier what is then read in Ruby" do
      [["1", 700, 180], ["5", 800, 500], ["11", 1150, 700], ["31", 640, 800]].each do |probe, x, y|
        choose_probe probe
        hover x, y
        eventually { expect(value_under_loupe).to match(/\A#\h{6}\z/) }
        shown = value_under_loupe
        count = demo.finds.count
        mouse.down
        mouse.up
        expect(page).to have_content("#{probe} × #{probe} px at #{x}, #{y} of Dusk over the dome")
        expect(demo.finds.count).to eq count + 1
        difference = Magpie::Difference.de2000(Magpie::Notation.parse(shown), demo.finds.first.average)
        expect(difference).to be < 0.6
      end
    end

    it "averages across an edge in linear light, in the browser too" do
      send_files([["edge.png", flat_picture(60, 40, [0, 0, 0]).draw_rect([255, 255, 255], 30, 0, 30, 40, fill: true).pngsave_buffer]], "paste")
      expect(page).to have_content("Brought in edge")
      choose_probe "11"
      hover 30, 20
      # Six white columns of eleven: half the light is #BC, not #80.
      eventually { expect(value_under_loupe).to eq "#C3C3C3" }
      click_picture 30, 20
      within(".notations") { expect(page).to have_content("#C3C3C3") }
    end

    it "is watched while dragging and taken on release" do
      click_picture 900, 300
      expect(page).to have_css(".pin-shown")
      from, to = over(300, 200), over(1072, 690)
      mouse.move(**from)
      mouse.down
      mouse.move(**to, steps: 10)
      expect(page).to have_css(".app-watching")
      watched = page.evaluate_script("document.querySelector('#in-hand').style.getPropertyValue('--watched')")
      expect(demo.finds.count).to eq 11
      mouse.up
      expect(page).to have_content("5 × 5 px at 1072, 690 of Dusk over the dome")
      expect(page).to have_no_css(".app-watching")
      expect(watched).to eq demo.finds.first.hex
      expect(demo.finds.count).to eq 12
    end

    it "takes nothing when Esc is pressed before the release" do
      mouse.move(**over(300, 200))
      mouse.down
      mouse.move(**over(500, 300), steps: 5)
      expect(page).to have_css(".app-watching")
      keys :escape
      expect(page).to have_no_css(".app-watching")
      mouse.up
      hover 520, 310
      expect(page).to have_css(".loupe")
      expect(demo.finds.count).to eq 10
      expect(page).to have_content("Nothing yet")
    end

    it "is done without a mouse, with the magnifier at the probe" do
      find("#picture").evaluate_script("this.focus()")
      keys :right, :down, [:shift, :down]
      expect(page).to have_css(".cross")
      expect(value_under_loupe).to eq read_in_ruby(801, 459, 5)
      keys :escape
      expect(page).to have_no_css(".cross")
      keys :left, :enter
      expect(page).to have_content("5 × 5 px at 799, 448 of Dusk over the dome")
    end

    it "follows a line drawn by hand, or set corner by corner" do
      choose_probe "round"
      mouse.move(**over(200, 100))
      mouse.down
      [[400, 100], [400, 250], [200, 250], [200, 110]].each { |x, y| mouse.move(**over(x, y), steps: 8) }
      mouse.up
      expect(page).to have_content(/3\d \d{3} px drawn round, about/)
      expect(find(".outline-over", visible: :all)["d"]).to start_with "M200"
      find("#picture").evaluate_script("this.focus()")
      keys :right, :enter, [:shift, :right], [:shift, :right], :enter, [:shift, :down], [:shift, :down], :enter, %i[shift enter]
      expect(page).to have_content(/2\d\d px drawn round/)
    end

    it "outlines a patch in the picture that it is in, not as in the one before" do
      send_files([["wide.png", flat_picture(80, 60, [40, 60, 90]).draw_rect([230, 120, 80], 10, 10, 60, 40, fill: true).pngsave_buffer],
        ["tall.png", flat_picture(80, 60, [40, 60, 90]).draw_rect([230, 120, 80], 30, 5, 20, 50, fill: true).pngsave_buffer]], "drop")
      expect(page).to have_content("Brought in wide and tall")
      outlines = %w[tall wide].map do |name|
        visit "/projects/#{demo.id}/gather?source=#{demo.sources.find_by!(name:).id}" if name == "tall"
        find(".source", text: name).click if name == "wide"
        expect(page).to have_css("#picture[data-path$='/#{demo.sources.find_by!(name:).id}']")
        choose_probe "patch"
        click_picture 40, 30
        expect(page).to have_content(/patch of [\d ]+ px from 40, 30 of #{name}/)
        eventually { expect(find(".outline-over", visible: :all)["d"]).to start_with "M" }
        page.evaluate_script("(() => { const box = document.querySelector('.outline-over').getBBox(); return [box.x, box.y, box.width, box.height] })()")
      end
      expect(outlines).to eq [[30, 5, 20, 50], [10, 10, 60, 40]]
    end

    it "grows a patch, whose outline follows the tolerance before it is read again" do
      choose_probe "patch"
      click_picture 1080, 640
      expect(page).to have_content(/patch of [\d ]+ px from 1080, 640 of Dusk over the dome, tolerance 6/)
      small = demo.finds.first.pixels
      eventually { expect(find(".outline-over", visible: :all)["d"].to_s).to start_with "M" }
      outline = find(".outline-over", visible: :all)["d"]
      find("#tolerance").execute_script("this.value = 20; this.dispatchEvent(new Event('input', { bubbles: true }))")
      eventually { expect(find(".outline-over", visible: :all)["d"]).not_to eq outline }
      expect(demo.finds.first.pixels).to eq small
      find("#tolerance").evaluate_script("this.dispatchEvent(new Event('change', { bubbles: true }))")
      expect(page).to have_content("tolerance 20")
      expect(demo.finds.count).to eq 11
      expect(demo.finds.first.pixels).to be > small
    end

    it "drops a run of colours into a group, each undone by itself" do
      choose "Drop in group", visible: :all, allow_label_click: true
      expect(page).to have_css("input[name=release][value=drop]:checked", visible: :all)
      select "Night ground · Quillmere house", from: "Drop into"
      [[300, 100], [700, 400], [900, 820]].each_with_index do |(x, y), n|
        click_picture x, y
        expect(page).to have_content("5 × 5 px at #{x}, #{y}")
        expect(Group.find_by(name: "Night ground").swatches.count).to eq 6 + n
      end
      expect(find("#keep-group").value).to eq Group.find_by(name: "Night ground").id.to_s
      2.times { click_button "Undo" }
      expect(page).to have_content("Undone: Found")
      expect(Group.find_by(name: "Night ground").swatches.count).to eq 7
    end
  end

  describe "the panel" do
    before do
      click_picture 860, 690
      expect(page).to have_css(".pin-shown")
    end

    it "holds the average or the most common colour" do
      find("button[name=chosen][value=most_common]").click
      expect(page).to have_css("button[value=most_common][aria-pressed=true]")
      expect(find(".hand")).to have_content(demo.finds.first.most_common.hex)
    end

    it "names the swatches that are close already, and holds one" do
      click_picture 1150, 860
      expect(page).to have_content("at 1150, 860")
      within(".reading") { click_button "Hold Moor" }
      expect(find(".hand-name")).to have_text("Moor")
    end

    it "copies the favourite by itself once that is switched on" do
      page.execute_script("window.copied = []; navigator.clipboard.writeText = text => { window.copied.push(text); return Promise.resolve() }")
      find("input[name=favourite][value=oklch]", visible: :all).evaluate_script("this.click()")
      check "Copy the marked one after each reading"
      eventually { expect(page.evaluate_script("window.copied.length")).to eq 1 }
      click_picture 300, 100
      expect(page).to have_content("at 300, 100")
      eventually { expect(page.evaluate_script("window.copied[1]")).to match(/\Aoklch\(/) }
    end

    it "names a find, pins it, and clears the others" do
      fill_in "Name of this find", with: "Dome edge"
      click_button "Name", exact: true
      expect(page).to have_css(".find[data-card^='Dome edge']")
      click_button "Pin to keep"
      expect(page).to have_css(".find-pinned")
      click_button "Clear"
      expect(page).to have_css(".find", count: 1)
      click_button "Undo"
      expect(page).to have_css(".find", count: 11)
      choose "Of this picture", visible: :all, allow_label_click: true
      expect(page).to have_css(".find", count: 7)
    end

    it "shows of a find where it came from" do
      find(".find[data-card^='Purple']").hover
      expect(page).to have_css(".find-card img[src*='crop.png']")
      expect(find(".find-card")).to have_content("of Nebula plate")
    end
  end

  describe "pins" do
    it "are dragged to read again, or moved by key" do
      found = demo.finds.find_by!(x: 620, y: 720)
      box = box_of("[data-pin='#{found.id}']")
      mouse.move(x: box["x"] + 6, y: box["y"] + 12)
      mouse.down
      mouse.move(**over(700, 300), steps: 8)
      mouse.up
      expect(page).to have_content("5 × 5 px at 700, 300 of Dusk over the dome")
      expect([found.reload.x, found.hex]).to eq [700, read_in_ruby(700, 300, 5)]
      expect(demo.finds.count).to eq 10
      find("[data-pin='#{found.id}']").evaluate_script("this.focus()")
      keys :right, %i[shift down], :enter
      expect(page).to have_content("5 × 5 px at 701, 310 of Dusk over the dome")
      click_button "Undo"
      expect(page).to have_content("Undone: Read")
      expect(found.reload.x).to eq 700
    end

    it "open on a click, and go back when Esc ends a drag" do
      found = demo.finds.find_by!(x: 620, y: 720)
      find("[data-pin='#{found.id}']").click
      expect(page).to have_content("5 × 5 px at 620, 720")
      box = box_of("[data-pin='#{found.id}']")
      mouse.move(x: box["x"] + 6, y: box["y"] + 12)
      mouse.down
      mouse.move(**over(300, 300), steps: 4)
      keys :escape
      mouse.up
      expect(box_of("[data-pin='#{found.id}']")["x"]).to be_within(1).of(box["x"])
      expect(found.reload.x).to eq 620
    end
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
      expect(find("[role=alert]")).to have_content("notes.png is not a picture that I can read")
      expect(find("[role=alert]")).to have_content("cut.png is damaged")
      expect(demo.sources.count).to eq 5
      click_picture 10, 10
      expect(page).to have_content("at 10, 10 of second plate")
      within(".notations") { expect(page).to have_content("#5A095A") }
    end

    it "are described, moved and removed" do
      click_link "About"
      expect(page).to have_content("1600 × 896 px")
      expect(page).to have_content("8 bit, sRGB")
      fill_in "Name", with: "Dusk, east door", exact: true
      fill_in "Note", with: "Ida's"
      click_button "Save name and note"
      expect(page).to have_css(".source b", text: "Dusk, east door")
      click_button "Move down"
      eventually { expect(all(".source[data-source] b").map(&:text)).to eq ["Nebula plate", "Dusk, east door", "Orrery brass"] }
      click_button "Remove this source"
      expect(page).to have_content("Removed Dusk, east door")
      expect(page).to have_css(".find", count: 10)
      click_button "Undo"
      expect(page).to have_css(".source b", text: "Dusk, east door")
    end

    it "get a better copy, seen before it is taken" do
      click_link "About"
      path = File.join(DOWNLOADS, "dusk_better.png")
      Source.find_by(name: "Dusk over the dome").picture.image.linear([0.9] * 3, [6] * 3).cast(:uchar).pngsave(path)
      within(".reading") { attach_file "files[]", path, make_visible: true }
      expect(page).to have_css(".better tbody tr", count: 6)
      old = demo.finds.find_by!(x: 620, y: 720).hex
      click_button "Replace and read 6 finds again"
      expect(page).to have_content("has its better picture now")
      expect(demo.finds.find_by!(x: 620, y: 720).hex).not_to eq old
      click_button "Undo"
      expect(page).to have_content("Undone: Replaced the picture")
      expect(demo.finds.find_by!(x: 620, y: 720).hex).to eq old
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
      expect(artwork.picture.at(x, y).average.hex).to eq demo.finds.first.hex
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

    it "are as many as asked for, and kept as a group" do
      select "4", from: "Number"
      expect(page).to have_css(".main-strip button", count: 4)
      check "Leave out grounds"
      expect(page).to have_css(".main-strip button", count: 4)
      click_button "Keep all as a group"
      expect(page).to have_content("Kept Dusk over the dome in Quillmere house: 4 swatches")
      expect(page).to have_select("Drop into", selected: "Dusk over the dome · Quillmere house")
      click_button "Undo"
      expect(page).to have_content("Undone: Kept 4 main colours of Dusk over the dome as a group")
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
