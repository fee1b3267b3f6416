require "support/pages"

RSpec.describe "Boards, as pages" do
  # The fill of the large drawing's ground, as the page has it.
  def ground = find(".board-drawing rect", match: :first)["fill"]

  # A piece with four corners, as its outline on the picture is sent.
  before do
    hold "Ember sky"
    visit "/projects/#{demo.id}/match/board?do=new"
    find("#cut-corners", visible: :all).set("0.2,0.2 0.7,0.25 0.65,0.8 0.2,0.7")
    fill_in "Name of the board", with: "Ticket hall"
    find("button", text: "Cut it").native.remove_attribute("disabled")
    click_button "Cut it"
  end

  it "try the piece's own colours, and keep one as the ground" do
    own = find(".board-own button", match: :first)["title"]
    find(".board-own button", match: :first).click
    expect(page).to have_content("Tried, not kept")
    expect([ground, ShownBoard.new(Board.last).variants.first.ground.hex]).to eq [own, "#E46F58"]
    click_button "Make it the ground"
    expect(page).to have_content("Ground 1 of 1")
    expect([ground, ShownBoard.new(Board.last).variants.first.ground.hex]).to eq [own, own]
    click_button "Undo"
    expect(ground).to eq "#E46F58"
  end

  it "go out as picture and sheet" do
    click_link "As a picture"
    picture = Vips::Image.new_from_buffer(downloaded, "")
    expect([picture.width, picture.getpoint(4, 4).first(3)]).to eq [1680, [228, 111, 88]]
    open_place "match/board"
    click_link "All as a sheet"
    expect(downloaded.force_encoding("UTF-8")).to include("Ticket hall", "data:image/png;base64,", "#E46F58")
  end
end
