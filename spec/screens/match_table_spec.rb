require "support/files_of_a_person"

RSpec.describe "Match, whole palettes", :screen do
  include FilesOfAPerson

  before { Demo.libraries(demo) }

  def swatch(name) = Swatch.find_by!(name:)

  def row(name) = find(".pairs tbody tr", text: /\A#{name}/)

  def ticked?(name) = row(name).find("[role=checkbox]")["aria-checked"] == "true"

  before { open_place "match/palette" }

  it "is one table: what is near is ticked, what is taken twice and what is far is said" do
    expect(page).to have_css(".pairs tbody tr", count: 21)
    expect(row("Ember sky").text.split("\n").join(" ")).to match(/Hearth clay TF 088.*1\.3/)
    expect([ticked?("Ember sky"), ticked?("Zenith indigo")]).to eq [true, false]
    expect(row("Coral")).to have_content("same as Ember sky's")
    expect(row("Rosehip")).to have_content("nothing within ΔE 5")
    sums = all(".match-side .press-inks tr").to_h { |each| [each.find("th").text, each.find("td").text.to_i] }
    expect(sums.values.drop(1).sum).to eq 21
    expect(page).to have_css(".hand h2", text: "#{sums["Within ΔE 2.5"]} of 21 rows ticked")
    expect(page).to have_css(".matched-pair", minimum: 2)
    eventually { expect(fill_of(".matched-pair > div:last-child", "ember_band")).to eq Entry.find_by!(code: "TF 088").hex }
  end

  it "is gone through by keys: rows, the next-best, ticks" do
    row("Ember sky").send_keys(:right)
    eventually { expect(row("Ember sky")).to have_content(/Lobster\s+TF 089\s+no\. 2/) }
    eventually { expect(page.evaluate_script("document.activeElement.querySelector('th')?.textContent")).to eq "Ember sky" }
    keys :right
    expect(page).to have_css("tr", text: "no. 3")
    keys :left, :left
    eventually { expect(row("Ember sky")).to have_content("Hearth clay") }
    expect(row("Ember sky")).to have_no_content("no.")
    keys :down, " "
    eventually { expect(ticked?("Coral")).to be false }
    keys " "
    eventually { expect(ticked?("Coral")).to be true }
  end

  it "accepts more or less by the slider, and the ticks follow" do
    slider = find(".within input")
    slider.send_keys(*[:right] * 5)
    expect(page).to have_css(".within output", text: "ΔE 5")
    expect(page).to have_css(".match-side th", text: "Within ΔE 5")
    eventually { expect(ticked?("Zenith indigo")).to be true }
  end

  it "notes all that are ticked, in one undo, and no colour changes" do
    colours = Swatch.order(:id).pluck(:id, :hex)
    row("Coral").find("[role=checkbox]").click
    eventually { expect(ticked?("Coral")).to be false }
    noted = find(".hand-middle h2").text.to_i
    click_button "Note #{noted} matches"
    expect(page).to have_content("Noted #{noted} matches. No colour changed")
    expect([Swatch.where.not(entry_id: nil).count, Swatch.order(:id).pluck(:id, :hex)]).to eq [noted, colours]
    expect(swatch("Coral").entry).to be_nil
    click_button "Undo"
    eventually { expect(Swatch.where.not(entry_id: nil).count).to eq 0 }
  end

  it "changes all that are ticked, and one undo brings them back" do
    colours = Swatch.order(:id).pluck(:id, :hex)
    row("Ember sky").send_keys(:right)
    eventually { expect(row("Ember sky")).to have_content("Lobster") }
    find("button", text: /Change \d+ swatches/).click
    expect(page).to have_content(/Changed \d+ swatches to their matches, in \d+ places/)
    expect(swatch("Ember sky").slice(:hex, :code)).to eq("hex" => Entry.find_by!(code: "TF 089").hex, "code" => "TF 089")
    click_button "Undo"
    eventually { expect(Swatch.order(:id).pluck(:id, :hex)).to eq colours }
  end

  it "makes a palette of them, and gives the table as CSV" do
    csv = find_link("Table as CSV")[:href]
    click_link "Table as CSV"
    table = CSV.parse(downloaded("Quillmere house, matched.csv").force_encoding("UTF-8"), headers: true)
    expect([table.size, table.find { |line| line["Name"] == "Ember sky" }.to_h]).to match [21, a_hash_including("Match" => "Hearth clay", "Code" => "TF 088", "Library" => "Tarn & Fell masonry paints", "In words" => "close", "Ticked" => "yes")]
    expect(csv).to include "of=p"
    find("button", text: /New palette of \d+/).click
    expect(page).to have_content("Quillmere house, matched is a palette of the project now")
    expect(Palette.find_by!(name: "Quillmere house, matched").swatches.where(kind: "spot").count).to be > 5
  end

  it "is of an artwork, too, with what follows no swatch" do
    Changes::RemoveSwatches.perform(demo, actor:, swatches: [swatch("Lamp")])
    open_place "match/palette"
    select "Poster", from: "What is looked at"
    expect(page).to have_css(".pairs thead", text: "Colour")
    expect(page).to have_css(".pairs tbody th", text: "#FFCE5C")
    expect(page).to have_css(".matched-head", text: "Poster, as it is and as matched")
  end
end
