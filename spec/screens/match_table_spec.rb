require "support/files_of_a_person"

RSpec.describe "Match, whole palettes", :screen, demo: :libraries do
  include FilesOfAPerson

  def swatch(name) = Swatch.find_by!(name:)

  def row(name) = find(".pairs tbody tr", text: /\A#{name}/)

  def ticked?(name) = row(name).find("[role=checkbox]")["aria-checked"] == "true"

  before { open_place "match/palette" }

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

  it "changes all that are ticked, and one undo brings them back" do
    colours = Swatch.order(:id).pluck(:id, :hex)
    eventually { expect(fill_of(".matched-pair > div:last-child", "ember_band")).to eq Entry.find_by!(code: "TF 088").hex }
    row("Ember sky").send_keys(:right)
    eventually { expect(row("Ember sky")).to have_content("Lobster") }
    find("button", text: /Change \d+ swatches/).click
    expect(page).to have_content(/Changed \d+ swatches to their matches, in \d+ places/)
    expect(swatch("Ember sky").slice(:hex, :code)).to eq("hex" => Entry.find_by!(code: "TF 089").hex, "code" => "TF 089")
    click_button "Undo"
    eventually { expect(Swatch.order(:id).pluck(:id, :hex)).to eq colours }
  end
end
