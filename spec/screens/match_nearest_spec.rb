require "support/files_of_a_person"

RSpec.describe "Match, nearest", :screen, demo: :libraries do
  include FilesOfAPerson

  def swatch(name) = Swatch.find_by!(name:)

  def hold(name)
    open_place "palettes"
    find(".chip[title^='#{name}']").click
    expect(page).to have_css(".hand-name", text: name)
    settled
    open_place "match"
    expect(page).to have_css(".match-title", text: "Nearest to #{name}")
  end

  def sought(text) = find(".match-search input").send_keys([:control, "a"], text, :enter)

  def named = all(".touching-words > b").map(&:text)

  it "says what to do where nothing is in hand, then shows the five nearest touching it" do
    open_place "match"
    expect(page).to have_css("h1", text: "Nothing is in hand")
    find(".match-inks button[title='Ember sky']").click
    expect(page).to have_css(".match-title", text: "Nearest to Ember sky")
    eventually { expect(named).to eq ["Hearth clay", "Lobster", "Brazier", "Ember 2", "Rose hip"] }
    expect(all(".touching-number").map(&:text)).to eq ["ΔE 1.3", "ΔE 2.0", "ΔE 2.3", "ΔE 2.6", "ΔE 2.7"]
    expect(find(".touching a", match: :first).text.lines.map(&:chomp)).to eq ["Hearth clay", "TF 088 Tarn & Fell masonry paints", "ΔE 1.3", "close", "prints as it looks"]
    above, below = all(".touching a:first-child i").map { |chip| chip.evaluate_script("this.getBoundingClientRect().toJSON()") }
    expect(above["bottom"]).to be_within(0.5).of(below["top"])
    expect(page).to have_css(".match-chips:not(.match-around) a", count: 20)
    expect(page).to have_css(".match-around a", count: 15)
    expect(page).to have_css(".match-around a[aria-current]", text: "Hearth clay", visible: :all)
  end

  it "notes a match, by keys, which leaves the colour and gives the code; and takes it away" do
    hold "Ember sky"
    find("#near-e#{Entry.find_by!(code: "LE 59").id}").send_keys(:enter)
    expect(page).to have_css(".hand h2", text: "Brazier, LE 59")
    click_button "Note it as the match"
    expect(page).to have_content("LE 59 Brazier is noted as the match of Ember sky")
    expect(swatch("Ember sky").slice(:hex, :code)).to eq("hex" => "#E46F58", "code" => "LE 59")
    expect(page).to have_content("keeps its colour and carries the code LE 59")
    click_button "Take the note away"
    eventually { expect(swatch("Ember sky").code).to be_nil }
    click_button "Undo"
    eventually { expect(swatch("Ember sky").code).to eq "LE 59" }
  end

  it "walks along the five with arrow keys" do
    hold "Ember sky"
    find(".touching a", match: :first).send_keys(:right, :right, :enter)
    expect(page).to have_css(".touching a[aria-current]", text: "Brazier")
    expect(page).to have_content("Around Brazier, in the order of the chart")
    expect(page).to have_content("Lantern enamel colours, page Tray 3, at B3")
    find(".match-tick", text: "Tarn & Fell").click
    eventually { expect(named.first).to eq "Brazier" }
    sought "tf 88"
    expect(page).to have_css(".match-title", text: "Called like “tf 88”")
  end

  it "changes the swatch to an entry, shown in every artwork first" do
    hold "Ember sky"
    find("#near-e#{Entry.find_by!(code: "LE 59").id}").click
    click_link "Change Ember sky to it…"
    expect(page).to have_css(".match-preview .drawing-root", count: 2)
    eventually { expect(fill_of(".match-preview", "ember_band")).to eq Entry.find_by!(code: "LE 59").hex }
    expect(swatch("Ember sky").hex).to eq "#E46F58"
    find("button", text: /\AChange it in \d+ places\z/).click
    expect(page).to have_content("Ember sky is Brazier, LE 59 now, in ")
    expect(swatch("Ember sky").slice(:hex, :code)).to eq("hex" => Entry.find_by!(code: "LE 59").hex, "code" => "LE 59")
    click_button "Undo"
    eventually { expect(swatch("Ember sky").slice(:hex, :code)).to eq("hex" => "#E46F58", "code" => nil) }
  end
end
