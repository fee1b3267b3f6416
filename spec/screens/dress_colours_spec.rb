require "support/dress_screens"
require "support/strays"

RSpec.describe "Dress, the colours in it", :screen do
  include Strays

  before do
    stray
    open_dress
  end

  def row(text) = find(".in-artwork li", text:)

  it "lists swatches and strays with how each is held, shows where, and picks" do
    expect(row("Lamp")).to have_content("8 fills")
    expect(row("Orrery brass")).to have_content("2 lines")
    expect(row("#A84F63")).to have_content("near Rosehip ΔE").and have_content("1 fill")
    row("Orrery brass").hover
    expect(page).to have_css("#where > *", count: 4, visible: :all)
    find(".tools").hover
    expect(page).to have_no_css("#where > *", visible: :all)
    row("Orrery brass").find("a").click
    picks "planet_disc", "planet_ring"
    expect(page).to have_css(".in-row[aria-current]", text: "Orrery brass").and have_content("2 parts picked")
  end

  it "links one stray, and shows before what it would become" do
    row("#A84F63").find("button", text: "Link").hover
    eventually { expect(fill_of("#stage", "rosehip_band")).to eq "#A35166" }
    find(".tools").hover
    expect(fill_of("#stage", "rosehip_band")).to eq "#A84F63"
    row("#A84F63").find("button", text: "Link").click
    expect(page).to have_content("Linked 1 place. It follows its swatch from now on")
    expect(page).to have_no_css(".stray", text: "#A84F63")
    expect([linked_to("rosehip_band"), fill_of("#stage", "rosehip_band")]).to eq ["Rosehip", "#A35166"]
    click_button "Undo"
    expect(page).to have_css(".stray", text: "#A84F63")
    expect(fill_of("#stage", "rosehip_band")).to eq "#A84F63"
  end

  it "links all within a limit, with a count while it moves" do
    expect(page).to have_button("Link 2 strays")
    find("#within").execute_script("this.value = 1; this.dispatchEvent(new Event('input', { bubbles: true }))")
    expect(page).to have_button("Link 1 stray").and have_css("output", text: "ΔE 1.0")
    expect(fill_of("#stage", "rosehip_band")).to eq "#A84F63"
    find("#within").execute_script("this.value = 4; this.dispatchEvent(new Event('input', { bubbles: true }))")
    expect(page).to have_button("Link 2 strays").and have_css("output", text: "ΔE 4.0")
    expect([fill_of("#stage", "rosehip_band"), fill_of("#stage", "dome_wall"), fill_of("#stage", "moor")]).to eq %w[#A35166 #6E7384 #00FF88]
    click_button "Link 2 strays"
    expect(page).to have_content("Linked 2 places. They follow their swatches from now on")
    expect([linked_to("rosehip_band"), linked_to("dome_wall"), linked_to("moor")]).to eq ["Rosehip", "Slate dome", nil]
  end

  it "swaps a colour for what is in hand: here, in the project, in all of the house" do
    row("Lamp").find("a").click
    expect(page).to have_content("Take the swatch in hand that it is to be swapped for")
    hold "Nebula teal"
    expect(page).to have_content("Swap Lamp for Nebula teal, in hand")
    find("#swap-colour button", text: "This artwork").hover
    eventually { expect(fill_of("#stage", "dome_slit")).to eq "#2F8FA3" }
    find(".job").hover
    eventually { expect(fill_of("#stage", "dome_slit")).to eq "#FFCE5C" }
    within("#swap-colour") { click_button "This artwork" }
    expect(page).to have_content("Swapped in 8 places")
    expect([linked_to("dome_slit"), fill_of("#stage", "dome_slit")]).to eq ["Nebula teal", "#2F8FA3"]
    click_button "Undo"
    expect(page).to have_css(".in-artwork", text: "Lamp")
    row("Lamp").find("a").click
    expect(page).to have_css("#swap-colour")
    within("#swap-colour") { click_button "Project" }
    expect(page).to have_content("Swapped in 12 places")
    expect(Reach.of(actor, [Swatch.find_by!(name: "Lamp").id])).to eq({})
  end

  it "shows the parts that the swatch in hand reaches, here and in another artwork" do
    hold "Lamp"
    within(".hand-end") { expect(page).to have_content("12 places in 2 artworks").and have_content("Poster 8, Badge 4") }
    click_link "Show parts"
    expect(page).to have_content("8 parts picked")
    within(".hand-end") { click_link "Badge" }
    expect(page).to have_css(".tools", text: "Badge, 13 parts. 4 parts picked")
    picks "badge_slit", *(2..4).map { |star| "enamel/g#{star}/svg1/path1" }, artwork: Artwork.find_by!(name: "Badge")
  end
end
