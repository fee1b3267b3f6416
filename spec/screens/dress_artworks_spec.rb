require "support/dress_screens"

RSpec.describe "Dress, artworks", :screen do
  include DressScreens

  def change(artwork = poster)
    find("#artwork-edit-#{artwork.id} summary").click unless find("#artwork-edit-#{artwork.id}")["open"]
  end

  def listed = all("section[aria-label=Artworks] b").map(&:text)

  before { open_dress }

  it "are renamed and ordered" do
    change
    within("#artwork-edit-#{poster.id}") { fill_in "Name", with: "Night poster" }
    click_button "Rename"
    expect_done "Renamed Poster to Night poster"
    expect(page).to have_css(".said", text: "Night poster, 20 parts")
    settled
    click_button "Down"
    eventually { expect(listed).to eq ["Badge", "Night poster"] }
    settled
    2.times { |n| click_button("Undo") && eventually { expect(listed.first).to eq((n == 0) ? "Night poster" : "Poster") } && settled }
  end

  it "say so where nothing in them can be dressed" do
    bare = Changes::BringInArtwork.perform(demo, actor: Actor.new, name: "Bare.svg", bytes: %(<svg xmlns="http://www.w3.org/2000/svg" width="60" height="40"><path id="a" d="M0 0h9v9z" fill="none"/></svg>))
    expect(page).to have_no_css(".stage-note")
    open_dress "tool=pick", artwork: bare
    expect(page).to have_css(".stage-note", text: "Nothing in Bare has a fill or a line, so there is no part to dress")
  end

  it "are duplicated and removed, and come back" do
    change
    click_button "Duplicate"
    expect(page).to have_css(".said", text: "Poster 2, 20 parts")
    eventually { expect(fill_of("#stage", "rosehip_band")).to eq "#A35166" }
    settled
    change Artwork.find_by!(name: "Poster 2")
    click_button "Remove"
    expect_done "Removed Poster 2"
    expect(listed).to eq %w[Poster Badge]
    click_button "Undo"
    eventually { expect(listed).to eq ["Poster", "Badge", "Poster 2"] }
    settled
    %w[Poster Badge].each do |name|
      visit "/projects/#{demo.id}/dress?artwork=#{Artwork.find_by!(name:).id}&tool=pick"
      settled
      change Artwork.find_by!(name:)
      click_button "Remove"
      expect_done "Removed #{name}"
      settled
    end
    change Artwork.find_by!(name: "Poster 2")
    click_button "Remove"
    expect(page).to have_css("h1", text: "Bring in an artwork")
  end

  it "are replaced by a newer file, keep their dress, and say what is not found again" do
    newer = File.join(DOWNLOADS, "poster newer.svg")
    File.write(newer, File.read(File.join(ROOT, "db/demo/poster.svg")).sub(/<path id="moor".*?>/, "").sub('width="236"', 'width="300"'))
    hold "Nebula teal"
    click_part "rosehip_band"
    expect_done "Dressed Rosehip band with Nebula teal"
    settled
    change
    attach_file newer, make_visible: true do
      find("#artwork-edit-#{poster.id} u").click
    end
    expect(page).to have_content("Replaced Poster: 19 parts kept what they were dressed with. Not found again, of what was dressed: Moor.")
    eventually { expect(fill_of("#stage", "rosehip_band")).to eq "#2F8FA3" }
    expect(page).to have_css(".said", text: "Poster, 19 parts")
    click_button "Undo"
    eventually { expect(page).to have_css(".said", text: "Poster, 20 parts") }
  end
end
