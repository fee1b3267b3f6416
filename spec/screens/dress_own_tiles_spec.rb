require "support/fidelity"
require "support/files_of_a_person"
require "support/pattern_screens"

RSpec.describe "Dress, tiles of one's own", :screen do
  include Fidelity
  include FilesOfAPerson
  include PatternScreens

  before { open_dress }

  dunes = '<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 40 40"><rect width="40" height="40" fill="#231F55"/><circle cx="20" cy="8" r="8" fill="#FFCE5C"/><path d="M0 30h40v4h-40z" fill="#231F55"/></svg>'

  def bring_in(name, bytes)
    find("#tiles summary").click unless page.has_css?("#tiles[open]", wait: 0)
    find("input[form=own-tile]", visible: :all).attach_file(file(name, bytes))
    expect(page).to have_css(".notice", text: "look among the patterns")
  end

  # Nothing is picked then, which would be outlined.
  def expect_alike_everywhere
    hide_texts
    2.times do # a menu that is open closes first
      find("#stage").execute_script("this.focus()")
      keys :escape
    end
    picks # nothing, which would be outlined
    open_dress
    found = differences(looks(poster))
    expect(found.values.max).to be < 0.5, found.inspect
    click_part "plum_band"
  end

  it "come in as drawings whose colours are inks, show where they meet themselves, and leave the list" do
    with_pattern "plum_band"
    bring_in("dunes.svg", dunes)
    expect_done "Brought in the tile dunes"
    find("#tiles summary").click unless page.has_css?("#tiles[open]", wait: 0)
    find(".tile[title=dunes]").click
    expect(page).to have_css(".tile-now", text: "dunes").and have_css(".picked-stops h2", text: "2 inks")
    expect(all(".stop b").map(&:text)).to eq %w[#231F55 #FFCE5C]
    hold "Ember sky"
    click_link "Pick parts"
    find(".stop:nth-child(2) input[name=stop]", visible: :all).choose(allow_label_click: true)
    within(".picked-stops") { click_button "Give" }
    ember = Swatch.find_by!(name: "Ember sky")
    eventually { expect(paint.compound.inks[1].reference).to eq ember.id }
    expect_alike_everywhere
    more do
      expect(page).to have_text("Left and right: no seam shows").and have_text("Top and bottom: the seam shows")
      click_button "Take it off the list"
    end
    expect_done "Removed the tile dunes"
    expect(page).to have_css(".tile-now", text: "dunes").and have_no_css(".tile[title=dunes]", visible: :all)
    click_button "Undo"
    expect(page).to have_css(".tile[title=dunes]", visible: :all)
  end

  it "come in as pictures, look alike everywhere, and are refused where they are none" do
    with_pattern "plum_band"
    picture = Vips::Image.xyz(64, 48).linear([3, 2], [20, 40]).bandjoin(90).cast(:uchar).copy(interpretation: :srgb)
    bring_in("Weave of wool.png", picture.pngsave_buffer)
    find("#tiles summary").click unless page.has_css?("#tiles[open]", wait: 0)
    find(".tile[title='Weave of wool']").click
    expect(page).to have_css(".picked-stops", text: "A picture. It is repeated as it is.")
    fill_in "Repeat of the pattern", with: "192"
    keys :enter
    eventually { expect(paint.laid.scale).to eq 8 }
    expect_alike_everywhere
    find("#tiles summary").click
    find("input[form=own-tile]", visible: :all).attach_file(file("notes.txt", "nothing"))
    expect(page).to have_css(".notice", text: "notes.txt")
    expect(OwnTile.count).to eq 1
  end
end
