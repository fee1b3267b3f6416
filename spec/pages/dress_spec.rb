require "support/pages"
require "support/strays"

RSpec.describe "Dress, as pages" do
  def poster = Artwork.firsts.find_by!(name: "Poster")

  def open_artwork(artwork = poster) = visit("/projects/#{demo.id}/dress?artwork=#{artwork.id}&tool=pick")

  # What a person has picked on the stage goes with each request.
  def pick(*keys, artwork: poster)
    page.driver.header "X-Picked", "#{artwork.id}:#{numbers(artwork, *keys).join(",")}"
    open_artwork artwork
  end

  def done = find("#undo", visible: :all)["title"]

  def press(label) = find("button", text: label, visible: :all, match: :first).click

  def line_of(artwork, key) = Dressing.new(artwork).paints.fetch([key, "line"])

  describe "of outfits" do
    def keep(name, *keys)
      pick(*keys)
      find("[name=outfit_name]", visible: :all).set(name)
      find("#outfit-keep", visible: :all).click
    end

    before { keep "Brass ring", "planet_ring" }

    it "reach all that wears one, in other artworks too, when it becomes what is picked" do
      expect(done).to eq "Undo: Kept the outfit Brass ring in Quillmere house"
      badge = Artwork.find_by!(name: "Badge")
      Changes::WearOutfit.perform(demo, actor:, artwork: badge, numbers: numbers(badge, "rim_line"), outfit: Outfit.sole)
      teal = Hand::Content.of_swatch(swatch("Nebula teal"))
      Changes::DressParts.perform(demo, actor:, artwork: poster, numbers: numbers(poster, "planet_ring"), role: "line", content: teal)
      pick "planet_ring"
      expect(page).to have_css("#picked .picked-wears", text: "wears Brass ring", count: 1)
      press "Change it to this"
      expect(done).to eq "Undo: Changed the outfit Brass ring, which 2 parts wear"
      expect(page).to have_content("Changed Brass ring, and 2 parts that wear it")
      expect(line_of(badge, "rim_line").reference).to eq swatch("Nebula teal").id
    end

    it "are taken off by what wears them, which stays as it is" do
      expect(page).to have_css(".in-row", text: "Brass ring1 part")
      was = line_of(poster, "planet_ring")
      press "Take off"
      expect(done).to eq "Undo: Took the outfit off Planet ring"
      expect(page).to have_no_css(".in-row", text: "Brass ring")
      expect(line_of(poster, "planet_ring")).to eq was
    end

    it "are refused under a name that is there, and nothing is lost" do
      keep "brass ring", "moor"
      expect(find(".notice-wrong")).to have_content("Quillmere house already has an outfit called brass ring")
      expect(Outfit.count).to eq 1
    end

    it "stand in their palette: renamed, moved, removed, and what wears them stays" do
      keep "Night moor", "moor"
      named = -> { all(".outfit-card b").map(&:text) }
      edit = ->(name, &act) { within(find(".outfit-card", text: name), &act) }
      open_place "palettes"
      expect(named.call).to eq ["Brass ring", "Night moor"]
      edit.call("Night moor") { press "Move up" }
      expect(named.call).to eq ["Night moor", "Brass ring"]
      edit.call("Brass ring") do
        find_field("Name", visible: :all).set("Brass halo")
        press "Save"
      end
      expect(named.call).to eq ["Night moor", "Brass halo"]
      edit.call("Night moor") { press "Remove this outfit" }
      expect(named.call).to eq ["Brass halo"]
      expect(page).to have_content("What wore it stays as it is")
      expect(place(poster, "moor").swatch.name).to eq "Peat"
    end
  end

  it "give parts that come without a fill what the project has for them" do
    bare = %(<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 9 9"><path id="bare" d="M0 0h9v9H0z"/></svg>)
    choice = "Parts that come in without a fill get"
    open_artwork
    select "Nebula teal", from: choice
    sends find_field(choice)
    expect(page).to have_content("Parts that come in without a fill follow Nebula teal from now on")
    bring file("icon.svg", bare), field: ".others > .bring-in input[type=file]"
    expect(page).to have_css(".said", text: "Icon, 1 part")
    expect(place(Artwork.find_by!(name: "Icon"), "bare").swatch.name).to eq "Nebula teal"
    select "black, as files have it", from: choice
    sends find_field(choice)
    expect(page).to have_content("are black, as their files have it")
  end

  it "make what is picked lighter by itself: the swatch that it followed is left" do
    pick "ember_band"
    press "Lighter"
    expect(page).to have_content("Ember sky is followed no longer by what is picked: it has colours of its own")
    lighter = Magpie::Making::Nudge.apply(hex("#E46F58"), :lighter).hex
    expect(place(poster, "ember_band")).to have_attributes(hex: lighter, swatch: nil)
    expect(swatch("Ember sky").hex).to eq "#E46F58"
  end

  it "have colourways that go out each on its own" do
    winter = Changes::AddColourway.perform(demo, actor:, artwork: poster, name: "Winter hours")
    teal = Hand::Content.of_swatch(swatch("Nebula teal"))
    Changes::DressParts.perform(demo, actor:, artwork: winter, numbers: numbers(winter, "rosehip_band"), role: "fill", content: teal)
    visit "/projects/#{demo.id}/deliver?what=artwork"
    within(".deliver-item", text: "Poster, Winter hours") { click_link "Download flat" }
    expect(downloaded).to include("<svg", "#2F8FA3")
    expect(page.response_headers["Content-Disposition"]).to include "poster-winter-hours-flat.svg"
  end

  describe "of strays" do
    include Strays

    before { stray }

    it "make shared swatches of all, or of those that are picked" do
      pick "moor"
      find_field("Group", visible: :all).set("New greens")
      press "Of what is picked"
      expect(page).to have_content("Made 1 shared swatch in New greens")
      expect(page).to have_css(".rack h2", text: "New greens")
      expect(linked_to("moor")).to eq Group.find_by!(name: "New greens").swatches.first.name
      press "Make 2 swatches"
      expect(page).to have_content("Made 2 shared swatches in Colours of Poster")
      expect(page).to have_no_css(".stray")
      click_button "Undo"
      expect(page).to have_css(".stray", count: 2)
    end

    it "list the colours of all artworks" do
      lamp = -> { find(".in-artwork li", text: "Lamp") }
      open_artwork
      expect(lamp.call).to have_content("8 fills")
      all = find("#colours-of label", text: "All 2").find("input", visible: :all)
      all.choose
      sends all
      expect(page).to have_content("Colours in the project")
      expect(lamp.call).to have_content("12 fills")
    end
  end
end
