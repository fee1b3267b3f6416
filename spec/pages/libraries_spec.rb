require "support/pages"

RSpec.describe "Libraries, as pages", demo: :libraries do
  def library(name) = Library.find_by!(name:)

  def open_library(name) = visit("/projects/#{demo.id}/deliver/libraries/#{library(name).id}")

  it "are listed, and go out as files with what each cannot carry" do
    open_place "deliver"
    click_link "Libraries"
    expect(all(".library-line b").map(&:text)).to eq Library.order(:id).map(&:name)
    expect(page).to have_css(".library-line[aria-current]", text: "212 entries, on masonry")
    find(".library-line", text: "Bothy").click
    expect(page).to have_css(".library-line[aria-current]", text: "64 entries")
    click_button "CSS custom properties"
    losses = ["130 things it cannot carry", "64 codes: are left out", "64 sets of press values: are left out", "its note: left out", "what it was measured on: left out"]
    expect(all("#losses summary, #losses li, #losses p, #losses h2").map(&:text) & losses).to eq losses
    click_button "Table"
    expect(page).to have_css("h1", text: ".csv")
    click_link "Download 64 colours"
    sent = Magpie::Formats.read(downloaded, name: "x.csv").palette
    expect(sent.swatches.map { |swatch| [swatch.code, swatch.name] }).to eq library("Bothy cut film").entries.map { |entry| [entry.code, entry.name] }
  end

  it "are looked through, searched and edited, and each change is undone" do
    open_library "Tarn & Fell masonry paints"
    expect(page).to have_css("h1", text: "Tarn & Fell masonry paints")
    fill_in "Search", with: "hearth\n"
    expect(page).to have_css(".library-found", text: "for “hearth”")
    click_link "Hearth clay"
    expect(page).to have_field("Code", with: "TF 088")
    fill_in "Name", with: "Hearth"
    click_button "Save"
    expect(page).to have_css("tr.chosen th", text: "Hearth", exact_text: true)
    click_button "Undo"
    expect(page).to have_css("tr.chosen th", text: "Hearth clay")
    fill_in "Value", with: "mauve-ish"
    click_button "Save"
    expect(find(".notice-wrong")).to have_content("mauve-ish")
    expect(page).to have_field("Code", with: "TF 088")
    fill_in "Search", with: "no such thing\n"
    expect(page).to have_css(".library-found", text: "Nothing in it is called “no such thing”")
    click_link "Show all"
    click_link "Add an entry"
    fill_in "Name", with: "Slate"
    fill_in "Code", with: "TF 900"
    fill_in "Value", with: "lab(40 -2 -6)"
    click_button "Add it"
    expect(find("tr.chosen").all("th, td").map(&:text)).to include("Slate", "TF 900", "40 -2 -6")
    click_button "Remove it"
    expect(page).to have_no_css("tr", text: "TF 900")
    expect(page).to have_css("h1", text: "About it")
  end

  it "come in from a file, and in a newer version of it" do
    open_place "deliver"
    chart = "Name;Lab_L;Lab_a;Lab_b\nPF 1 Dune;85;2;20\nPF 2 Wrack;35;8;22\nPF 3 Kelp;26;-2;18\n"
    bring file("pier-film.csv", chart)
    expect(page).to have_css("#into input[checked] + span", text: "A library, to match against")
    expect(page).to have_css(".reading-notes li", text: "every name begins with a code, which stands by itself then, as in “PF 1 Dune”")
    fill_in "Name", with: "Pier film", id: "about-name"
    fill_in "Measured on", with: "on glass"
    click_button "Bring in 3 colours"
    expect(find(".library-head").text.squish).to start_with "Pier film 3 entries, on glass"
    expect(all(".entries tbody tr").map { |row| row.all("th, td.mono").first(2).map(&:text) }).to eq [["Dune", "PF 1"], ["Wrack", "PF 2"], ["Kelp", "PF 3"]]
    newer = chart.sub("PF 2 Wrack;35", "PF 2 Wrack;45").sub("PF 3 Kelp;26;-2;18", "PF 4 Shingle;60;0;2")
    bring file("pier-film-2.csv", newer), field: ".came input[type=file]"
    expect(page).to have_css("#newer", text: "1 added, 1 changed and 1 gone")
    expect(page).to have_css("#into input[checked] + span", text: "Into the library Pier film, as its newer version")
    find("tr", text: "Kelp").find("label", text: "Remove it").click
    find("#import-commit").click
    expect(all(".entries tbody tr").map { |row| row.all("td.mono").first(2).map(&:text) }).to eq [["PF 1", "85 2 20"], ["PF 2", "45 8 22"], ["PF 4", "60 0 2"]]
    click_button "Undo"
    expect(page).to have_css(".entries tbody tr", text: "35 8 22")
    expect(page).to have_css(".entries tbody tr", text: "Kelp")
  end

  it "say what to do where there is none, and where one has no entry" do
    Library.update_all(removed_at: Time.now)
    open_place "deliver"
    click_link "Libraries"
    expect(page).to have_content("There is no library in the house. Bring in a chart")
    expect(page).to have_css("h1", text: "Nothing to send")
    Library.create!(name: "Bare")
    visit current_path + "?what=libraries"
    click_link "Look through it"
    expect(page).to have_content("It has no entries. Add one at the side.")
    expect(find(".library-head").text.squish).to start_with "Bare 0 entries"
  end

  it "give what they have to the hand and to palettes with its code, which stays when they go" do
    open_library "Tarn & Fell masonry paints"
    click_link "Hearth clay"
    click_link "After"
    expect(page).to have_css("tr.chosen td", text: "TF 089")
    click_link "Before"
    expect(page).to have_css("tr.chosen td", text: "TF 088")
    find("button[aria-label='Take Hearth clay in hand']").click
    expect(page).to have_css("#hand", text: "Hearth clay")
    open_place "palettes"
    find("#hand").click_button("Keep")
    expect(page).to have_content("Kept Hearth clay in")
    entry = library("Tarn & Fell masonry paints").entries.find_by!(code: "TF 088")
    expect(swatch("Hearth clay")).to have_attributes(code: "TF 088", kind: "spot", entry:)
    find(".chip[title^='Hearth clay']").click
    click_link "TF 088 Hearth clay"
    expect(page).to have_css(".library-uses li", text: /Hearth clay\s+Quillmere house/)
    click_link "About the library"
    click_link "Remove…"
    expect(page).to have_content("1 swatch is noted with an entry of it, and keeps its colour and code")
    expect(page).to have_content("used by Night open house")
    click_button "Remove it"
    lines = Library.count
    expect(page).to have_css(".library-line", count: lines - 1)
    expect(swatch("Hearth clay").code).to eq "TF 088"
    click_button "Undo"
    expect(page).to have_css(".library-line", count: lines)
  end
end
