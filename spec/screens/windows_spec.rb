require "support/measured"
require "support/states"
require "support/touch_screens"

# Windows of all sizes, on paper, and in the system's colours.
RSpec.describe "Windows", :screen do
  include Measured
  include States
  include TouchScreens

  let(:letters) { "The longest name that anybody gave to anything in the house at Quillmere, with the words of everybody who had a say in it, and none of them left out, not even these here" }

  # On whatever has a name.
  def long_names
    [Project, Palette, Group, Swatch, Source, Artwork, Find, Library, Entry, Outfit, Board, Variant].each do |model|
      model.update_all(["name = ? || ' ' || id", letters])
    end
    Project.update_all(client: letters)
    Group.update_all(note: letters)
    Part.update_all(label: letters)
  end

  def media(**features) = page.driver.browser.page.command("Emulation.setEmulatedMedia", media: features.delete(:media) || "screen", features: features.map { |name, value| {name: name.to_s.tr("_", "-"), value:} })

  it "hold names of 170 letters", demo: :whole do
    expect(letters.size).to be_between(165, 175)
    long_names
    paths = ["gather", "palettes", "palettes?swatch=#{Swatch.first.id}", "shelf", "dress?artwork=#{Artwork.first.id}&tool=pick", "match", "match/palette", "match/board", "deliver", "deliver?what=libraries", "palettes?mix=#{Swatch.first.id}"]
    wrong = paths.flat_map do |path|
      visit "/projects/#{demo.id}/#{path}"
      settled
      measured.map { |words| "#{path}: #{words}" }
    end
    expect(wrong.join("\n")).to eq ""
  end

  it "let one look at projects and palettes on a phone, sample a photograph just taken, and keep its colour" do
    page.driver.resize(390, 844)
    visit "/"
    expect(page).to have_css(".project b", text: "Night open house")
    by_finger
    tap_element(find("a.project"))
    expect(page).to have_css("#picture-image")
    tap_element(find(".places a", text: "Palettes"))
    expect(page).to have_css(".chip[title^='Ember sky']")
    tap_element(find(".chip[title^='Ember sky']"))
    within(".hand-now") { expect(page).to have_content("Ember sky") }
    tap_element(find(".places a", text: "Gather"))
    expect(page).to have_css(".sources .take-photo", text: "Take a photograph")
    expect(find(".sources .take-photo input", visible: :all)["capture"]).to eq "environment"
    photo = File.join(DOWNLOADS, "IMG_0042.jpg").tap { |path| File.binwrite(path, flat_picture(1200, 1600, [58, 127, 94]).jpegsave_buffer) }
    find(".sources .take-photo input", visible: :all).attach_file(photo)
    expect(page).to have_content("Brought in IMG 0042")
    settled
    find("#picture").execute_script("this.scrollIntoView({ block: 'center' })")
    tap_on(over(600, 400))
    within(".hand-now") { expect(page).to have_css(".hand-hex", text: /#3[A-D]/) }
    settled
    tap_element(find("[data-hand-more]"))
    expect(page).to have_css("#keep-name")
    fill_in "Name this colour", with: "Moss by the east door"
    tap_element(find("#keep"))
    expect(page).to have_content("Kept Moss by the east door")
    expect(Swatch.find_by!(name: "Moss by the east door").hex).to match(/\A#3[A-D]/)
  ensure
    by_finger(false)
    page.driver.resize(1280, 800)
  end

  it "print a palette, its ledger and an artwork without what is pressed" do
    open_place "palettes"
    media(media: "print")
    expect(page).to have_css(".chip-cell b", text: "Ember sky").and have_css(".palette-head h1", text: "Quillmere house").and have_css(".job")
    %w[.hand .side .places .palette-tools .add-group .changes].each { |pressed| expect(page).to have_no_css(pressed) }
    media
    find(".views label", text: "Ledger").click
    expect(page).to have_css(".ledger")
    media(media: "print")
    expect(page).to have_css(".ledger .numbers", text: "#E46F58")
    open_dress
    expect(page).to have_css("#stage-drawing").and have_no_css(".rack").and have_no_css("#tools").and have_no_css(".hand")
  ensure
    media
  end

  it "keep colours and tell what is chosen in the system's colours" do
    media(forced_colors: "active")
    chosen("Ember sky")
    expect(hex_of(find(".chip[title^='Ember sky']").style("background-color")["background-color"])).to eq "#E46F58"
    expect(hex_of(find("#in-hand").style("background-color")["background-color"])).to eq "#E46F58"
    ground = ->(selector, **given) { find(selector, **given).style("background-color")["background-color"] }
    expect(ground.call(".places a[aria-current]")).not_to eq ground.call(".places a", text: "Gather")
    expect(ground.call(".views input:checked + span")).not_to eq ground.call(".views span", text: "Chart")
    expect(ground.call(".side-tabs [aria-selected=true]")).not_to eq ground.call(".side-tabs [aria-selected=false]")
    open_dress
    expect(ground.call(".tool[aria-current]")).not_to eq ground.call(".tool", text: "Carry")
    expect(fill_of("#stage", "ember_band")).to eq "#E46F58"
  ensure
    media
  end
end
