require "support/files_of_a_person"

RSpec.describe "Libraries", :screen, demo: :libraries do
  include FilesOfAPerson

  def library(name) = Library.find_by!(name:)

  def open_library(name) = visit("/projects/#{demo.id}/deliver/libraries/#{library(name).id}")

  it "come in from a file, which asks about them only where it comes in as one" do
    open_place "deliver"
    bring file("pier-film.csv", "Name;Lab_L;Lab_a;Lab_b\nPF 1 Dune;85;2;20\nPF 2 Wrack;35;8;22\n")
    expect(page).to have_css("#into input:checked + span", text: "A library, to match against")
    choose "A new palette", allow_label_click: true
    expect(page).to have_no_css(".library-new")
    choose "A library, to match against", allow_label_click: true
    fill_in "Name", with: "Pier film", id: "about-name"
    click_button "Bring in 2 colours"
    expect(page).to have_css(".library-head", text: "Pier film\n2 entries")
  end

  it "are gone through by keyboard, and give what they have to the hand and to palettes with its code" do
    open_library "Tarn & Fell masonry paints"
    find("a", text: "Hearth clay").send_keys(:enter)
    expect(page).to have_css("tr.chosen th", text: "Hearth clay")
    find("a", text: "After").send_keys(:enter)
    expect(page).to have_css("tr.chosen td", text: "TF 089")
    find("a", text: "Before").send_keys(:enter)
    expect(page).to have_css("tr.chosen td", text: "TF 088")
    find("button[aria-label='Take Hearth clay in hand']").send_keys(:enter)
    expect(page).to have_css("#hand", text: "Hearth clay")
    open_place "palettes"
    find("#hand").click_button("Keep")
    expect(page).to have_content("Kept Hearth clay in")
    kept = Swatch.find_by!(name: "Hearth clay")
    expect([kept.code, kept.kind, kept.entry]).to eq ["TF 088", "spot", library("Tarn & Fell masonry paints").entries.find_by!(code: "TF 088")]
    find(".chip[title^='Hearth clay']").click
    click_link "TF 088 Hearth clay"
    expect(page).to have_css(".library-uses li", text: /Hearth clay\s+Quillmere house/)
    click_link "About the library"
    click_link "Remove…"
    expect(page).to have_content("1 swatch is noted with an entry of it, and keeps its colour and code")
    expect(page).to have_content("used by Night open house")
    click_button "Remove it"
    expect(page).to have_css(".library-line", count: Library.count - 1)
    expect(Swatch.find_by!(name: "Hearth clay").code).to eq "TF 088"
    click_button "Undo"
    expect(page).to have_css(".library-line", count: Library.count)
  end
end
