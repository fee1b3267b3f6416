require "support/files_of_a_person"

RSpec.describe "Boards", :screen do
  include FilesOfAPerson

  def hold(name)
    open_place "palettes"
    find(".chip[title^='#{name}']").click
    expect(page).to have_css(".hand-name", text: name)
    settled
  end

  # The fill of the large drawing's ground, as the page has it.
  def ground = find(".board-drawing rect", match: :first)["fill"]

  def cut_at(x, y) = box_of("#cut").then { |box| {x: box["x"] + x * box["width"], y: box["y"] + y * box["height"]} }

  def begin_board
    visit "/projects/#{demo.id}/match/board?do=new"
    expect(page).to have_css("#cut img") { |image| image.evaluate_script("this.complete && this.naturalWidth > 0") }
    [[0.2, 0.2], [0.7, 0.25], [0.65, 0.8], [0.2, 0.7]].each { |x, y| mouse.click(**cut_at(x, y)) }
    check "Straightened: four corners become a rectangle"
    fill_in "Name of the board", with: "Ticket hall"
    click_button "Cut it"
    expect(page).to have_css(".board-drawing")
  end

  it "are made from a photograph: a piece with its corners, on what is in hand, with trims" do
    open_place "match/board"
    expect(page).to have_css("h1", text: "Cut a piece for a new board")
    hold "Ember sky"
    begin_board
    expect([ground, find(".match-library b").text, find(".match-library .soft").text]).to eq ["#E46F58", "Ticket hall", "1 ground, 0 trims"]
    expect(page).to have_css(".board-own button", minimum: 3)
    hold "Lamp"
    open_place "match/board"
    click_button "Add trim"
    expect(page).to have_css(".board-drawing text", text: "Lamp")
    find("summary", text: "Say what they are").click
    fill_in "uses[]", with: "piping"
    click_button "Keep", match: :first
    expect(page).to have_css(".board-drawing text", text: "Lamp piping")
    click_button "Take Lamp off"
    expect(page).to have_no_css(".board-drawing text", text: "Lamp")
  end

  it "are cut freely, and by keys" do
    hold "Ember sky"
    visit "/projects/#{demo.id}/match/board?do=new"
    expect(page).to have_css("#cut img") { |image| image.evaluate_script("this.complete && this.naturalWidth > 0") }
    mouse.move(**cut_at(0.3, 0.3))
    mouse.down
    [[0.6, 0.3], [0.6, 0.6], [0.3, 0.6], [0.3, 0.32]].each { |x, y| mouse.move(**cut_at(x, y), steps: 8) }
    mouse.up
    expect(find("#cut-corners", visible: :all).value.split.size).to be > 12
    expect(page).to have_field("Straightened: four corners become a rectangle", disabled: true)
    click_button "Begin again"
    expect(page).to have_button("Cut it", disabled: true)
    find("#cut").send_keys(:enter, [:shift, :right], :enter, [:shift, :down], :enter)
    expect(find("#cut-corners", visible: :all).value).to eq "0.50000,0.50000 0.55000,0.50000 0.55000,0.55000"
    keys :backspace
    expect(page).to have_button("Cut it", disabled: true)
    keys :enter
    click_button "Cut it"
    expect(page).to have_css(".board-drawing image")
  end

  # The bench, with the grounds Apricot and Peat.
  def open_bench
    visit "/projects/#{demo.id}/match/board?board=#{Board.find_by!(name: "Star trail bench").id}"
    expect(page).to have_css(".board-variants figure", count: 2)
  end

  it "have variants that are shown full-screen, flipped by keys and compared; a changed swatch changes them", demo: :whole do
    hold "Moonwash"
    open_bench
    click_button "Add what is in hand"
    expect(page).to have_css(".board-variants figure", count: 3)
    expect(all(".board-variants figcaption b").map(&:text)).to eq %w[Apricot Peat Moonwash]
    expect(page).to have_content("Ground 3 of 3")
    click_button "Darker"
    click_button "Darker"
    expect(page).to have_css(".board-variants .soft", text: "darker by 2")
    click_button "Note it"
    expect(page).to have_css(".ground-near", text: "Noted:")
    expect(page).to have_css(".board-drawing text", text: /\AΔE .* to the ground/)
    find("summary", text: "About this ground").click
    fill_in "Name of the ground", with: "Moon wall"
    click_button "Rename it"
    expect(page).to have_css(".board-variants b", text: "Moon wall")
    click_button "Undo"
    expect(page).to have_css(".board-variants b", text: "Moonwash")
    click_link "Show"
    expect(page).to have_css("#show-name", text: "Moonwash")
    seen = -> { all("#show-board section").map { |section| section.find("title", visible: :all).text(:all).split(", ").last } }
    keys :right
    expect(page).to have_css("#show-name", text: "Apricot")
    expect(seen.call).to eq ["Apricot"]
    keys :left, :left
    expect(page).to have_css("#show-name", text: "Peat")
    keys "c"
    expect(page).to have_css("#show-name", text: "Peat · Moonwash")
    expect(seen.call).to eq ["Peat", "Moonwash"]
    keys :escape
    expect(page).to have_css(".board-variants figure", count: 3)
    Changes::ChangeSwatch.perform(demo, actor:, swatch: Swatch.find_by!(name: "Apricot"), colour: hex("#884422"), definition: nil, before: "#F3BA70")
    find("#variant-#{Variant.find_by!(name: "Apricot").id}").click
    eventually { expect(ground).to eq "#884422" }
    click_button "Undo"
    eventually { expect(ground).to eq "#F3BA70" }
  end

  it "go out as a page for a client", demo: :whole do
    open_bench
    find("summary", text: "About this board").click
    click_button "Make a show page for a client"
    address = find(".board-address", visible: :all)[:href]
    visit address
    expect(page).to have_css("#show-name", text: "Apricot")
    expect(page).to have_css("image", visible: :all)
    expect(page).to have_no_link("Leave")
    expect(page.html).not_to include("/projects/")
    Changes::ShowBoard.perform(demo, actor:, board: Board.find_by!(name: "Star trail bench"), on: false)
    visit address
    expect(page).to have_content("This is not here")
  end
end
