require "support/files_of_a_person"
require "support/metamers"

RSpec.describe "Match, on press and in the room", :screen, demo: :libraries do
  include FilesOfAPerson
  include Metamers

  def hold(text)
    open_place "palettes"
    find(".chip[title^='#{text}']").click
    expect(page).to have_css(".hand-name", text:)
    settled
    open_place "match"
    expect(page).to have_css(".match-title", text: "Nearest to #{text}")
  end

  def inks = all(".press-inks td").first(4).map(&:text)

  it "tells inks, all ink with its limit, and whether it is inside, on either press" do
    hold "Zenith indigo"
    expect(page).to have_css(".press-verdict", text: "Inside the press's gamut")
    expect(inks).to eq %w[93 89 0 52]
    expect(page).to have_css(".press-inks", text: /All ink\s+233 % of 330/)
    select "Uncoated paper, four inks", from: "Press of this project"
    expect(page).to have_css(".press-verdict", text: /Outside the press's gamut by ΔE 6\.\d/)
    expect(page).to have_content("It prints duller.")
    printed = find(".press-pair span:last-child").evaluate_script("getComputedStyle(this).backgroundColor")
    expect(Magpie::Difference.de2000(Magpie::Notation.parse(hex_of(printed)), Magpie::Notation.parse("#231F55"))).to be > 4
    check "On the paper's own white"
    eventually { expect(find(".press-pair span:last-child").evaluate_script("getComputedStyle(this).backgroundColor")).not_to eq printed }
    click_button "Take the nearest that prints"
    expect(page).to have_css(".press-verdict", text: "Prints as typed")
    expect(page).to have_css(".hand-hex", text: /#/)
  end

  it "shows a whole palette, and its artworks, on two presses side by side" do
    open_place "match/palette"
    click_link "On press"
    expect(page).to have_css(".proofs tbody tr", count: 21)
    row = find(".proofs tr", text: "Zenith indigo")
    expect(row.all(".proof-words").map(&:text)).to match [/\A93 89 0 52\s+ΔE 1\.\d/, /outside, ΔE 6/]
    one, two = (1..2).map { |number| ".matched-pair .drawn:nth-child(#{number})" }
    Magpie::Press.shipped.zip([one, two]) do |press, shown|
      printed = press.proof(Magpie::Notation.parse("#231F55")).seen
      eventually { expect(Magpie::Difference.de2000(Magpie::Notation.parse(seen_in(shown, 0.96, 0.02)), printed)).to be < 1.5 }
    end
    select "Coated paper, four inks", from: "two"
    expect(page).to have_css(".proofs thead th", text: "Coated paper, four inks", count: 2)
  end
end
