require "support/dress_screens"

RSpec.describe "Dress, test patches", :screen do
  include DressScreens

  def take(shape)
    find("#patch-menu summary").click
    click_link shape
    expect(page).to have_css("h2", text: "Test patch: #{shape.downcase}")
    settled
  end

  def drag(from, to)
    mouse.move(**from)
    mouse.down
    mouse.move(**to, steps: 4)
    yield if block_given?
    mouse.up
  end

  before do
    open_dress
    hold "Nebula teal"
  end

  it "are laid with what is in hand, moved and taken off, and go out with nothing" do
    take "Rectangle"
    drag(on_stage(0.2, 0.2), on_stage(0.5, 0.4)) { expect(page).to have_css("#patches > rect") }
    expect_done "Laid a test patch of Nebula teal on Poster"
    expect(find(".test-patch")["aria-label"]).to eq "Test patch: rectangle, Nebula teal #2F8FA3. Delete takes it off"
    before = box_of(".test-patch .patch-mark")
    settled
    drag(on_stage(0.3, 0.3), on_stage(0.4, 0.35))
    expect_done "Moved a test patch"
    eventually { expect(box_of(".test-patch .patch-mark")["x"] - before["x"]).to be_within(3).of(box_of("#stage")["width"] * 0.1) }
    expect(Dressing.new(poster).flat).not_to include "2F8FA3"
    expect(seen_in("#artwork-#{Artwork.find_by!(name: "Badge").id} img", 0.5, 0.1)).not_to eq "#2F8FA3"
    settled
    find(".test-patch").execute_script("this.focus()")
    keys :delete
    expect_done "Took a test patch off"
    expect(page).to have_no_css(".test-patch")
    click_button "Undo"
    expect(page).to have_css(".test-patch")
  end

  it "follow their swatch, come as ellipse and word, and are called off by Esc" do
    take "Ellipse"
    drag(on_stage(0.2, 0.2), on_stage(0.5, 0.4)) { keys :escape }
    expect(page).to have_no_css("#patches > *")
    drag(on_stage(0.2, 0.2), on_stage(0.5, 0.4))
    expect(page).to have_css(".test-patch ellipse")
    settled
    take "Word"
    fill_in "Word", with: "Night"
    drag(on_stage(0.1, 0.5), on_stage(0.6, 0.6))
    expect(page).to have_css(".test-patch text", text: "Night")
    expect_done "Laid “Night” of Nebula teal on Poster"
    Changes::ChangeSwatch.perform(demo, swatch: Swatch.find_by!(name: "Nebula teal"), actor: Actor.new, colour: Magpie::Notation.parse("#3366CC"), definition: "", before: "#2F8FA3")
    eventually { expect(page.evaluate_script("getComputedStyle(document.querySelector('.test-patch ellipse')).fill")).to eq "rgb(51, 102, 204)" }
  end
end
