require "support/dress_screens"

RSpec.describe "Dress, large drawings", :screen do
  # 1,000 parts, of which half follow Ember sky, half transparent some of them.
  def field
    shapes = 1000.times.map { |n| %(<circle cx="#{n % 40 * 10 + 5}" cy="#{n / 40 * 10 + 5}" r="#{4 + n % 3}" fill="#{n.even? ? "#E46F58" : "#231F55"}" fill-opacity="#{(n % 5 == 0) ? 0.5 : 1}"/>) }
    artwork = Changes::BringInArtwork.perform(demo, actor:, name: "Field.svg", bytes: %(<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 400 250">#{shapes.join}</svg>))
    Demo.link(artwork.places.where(hex: "#E46F58"), Swatch.find_by!(name: "Ember sky"))
    artwork
  end

  def picture_of_stage
    path = File.join(DOWNLOADS, "stage-#{SecureRandom.hex(4)}.png")
    page.driver.save_screenshot(path, selector: "#stage")
    Vips::Image.new_from_file(path).extract_band(0, n: 3)
  end

  it "shows the same while a swatch is tried as when it was let go, without giving each part another paint" do
    artwork, ember = field, Swatch.find_by!(name: "Ember sky")
    open_dress "mix=#{ember.id}", artwork: artwork
    expect(page).to have_css(".layers", visible: :all)
    slider = box_of("#mix-hsb-0")
    mouse.move(x: slider["x"] + 8, y: slider["y"] + 9)
    mouse.down
    mouse.move(x: slider["x"] + slider["width"] * 0.7, y: slider["y"] + 9, steps: 6)
    expect(page).to have_css(".layers-shown")
    eventually { expect(find(".layer-colour", visible: :all).style("background-color")["background-color"].then { |css| hex_of(css) }).to eq find("#mix-hex").text }
    tried = picture_of_stage
    mouse.up
    expect(page).to have_no_css(".layers-shown")
    shown = picture_of_stage
    expect((tried - shown).abs.max).to be <= 6
    expect((tried - shown).abs.avg).to be < 1
    expect(hex_of(page.evaluate_script("getComputedStyle((#{ScreenSupport::PART})('#stage', 0)).fill"))).to eq find("#mix-hex").text
    keys :escape
    eventually { expect(hex_of(page.evaluate_script("getComputedStyle((#{ScreenSupport::PART})('#stage', 0)).fill"))).to eq "#E46F58" }
    expect(page).to have_no_css(".layers", visible: :all)
  end

  it "gives to a thousand scattered parts that are picked" do
    shapes = 2000.times.map { |n| %(<circle cx="#{n % 50 * 8 + 4}" cy="#{n / 50 * 8 + 4}" r="3" fill="#{n.even? ? "#E46F58" : "#231F55"}"/>) }
    artwork = Changes::BringInArtwork.perform(demo, actor:, name: "Field.svg", bytes: %(<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 400 320">#{shapes.join}</svg>))
    open_dress artwork: artwork
    hold "Nebula teal"
    click_link "Pick parts"
    expect(page).to have_css(".dress[data-tool=pick]")
    find(".in-artwork li", text: "#E46F58").find("a").click
    expect(page).to have_content("1,000 parts picked")
    click_button "Give to 1,000 parts"
    expect_done "Dressed 1,000 parts with Nebula teal"
    expect(artwork.places.following(Swatch.find_by!(name: "Nebula teal")).count).to eq 1000
    expect(page).to have_content("1,000 parts picked")
  end

  it "makes the pictures of heavy artworks anew of what is tried, once it is let go, and as they were on Esc" do
    field
    ember = Swatch.find_by!(name: "Ember sky")
    open_dress "mix=#{ember.id}"
    expect(page).to have_css(".other img[data-moves]", count: 2) # the badge with it: together they are heavy
    expect(seen_in(".other img[title=Badge]", 0.3, 0.7)).to eq "#E46F58"
    fill_in "Colour in any notation", with: "#3366CC"
    find("#mix-notation").execute_script("this.dispatchEvent(new Event('change', { bubbles: true }))")
    eventually { expect(seen_in(".other img[title=Badge]", 0.3, 0.7)).to eq "#3366CC" }
    keys :escape
    expect(page).to have_no_css("#mix")
    eventually { expect(seen_in(".other img[title=Badge]", 0.3, 0.7)).to eq "#E46F58" }
  end

  it "can be called off while it is read, and nothing comes in" do
    go = Queue.new
    allow(Magpie::Walls).to receive(:artwork).and_wrap_original { |read, *given, **more| go.pop && read.call(*given, **more) }
    open_dress
    path = File.join(DOWNLOADS, "moor.svg")
    File.write(path, %(<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 9 9"><!--#{"x" * 260_000}--><rect width="9" height="9"/></svg>))
    within(".others > .bring-in") { attach_file "files[]", path, make_visible: true }
    expect(page).to have_css(".progress", text: "Reading what came")
    click_button "Cancel"
    eventually { expect(Answer.where("key LIKE 'off %'").count).to eq 1 }
    go << true
    expect(page).to have_content("Called off. Nothing came in")
    expect(page).to have_no_css(".progress")
    expect(Artwork.where(name: "Moor")).to be_empty
    within(".others > .bring-in") { attach_file "files[]", path, make_visible: true }
    go << true
    expect(page).to have_content("Brought in Moor, 1 part")
  end

  it "says where a drawing would be that does not come" do
    page.driver.browser.network.intercept
    page.driver.browser.on(:request) { |request| request.url.include?("/drawing.svg") ? request.abort : request.continue }
    open_dress
    expect(page).to have_css("#stage-drawing[data-failed^='The drawing did not come']")
  end
end
