require "support/files_of_a_person"

RSpec.describe "Libraries", :screen, demo: :libraries do
  include FilesOfAPerson

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
end
