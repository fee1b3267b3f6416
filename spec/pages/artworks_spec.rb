require "support/pages"

RSpec.describe "Artworks, as pages" do
  def poster = Artwork.firsts.find_by!(name: "Poster")

  def open_artwork(artwork = poster) = visit("/projects/#{demo.id}/dress?artwork=#{artwork.id}&tool=pick")

  def listed = all("section[aria-label=Artworks] b").map(&:text)

  # In the menu of an artwork or colourway.
  def change(artwork = poster, &) = within("#{(artwork.first_id || page.has_css?("#way-edit-#{artwork.id}")) ? "#way-edit" : "#artwork-edit"}-#{artwork.id}", visible: :all, &)

  def press(label) = find("button", text: label, visible: :all, match: :first).click

  def done = find("#undo", visible: :all)["title"]

  before { open_artwork }

  it "are renamed and ordered" do
    change do
      find_field("Name", visible: :all).set("Night poster")
      press "Rename"
    end
    expect([done, find(".said").text]).to match ["Undo: Renamed Poster to Night poster", /Night poster, 20 parts/]
    change(Artwork.find_by!(name: "Night poster")) { press "Down" }
    expect(listed).to eq ["Badge", "Night poster"]
    2.times { click_button "Undo" }
    expect(listed).to eq %w[Poster Badge]
  end

  it "say so where nothing in them can be dressed" do
    bare = %(<svg xmlns="http://www.w3.org/2000/svg" width="60" height="40"><path id="a" d="M0 0h9v9z" fill="none"/></svg>)
    expect(page).to have_no_css(".stage-note")
    open_artwork Changes::BringInArtwork.perform(demo, actor:, name: "Bare.svg", bytes: bare)
    expect(page).to have_css(".stage-note", text: "Nothing in Bare has a fill or a line, so there is no part to dress")
  end

  it "are duplicated and removed, and come back; without one it is said what to do" do
    change { press "Duplicate" }
    expect(page).to have_css(".said", text: "Poster 2, 20 parts")
    change(Artwork.find_by!(name: "Poster 2")) { press "Remove" }
    expect([done, listed]).to eq ["Undo: Removed Poster 2", %w[Poster Badge]]
    click_button "Undo"
    expect(listed).to eq ["Poster", "Badge", "Poster 2"]
    ["Poster", "Badge", "Poster 2"].each do |name|
      artwork = Artwork.find_by!(name:)
      open_artwork artwork
      change(artwork) { press "Remove" }
    end
    expect(page).to have_css("h1", text: "Bring in an artwork")
  end

  it "are replaced by a newer file, keep their dress, and say what is not found again" do
    Changes::DressParts.perform(demo, actor:, artwork: poster, numbers: numbers(poster, "rosehip_band"), role: "fill", content: Hand::Content.of_swatch(swatch("Nebula teal")))
    newer = DataSupport::POSTER.sub(/<path id="moor".*?>/, "").sub('width="236"', 'width="300"')
    bring file("poster newer.svg", newer), field: "#artwork-edit-#{poster.id} form[action$='replace'] input[type=file]"
    expect(page).to have_content("Replaced Poster: 19 parts kept what they were dressed with. Not found again, of what was dressed: Moor.")
    expect(place(poster, "rosehip_band").swatch).to eq swatch("Nebula teal")
    expect(page).to have_css(".said", text: "Poster, 19 parts")
    click_button "Undo"
    expect(page).to have_css(".said", text: "Poster, 20 parts")
  end

  it "have colourways that are renamed, ordered, made the first and removed, each undone" do
    winter, daytime = ["Winter hours", "Daytime"].map { |name| Changes::AddColourway.perform(demo, actor:, artwork: poster, name:) }
    ways = -> { all("section[aria-label=Colourways] .other b").map(&:text) }
    open_artwork daytime
    change(daytime) do
      find_field("Name", visible: :all).set("Day")
      press "Keep name and note"
    end
    expect(done).to eq "Undo: Renamed the colourway Daytime to Day"
    change(daytime) { press "Up" }
    expect(ways.call).to eq ["First", "Day", "Winter hours"]
    change(daytime) { press "Make it the first" }
    expect([done, ways.call]).to eq ["Undo: Made Day the first colourway of Poster", ["Day", "First", "Winter hours"]]
    click_button "Undo"
    open_artwork winter
    change(winter) { press "Remove" }
    expect([done, ways.call]).to eq ["Undo: Removed the colourway Poster, Winter hours", ["First", "Day"]]
  end
end
