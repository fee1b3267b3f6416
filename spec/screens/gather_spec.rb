require "support/gather_screens"

RSpec.describe "Gather", :screen do
  include GatherScreens

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

    it "copies the favourite by itself once that is switched on" do
      page.execute_script("window.copied = []; navigator.clipboard.writeText = text => { window.copied.push(text); return Promise.resolve() }")
      find("input[name=favourite][value=oklch]", visible: :all).evaluate_script("this.click()")
      check "Copy the marked one after each reading"
      eventually { expect(page.evaluate_script("window.copied.length")).to eq 1 }
      click_picture 300, 100
      expect(page).to have_content("at 300, 100")
      eventually { expect(page.evaluate_script("window.copied[1]")).to match(/\Aoklch\(/) }
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
      keys %i[alt right], %i[alt shift down], :enter
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
end
