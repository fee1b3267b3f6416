require "support/dress_screens"

RSpec.describe "Dress, colourways", :screen do
  include DressScreens

  def add(name)
    find(".colourway-add summary").click
    within ".colourway-add" do
      fill_in "Name", with: name
      find("button[value=add]").click
    end
    expect_done "Added the colourway #{name} of Poster"
    settled
    Artwork.find_by!(colourway: name)
  end

  def dress(way, key, with:)
    hold with
    click_part key
    eventually { expect(fill_of("#stage", key)).to eq named_hex(with) }
    settled
    way
  end

  def named_hex(name) = Swatch.joins(group: :palette).find_by!(name:, palettes: {starter: false}).hex

  def listed = all("section[aria-label=Colourways] .other b").map(&:text)

  before { open_dress }

  it "are added, dressed for themselves, and told by what differs" do
    expect(page).to have_content("It keeps only what differs, and follows this one in all else.")
    winter = add("Winter hours")
    expect(listed).to eq ["First", "Winter hours"]
    expect(page).to have_css(".said", text: "Poster, Winter hours")
    dress(winter, "rosehip_band", with: "Nebula teal")
    expect(page).to have_css(".colourway", text: /Winter hours\s+1 change/)
    expect(seen_in("#way-#{winter.id} img", 0.1, 0.58)).to eq "#2F8FA3"
    expect(seen_in("#way-#{poster.id} img", 0.1, 0.58)).to eq "#A35166"
    find("#way-#{poster.id} .other").click
    eventually { expect(fill_of("#stage", "rosehip_band")).to eq "#A35166" }
    dress(poster, "night_sky", with: "Peat")
    expect(seen_in("#way-#{winter.id} img", 0.5, 0.05)).to eq "#121720"
  end

  it "keep what is picked, and zoom, from one to the other; what differs is picked and set back" do
    winter = dress(add("Winter hours"), "rosehip_band", with: "Nebula teal")
    find(".tool", text: "Pick parts").click
    settled
    find("#way-edit-#{winter.id} summary").click
    click_button "Pick what differs"
    picks "rosehip_band"
    roll(-400, on_stage(0.5, 0.5))
    zoomed = find("#zoom-now").text
    expect(zoomed).not_to eq "1 ×"
    find("#way-#{poster.id} .other").click
    expect(page).to have_css(".said", text: /\APoster, 20/)
    settled
    picks "rosehip_band"
    expect(find("#zoom-now").text).to eq zoomed
    expect(page).to have_no_button("Reset")
    find("#way-#{winter.id} .other").click
    settled
    click_button "Reset"
    expect_done "Set Rosehip band of Poster, Winter hours back to First"
    eventually { expect(fill_of("#stage", "rosehip_band")).to eq "#A35166" }
    click_button "Undo"
    eventually { expect(fill_of("#stage", "rosehip_band")).to eq "#2F8FA3" }
  end

  it "stand side by side, followed by the same zoom, and follow the first" do
    winter, daytime = add("Winter hours"), add("Daytime")
    dress(daytime, "rosehip_band", with: "Nebula teal")
    find("#way-#{poster.id} .other").click
    settled
    [winter, daytime].each do |way|
      find("#way-#{way.id} .colourway-beside").click
      expect(page).to have_css("#beside-#{way.id}")
      settled
    end
    expect(all(".pane-name b").map(&:text)).to eq ["First", "Winter hours", "Daytime"]
    across = -> { all(".stage-drawing").map { |each| each.evaluate_script("this.getBoundingClientRect().width").round } }
    expect(across.call.uniq.size).to eq 1
    roll(-400, on_stage(0.5, 0.5))
    eventually { expect(across.call.uniq).to contain_exactly(be > 300) }
    dress(poster, "rosehip_band", with: "Peat")
    eventually { expect([fill_of("#stage", "rosehip_band"), *[winter, daytime].map { |way| fill_of(".pane:has(#beside-#{way.id})", "rosehip_band") }]).to eq %w[#121720 #121720 #2F8FA3] }
    within(".pane", text: "Daytime") { click_link "Dress it" }
    eventually { expect(fill_of("#stage", "rosehip_band")).to eq "#2F8FA3" }
    expect(all(".pane-name b").map(&:text)).to eq ["Daytime", "Winter hours", "First"]
    within(".pane", text: "Winter hours") { click_link "Close" }
    expect(page).to have_no_css("#beside-#{winter.id}")
  end

  describe "another palette" do
    before do
      palette = Palette.create!(name: "Winter sky")
      Use.create!(project: demo, palette:, position: 2)
      frost = Group.create!(palette:, name: "Frost", position: 1)
      {"Zenith indigo" => "#0F2B3A", "Rosehip" => "#2F8FA3"}.each.with_index(1) { |(name, hex), position| Swatch.create!(group: frost, name:, colour: Magpie::Notation.parse(hex), hex:, shared: true, position:) }
    end

    let(:bands) { %w[night_sky rosehip_band moor] }

    it "is tried on the stage, adjusted, and comes to a colourway and others in one step" do
      winter = add("Winter hours")
      click_link "Swap the palette…"
      eventually { expect(bands.map { |key| fill_of("#stage", key) }).to eq %w[#0F2B3A #2F8FA3 #121720] }
      select "Rosehip", from: "Instead of Peat"
      eventually { expect(fill_of("#stage", "moor")).to eq "#2F8FA3" }
      select "stays", from: "Instead of Rosehip"
      eventually { expect(fill_of("#stage", "rosehip_band")).to eq "#A35166" }
      check "Badge"
      expect(page).to have_css(".compare figure", text: "Badge")
      click_button "Swap 2 colours"
      expect(page).to have_content("Swapped in 4 places")
      expect_done "Swapped 2 colours in 4 places of 2 artworks"
      eventually { expect(bands.map { |key| fill_of("#stage", key) }).to eq %w[#0F2B3A #A35166 #2F8FA3] }
      expect(seen_in("#way-#{poster.id} img", 0.5, 0.05)).to eq "#231F55"
      expect(winter.places.where(artwork_id: winter.id).count).to eq 2
      click_button "Undo"
      eventually { expect(bands.map { |key| fill_of("#stage", key) }).to eq %w[#231F55 #A35166 #121720] }
    end

    it "leaves nothing behind where it is not wanted" do
      click_link "Swap the palette…"
      eventually { expect(fill_of("#stage", "night_sky")).to eq "#0F2B3A" }
      choose "order"
      eventually { expect(fill_of("#stage", "night_sky")).to eq "#0F2B3A" }
      choose "nearest"
      click_link "Not now"
      eventually { expect(fill_of("#stage", "night_sky")).to eq "#231F55" }
      expect(RecordedChange.count).to eq 0
    end
  end
end
