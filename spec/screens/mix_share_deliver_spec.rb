require "support/screens"

RSpec.describe "Mix, sharing and Deliver", :screen do
  def download(link)
    name = link[:name]
    click_link link[:text], match: :first
    eventually { expect(File.exist?(File.join(DOWNLOADS, name))).to be true }
    File.read(File.join(DOWNLOADS, name))
  end

  def tokens(tree)
    path = File.join(DOWNLOADS, "brought_#{rand(1_000_000)}.tokens.json")
    File.write(path, JSON.generate(tree))
    path
  end

  describe "Mix" do
    before do
      open_place "palettes"
      find(".chip[title^='Apricot']").click
      click_link "Change everywhere"
    end

    it "links RGB, HSB and hex while numbers are typed and sliders moved by key" do
      expect(page).to have_css("#mix-hex", text: "#F3BA70")
      expect(hex_of(find("#mix-now").style("background-color")["background-color"])).to eq "#F3BA70"
      find("[data-model=rgb] input[type=number][data-channel='0']").set("0")
      expect(page).to have_css("#mix-hex", text: "#00BA70")
      expect(find("[data-model=hsb] input[type=number][data-channel='0']").value).to eq "156"
      expect(find("#mix-notation").value).to eq "rgb(0 186 112)"
      find("#mix-hsb-2").evaluate_script("this.focus()")
      keys :left, :left, :left
      expect(find("#mix-notation").value).to eq "hsb(156 100% 70%)"
      expect(page).to have_css("#mix-hex", text: "#00B36B")
      expect(find("[data-model=rgb] input[type=number][data-channel='1']").value).to eq "179"
    end

    it "shows what it is tried on, and what follows it as a tint, at once; Esc takes both back" do
      ember = Swatch.find_by!(name: "Ember sky")
      tint = Changes::KeepTint.perform(demo, actor: Actor.new, parent: ember, percent: 50.0)
      Changes::ShareSwatches.perform(demo, actor: Actor.new, swatches: [tint], ticks: [], limit: 0.0)
      poster = Artwork.firsts.find_by!(name: "Poster")
      Changes::DressParts.perform(demo, actor: Actor.new, artwork: poster, numbers: poster.parts.where(key: "moor").pluck(:position), role: "fill", content: Hand::Content.of_swatch(tint.reload))
      visit "/projects/#{demo.id}/dress?mix=#{ember.id}"
      expect(page).to have_content("Read as")
      settled
      seen = -> { [fill_of("#stage", "ember_band"), fill_of("#stage", "moor")].map { |css| hex_of(css) } }
      was = seen.call
      expect(was).to eq [ember.hex, tint.hex]
      fill_in "Colour in any notation", with: "#2F8FA3"
      eventually { expect(seen.call).to eq ["#2F8FA3", Following::Flow.tinted(Magpie::Notation.parse("#2F8FA3"), 50.0).hex] }
      keys :escape
      eventually { expect(seen.call).to eq was }
    end

    it "goes back to the colour before on a click, and keeps nothing on Esc" do
      fill_in "Colour in any notation", with: "teal"
      expect(page).to have_css("#mix-hex", text: "#008080")
      find(".mix-before").click
      expect(page).to have_css("#mix-hex", text: "#F3BA70")
      find("#mix-now").click # and back to it
      expect(page).to have_css("#mix-hex", text: "#008080")
      find(".mix-before").click
      expect(page).to have_css("#mix-hex", text: "#F3BA70")
      fill_in "Colour in any notation", with: "teal"
      eventually { expect(hex_of(find(".chip[title^='Apricot']").style("background-color")["background-color"])).to eq "#008080" }
      keys :escape
      expect(page).to have_no_css("#mix")
      expect(hex_of(find(".chip[title^='Apricot']").style("background-color")["background-color"])).to eq "#F3BA70"
      expect(RecordedChange.count).to eq 0
    end

    it "says when a colour lies outside of the screen's gamut" do
      fill_in "Colour in any notation", with: "oklch(0.7 0.35 150)"
      expect(page).to have_content("Outside what a screen shows:")
    end

    it "refuses to write over what somebody else changed meanwhile" do
      apricot = Swatch.find_by(name: "Apricot")
      fill_in "Colour in any notation", with: "teal"
      expect(page).to have_css("#mix-hex", text: "#008080")
      Changes::ChangeSwatch.perform(demo, actor:, swatch: apricot, colour: hex("#111111"), definition: "#111111", before: "#F3BA70")
      expect(page).to have_content("Somebody changed it to #111111 meanwhile")
      expect([find("#mix-notation").value, find(".mix-before").text]).to eq ["teal", "before\n#111111"]
      expect(page).to have_css("#mix-hex", text: "#008080")
      click_button "Apply to 2 places"
      expect(find(".conflict")).to have_content("The colour of Apricot was changed").and have_content("#111111")
      expect(apricot.reload.hex).to eq "#111111"
    end
  end

  it "mixes what is in hand and holds the result" do
    open_place "gather"
    find(".find", match: :first).click
    expect(page).to have_css(".find[aria-selected=true]")
    click_link "Mix"
    fill_in "Colour in any notation", with: "hsl 10 70 62"
    expect(page).to have_css("#mix-hex", text: "#E2715A")
    click_button "Hold this colour"
    expect(page).to have_no_css("#mix")
    within(".hand-now") { expect(page).to have_content("#E2715A") }
  end

  it "links only what stays ticked, and counts it on the button" do
    open_place "palettes"
    find(".chip[title^='Ion pink']").click
    places = demo.artworks.first.places.where(role: "fill").limit(3).ids
    Follow.where(place_id: places).delete_all
    Place.where(id: places).update_all(kind: "colour", colour: hex("#C24E86"), hex: "#C24E86")
    click_button "Share…"
    expect(page).to have_button("Share and link 3")
    expect(page).to have_css(".share-picture") { |picture| picture.evaluate_script("this.complete && this.naturalWidth > 0") }
    find(".share input[type=checkbox]", match: :first).uncheck
    click_button "Share and link 2"
    expect(page).to have_content("Ion pink is shared now, 2 places linked")
    expect(page).to have_css(".chip.ringed[title^='Ion pink']")
  end

  it "shows how far a large picture has come, and opens it" do
    open_place "gather"
    path = File.join(DOWNLOADS, "wide_moor.png")
    noise_picture(1400, 900, [60, 90, 70], 30).pngsave(path)
    expect(File.size(path)).to be > 2_000_000
    attach_file "files[]", path, make_visible: true
    expect(page).to have_content("Brought in wide moor")
    click_link "About"
    expect(page).to have_content("1400 × 900 px")
  end

  it "keeps the page and says so when the server is gone" do
    open_place "palettes"
    page.driver.browser.network.offline_mode
    find(".chip[title^='Peat']").click
    expect(find(".notice-waiting")).to have_content("The server does not answer")
    expect(page).to have_css(".palette-head")
  ensure
    page.driver.browser.network.emulate_network_conditions(offline: false)
  end
end
