require "support/dress_screens"

RSpec.describe "Dress, artworks", :screen do
  include DressScreens

  def change(artwork = poster)
    find("#artwork-edit-#{artwork.id} summary").click unless find("#artwork-edit-#{artwork.id}")["open"]
  end

  def listed = all("section[aria-label=Artworks] b").map(&:text)

  before { open_dress }

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
