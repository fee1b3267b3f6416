require "support/files_of_a_person"
require "support/metamers"

RSpec.describe "Match, on press and in the room", :screen do
  include FilesOfAPerson
  include Metamers

  before { Demo.libraries(demo) }

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

  it "keeps pure black on the black ink, and says so" do
    hold "Black"
    expect(inks).to eq %w[0 0 0 100]
    expect(page).to have_content("It is kept on the black ink alone, so that type stays sharp.")
  end

  it "sets a press up, makes it the house's, brings a profile in and refuses what is none" do
    hold "Screen grey"
    expect(inks.last).not_to eq "0"
    click_link "Presses of the house…"
    find(".press-set summary", text: "Coated paper").click
    check "Greys on black ink alone"
    click_button "Set up"
    expect(page).to have_content("Set up Coated paper, four inks")
    click_link "Done"
    expect(page).to have_content("A grey: it is kept on the black ink alone, as chosen.")
    expect(inks.first(3)).to eq %w[0 0 0]
    click_button "Undo"
    expect(page).to have_no_content("A grey: it is kept")
    click_link "Presses of the house…"
    bring file("moor.icc", Magpie::Press.shipped[1].profile.sub("Uncoated", "Moorland"))
    expect(page).to have_content("Brought in the press Moorland paper, four inks")
    find(".press-set summary", text: "Moorland").click
    within(".press-set[open]") { click_button "Make it the house's" }
    expect(page).to have_content("Moorland paper, four inks is the press of the house now")
    expect(Condition.usual.name).to eq "Moorland paper, four inks"
    bring file("moor.jpg", flat_picture(9, 9, [90, 90, 20]).jpegsave_buffer)
    expect(find(".notice-wrong")).to have_content("moor.jpg: it is no ICC profile")
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

  it "shows the pair under other lights, as an estimate; from spectra where both have one, with a warning where they part" do
    hold "Ember sky"
    expect(all(".room figcaption").map { |each| each.text[/[a-z ]+/].strip }).to eq ["bright light", "warm lamp", "dusk"]
    expect(page).to have_content("An estimate")
    light = Magpie::Spectrum.checked(380, 10, (0..40).map { |step| 0.3 + step * 0.008 })
    parted = planted(light, 0.2)
    entry, other = Entry.where(code: %w[TF\ 088 TF\ 089]).order(:code).to_a
    entry.update!(spectrum: light, **Entry.measured(light.color))
    other.update!(spectrum: parted, **Entry.measured(parted.color))
    visit "/projects/#{demo.id}/match?entry=e#{entry.id}"
    click_button "Take in hand"
    visit "/projects/#{demo.id}/match?entry=e#{other.id}"
    expect(page).to have_css(".room figure", count: 4)
    expect(page).to have_content("From both spectra, by illuminants D50, A and F11.")
    expect(page).to have_css(".room-warning", text: /Light warning\. Under warm lamp and shop tubes they part: ΔE \d+\.\d, and 0\.0 in daylight/)
  end

  it "finds text that can be read, and moves lightness alone where it cannot" do
    open_place "match/palette"
    click_link "Text on grounds"
    expect(page).to have_content("pairs of Quillmere house reach 4.5 : 1")
    ratio = Magpie::Contrast.ratio(Magpie::Notation.parse("#A35166"), Magpie::Notation.parse("#5F3566"))
    find("a[title^='Rosehip on Plum hour']").click
    expect(page).to have_css(".readable-ratio", text: format("%.2f : 1", ratio))
    click_button "Change Rosehip to it"
    expect(page).to have_css(".readable-ratio", text: /4\.[5-9]/)
    was, is = [Magpie::Notation.parse("#A35166"), Swatch.find_by!(name: "Rosehip").colour].map { |colour| colour.in(:oklch) }
    expect(is[2]).to be_within(2).of(was[2])
    expect(is[0]).to be > was[0] + 0.1
  end
end
