require "support/screens"

# One picture of each main view, made from the demo data by doing what it shows.
RSpec.describe "The pictures of the README", :screen do
  def shoot(name)
    expect(page).to have_no_css(".notice-done", wait: 8)
    page.driver.browser.mouse.move(x: 672, y: 8)
    page.driver.browser.screenshot(path: File.expand_path("#{name}.png", __dir__))
  end

  it "are taken" do
    visit "/"
    shoot "projects"
    open_place "gather"
    click_picture 862, 540
    expect(page).to have_css(".pin-shown")
    shoot "gather"
    open_place "palettes"
    find(".chip[title^='Ember sky']").click
    expect(page).to have_css(".side h1", text: "Ember sky")
    shoot "palettes"
    open_place "dress"
    find(".rack-chip[title^='Coral']").click
    click_part "rosehip_band"
    expect(page).to have_content("1 picked: Rosehip band")
    click_link "Share…"
    expect(page).to have_button("Share and link 1")
    shoot "share"
    open_place "dress"
    find(".rack-chip[title^='Ember sky']").click
    click_part "ember_band"
    expect(page).to have_content("1 picked: Ember band")
    shoot "dress"
    click_link "Change everywhere"
    fill_in "Colour in any notation", with: "hsb 172 52 62"
    eventually { expect(fill_of("#stage", "ember_band")).to eq "#4C9E93" }
    shoot "mix"
    open_place "deliver"
    shoot "deliver"
  end
end
