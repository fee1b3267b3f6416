require "support/screens"

RSpec.describe "Match, browsing", :screen do
  def browse(**query)
    visit "/projects/#{demo.id}/match/browse?#{Rack::Utils.build_query(query)}"
    expect(page).to have_css("#browse[data-ready]")
  end

  # Where a chip is seen, by the number that it has in the chart.
  def at(across, down, size: 60, tall: 50) = box_of("#browse").then { |box| {x: box["x"] + 2 + (across + 0.5) * size, y: box["y"] + (down + 0.5) * tall} }

  def pixel(x, y) = page.evaluate_script("(() => { const canvas = document.querySelector('.browse-canvas'), box = canvas.getBoundingClientRect(), d = canvas.getContext('2d').getImageData((#{x} - box.x) * devicePixelRatio, (#{y} - box.y) * devicePixelRatio, 1, 1).data; return '#' + [...d].slice(0, 3).map(v => v.toString(16).padStart(2, '0')).join('').toUpperCase() })()")

  def selected = find(".browse-send h2", visible: :all).text

  describe "the demo's libraries", demo: :libraries do
    let(:tarn) { Library.find_by!(name: "Tarn & Fell masonry paints") }

    it "are charts in their own order and shape; what is under the pointer is named" do
      browse(library: tarn.id)
      entry = tarn.entries.to_a[12 * 7 + 3]
      place = at(3, 7)
      eventually { expect(pixel(*place.values)).to eq entry.hex }
      mouse.move(**place)
      expect(page).to have_css("#browse-card", text: "#{entry.name} #{entry.code} #{entry.hex}")
      mouse.click(**place)
      expect(page).to have_css(".browse-name", text: entry.name)
      expect(page).to have_css(".hand h2", text: entry.in_words.split.last)
      click_link "Lantern enamel colours"
      expect(page).to have_css("#browse[data-ready='96']")
    end

    it "are walked through by keys; Enter takes in hand" do
      browse(library: tarn.id)
      find("#browse").send_keys(:right, :right, :down)
      third = tarn.entries.to_a[13]
      expect(page).to have_css("#browse-said", text: "#{third.name}, #{third.code}, #{third.hex}")
      keys :enter
      expect(page).to have_css(".hand-name", text: third.name)
    end

    it "are selected by Ctrl, Shift and Space, and sent to a palette at once" do
      browse(library: tarn.id)
      mouse.click(**at(0, 0))
      expect(page).to have_css(".browse-name", text: tarn.entries.first.name)
      mouse.click(**at(4, 0), modifiers: 8)
      expect(page).to have_css(".browse-send h2", text: "5 entries selected")
      mouse.click(**at(2, 0), modifiers: 2)
      expect(page).to have_css(".browse-send h2", text: "4 entries selected")
      within(".browse-send") { select "Night ground · Quillmere house", from: "group" }
      click_button "Send them there"
      expect(page).to have_content("Kept 4 entries in Night ground")
      names = tarn.entries.to_a.values_at(0, 1, 3, 4).map(&:name)
      expect(Group.find_by!(name: "Night ground").swatches.order(:position).last(4).map { |swatch| [swatch.name, swatch.kind] }).to eq(names.map { |name| [name, "spot"] })
      click_button "Undo"
      eventually { expect(Swatch.where(name: names).count).to eq 0 }
    end

    it "are dragged into a group" do
      browse(library: tarn.id)
      entry = tarn.entries.to_a[12 * 2]
      group = box_of(".browse-group[title='Brass and glass']")
      mouse.move(**at(0, 2))
      mouse.down
      mouse.move(x: group["x"] + 60, y: group["y"] + 40, steps: 6)
      mouse.move(x: group["x"] + 20, y: group["y"] + 10, steps: 3)
      expect(page).to have_css(".browse-over", text: "Brass and glass")
      mouse.up
      expect(page).to have_content("Kept #{entry.name} in Brass and glass")
      expect(page).to have_no_css(".browse-ghost")
    end

    it "are sorted by lightness, and stand in the rack of Dress as long as somebody wants it" do
      browse(library: tarn.id)
      select "By lightness", from: "Order"
      expect(page).to have_css("#browse[data-chart*='order=lightness'][data-ready]")
      lightest = tarn.entries.max_by(&:l)
      eventually { expect(pixel(*at(0, 0, size: 24, tall: 20).values)).to eq lightest.hex }
      click_button "Put it in the rack of Dress"
      expect(page).to have_button("Take it out of the rack")
      open_place "dress"
      find(".rack-chip[title^='TF 088 Hearth clay']").click
      expect(page).to have_css(".hand-name", text: "Hearth clay")
      expect(page).to have_css(".rack-chip[title^='TF 088'][aria-selected=true]")
      click_part "ember_band"
      eventually { expect(fill_of("#stage", "ember_band")).to eq Entry.find_by!(code: "TF 088").hex }
      find(".rack-taken button").click
      expect(page).to have_no_css(".rack-chip[title^='TF 088']")
    end
  end

  it "scrolls 100,000 entries, draws what is seen, and names what is there" do
    swatches = Array.new(100_000) { |n| Magpie::Palette::Swatch.new(name: "Paint #{n}", code: "WC #{n.to_s.rjust(5, "0")}", colour: Magpie::Color.from_rgb24(n * 7_919 % 0x1000000)) }
    wide = Changes::BringInLibrary.perform(demo, actor:, value: Magpie::Palette.new(name: "Wide chart", groups: [Magpie::Palette::Group.new(name: "Wide chart", swatches:)]))
    browse(library: wide.id)
    expect(page).to have_css("#browse[data-ready='100000']")
    find("#browse").evaluate_script("this.scrollTop = 50 * 4000")
    place = at(5, 2)
    eventually { expect(pixel(*place.values)).to eq format("#%06X", (4_002 * 12 + 5) * 7_919 % 0x1000000) }
    mouse.move(**place)
    expect(page).to have_css("#browse-card", text: "Paint #{4_002 * 12 + 5} WC #{4_002 * 12 + 5}")
    find("#browse").send_keys(:end)
    expect(page).to have_css("#browse-said", text: "Paint 99999, WC 99999")
    expect(page).to have_css(".browse-name", text: "Paint 99999")
    keys :enter
    expect(page).to have_css(".hand-name", text: "Paint 99999")
  end
end
