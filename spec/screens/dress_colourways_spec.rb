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

  def listed = all(".colourway .other b").map(&:text)

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
    eventually { expect(across.call.uniq).to contain_exactly(be > 400) }
    dress(poster, "rosehip_band", with: "Peat")
    eventually { expect([fill_of("#stage", "rosehip_band"), *[winter, daytime].map { |way| fill_of(".pane:has(#beside-#{way.id})", "rosehip_band") }]).to eq %w[#121720 #121720 #2F8FA3] }
    within(".pane", text: "Daytime") { click_link "Dress it" }
    eventually { expect(fill_of("#stage", "rosehip_band")).to eq "#2F8FA3" }
    expect(all(".pane-name b").map(&:text)).to eq ["Daytime", "Winter hours", "First"]
    within(".pane", text: "Winter hours") { click_link "Close" }
    expect(page).to have_no_css("#beside-#{winter.id}")
  end

  it "are renamed, ordered, made the first and removed, each undone" do
    winter, daytime = add("Winter hours"), dress(add("Daytime"), "rosehip_band", with: "Nebula teal")
    find("#way-edit-#{daytime.id} summary").click
    within("#way-edit-#{daytime.id}") { fill_in "Name", with: "Day" }
    click_button "Keep name and note"
    expect_done "Renamed the colourway Daytime to Day"
    click_button "Up"
    eventually { expect(listed).to eq ["First", "Day", "Winter hours"] }
    click_button "Make it the first"
    expect_done "Made Day the first colourway of Poster"
    eventually { expect(listed).to eq ["Day", "First", "Winter hours"] }
    expect(seen_in("#way-#{winter.id} img", 0.1, 0.58)).to eq "#A35166"
    click_button "Undo"
    eventually { expect(listed).to eq ["First", "Day", "Winter hours"] }
    settled
    click_button "Remove"
    expect_done "Removed the colourway Poster, Day"
    expect(listed).to eq ["First", "Winter hours"]
  end

  it "go out each on its own" do
    dress(add("Winter hours"), "rosehip_band", with: "Nebula teal")
    open_place "deliver"
    within(".deliver-item", text: "Poster, Winter hours") { click_link "Download flat" }
    file = File.join(DOWNLOADS, "poster-winter-hours-flat.svg")
    eventually { expect(File.exist?(file) && File.read(file)).to include "#2F8FA3" }
  end
end
