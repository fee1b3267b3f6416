require "support/dress_screens"

RSpec.describe "Dress, two people in one artwork", :screen do
  include DressScreens

  # Somebody else, in a browser of their own.
  def other(&) = Capybara.using_session(:other, &)

  after { other { page.reset! } }

  it "each sees what the other does, and keeps zoom, picks and what is in hand" do
    winter = Changes::AddColourway.perform(demo, actor: Actor.new, artwork: poster, name: "Winter hours")
    open_dress
    hold "Nebula teal"
    find(".tool", text: "Pick parts").click
    settled
    click_part "dome_roof"
    picks "dome_roof"
    settled
    roll(-200, on_stage(0.5, 0.5))
    zoomed = find("#zoom-now").text
    other do
      open_dress
      hold "Peat"
      click_part "rosehip_band"
      expect_done "Dressed Rosehip band with Peat"
    end
    eventually { expect(fill_of("#stage", "rosehip_band")).to eq "#121720" }
    expect(seen_in("#way-#{winter.id} img", 0.1, 0.58)).to eq "#121720"
    picks "dome_roof"
    expect(find("#zoom-now").text).to eq zoomed
    expect(page).to have_css(".rack-chip[title^='Nebula teal'][aria-selected=true]")
    settled
    find("#give").click
    expect_done "Dressed Dome roof with Nebula teal"
    other do
      eventually { expect(fill_of("#stage", "dome_roof")).to eq "#2F8FA3" }
      expect(page).to have_css("#undo[title='Undo: Dressed Dome roof with Nebula teal']")
      find("#way-#{winter.id} .other").click
      settled
      click_part "dome_wall"
      eventually { expect(fill_of("#stage", "dome_wall")).to eq "#121720" }
    end
    eventually { expect(seen_in("#way-#{winter.id} img", 0.6, 0.85)).to eq "#121720" }
    expect(fill_of("#stage", "dome_wall")).to eq "#6E7384"
  end

  it "one removes what the other dresses: nothing is half done, and it is said" do
    way = Changes::AddColourway.perform(demo, actor: Actor.new, artwork: poster, name: "Winter hours")
    open_dress "tool=pick", artwork: way
    hold "Nebula teal"
    other do
      open_dress "tool=pick", artwork: way
      find("#way-edit-#{way.id} summary").click
      click_button "Remove"
      expect_done "Removed the colourway Poster, Winter hours"
    end
    eventually { expect(page).to have_no_css("#way-#{way.id}") }
    expect(page).to have_css(".said", text: /\APoster, 20 parts/)
    settled
    click_part "rosehip_band"
    eventually { expect(fill_of("#stage", "rosehip_band")).to eq "#2F8FA3" }
    expect(Place.where(artwork_id: way.id)).to be_empty
  end
end
