require "support/pages"

RSpec.describe "Gather, as pages" do
  before { open_place "gather" }

  def dusk = Source.find_by!(name: "Dusk over the dome")

  # What a press on the picture reads.
  def read(x, y) = Changes::TakeReading.perform(demo, actor:, readable: dusk, aim: Aim.new(way: "square", x:, y:, size: 5))

  # The newest find, opened by its card.
  def open_newest
    open_place "gather"
    find(".find", match: :first).click
  end

  it "describe, move and remove a source, which comes back" do
    click_link "About"
    expect(page).to have_content("1600 × 896 px").and have_content("8 bit, sRGB")
    fill_in "Name", with: "Dusk, east door", exact: true
    fill_in "Note", with: "Ida's"
    click_button "Save name and note"
    expect(page).to have_css(".source b", text: "Dusk, east door")
    click_button "Move down"
    expect(all(".source[data-source] b").map(&:text)).to eq ["Nebula plate", "Dusk, east door", "Orrery brass"]
    click_button "Remove this source"
    expect(page).to have_content("Removed Dusk, east door")
    expect(page).to have_css(".find", count: 10)
    click_button "Undo"
    expect(page).to have_css(".source b", text: "Dusk, east door")
  end

  it "take a better copy, seen before it is taken" do
    click_link "About"
    better = Seen.new(dusk).picture.image.linear([0.9] * 3, [6] * 3).cast(:uchar).pngsave_buffer
    bring file("dusk_better.png", better), field: ".reading input[type=file]"
    expect(page).to have_css(".better tbody tr", count: 6)
    old = demo.finds.find_by!(x: 620, y: 720).hex
    click_button "Replace and read 6 finds again"
    expect(page).to have_content("has its better picture now")
    expect(demo.finds.find_by!(x: 620, y: 720).hex).not_to eq old
    click_button "Undo"
    expect(page).to have_content("Undone: Replaced the picture")
    expect(demo.finds.find_by!(x: 620, y: 720).hex).to eq old
  end

  it "say plainly what cannot be read, and keep the page" do
    bring file("notes.png", "just words"), field: "input[name='files[]']"
    expect(find(".notice-wrong")).to have_content("notes.png is not a picture that I can read: expected PNG, JPEG, WebP, GIF, TIFF, AVIF, HEIC or SVG, found text")
    expect(page).to have_css("#picture")
    open_place "dress"
    trap = '<!DOCTYPE svg [<!ENTITY a "x"><!ENTITY b "&a;&a;">]><svg xmlns="http://www.w3.org/2000/svg"/>'
    bring file("trap.svg", trap), field: ".others > .bring-in input[type=file]"
    expect(find(".notice-wrong")).to have_content("trap.svg declares entities")
  end

  def main_colours
    open_place "gather"
    fetched "[data-load*=main]" if page.has_css?("[data-load*=main]")
  end

  it "keep main colours, as many as asked for, as a group" do
    main_colours
    select "4", from: "Number"
    sends find_field("Number")
    main_colours
    open_place "gather" # which has them by now
    expect(page).to have_css(".main-strip button", count: 4)
    click_button "Keep all as a group"
    expect(page).to have_content("Kept Dusk over the dome in Quillmere house: 4 swatches")
    expect(page).to have_select("Drop into", selected: "Dusk over the dome · Quillmere house")
    click_button "Undo"
    expect(page).to have_content("Undone: Kept 4 main colours of Dusk over the dome as a group")
  end

  describe "the panel of a reading" do
    before do
      read(860, 690)
      open_newest
    end

    it "holds the average or the most common colour" do
      find("button[name=chosen][value=most_common]").click
      expect(page).to have_css("button[value=most_common][aria-pressed=true]")
      expect(find(".hand")).to have_content(demo.finds.first.most_common.hex)
    end

    it "names the swatches that are close already, and holds one" do
      read(1150, 860)
      open_newest
      within(".reading") { click_button "Hold Moor" }
      expect(find(".hand-name")).to have_text("Moor")
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
      sends find_field("Of this picture", visible: :all)
      expect(page).to have_css(".find", count: 7)
    end
  end
end
