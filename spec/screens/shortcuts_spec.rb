require "support/palette_screens"

RSpec.describe "Shortcuts", :screen do
  include PaletteScreens

  def open_list
    find("[data-shortcuts]").click
    expect(page).to have_css("#shortcuts[open]")
  end

  def close_list
    click_button "Close"
    expect(page).to have_no_css("#shortcuts[open]")
  end

  def give(words, key)
    find(".keys-list li", text: words).find("input.key-field").click
    press key
  end

  def press(*given) = given.each { |key| settled.driver.browser.keyboard.type(key) }

  it "lists those of the place one is in, and of Mix where it is open" do
    open_place "palettes"
    open_list
    expect(page).to have_css("#shortcuts h2", text: "Shortcuts in Palettes")
    expect(page).to have_css(".keys-list", text: "Go to Dress").and have_css(".keys-always", text: "Space on a chip")
    expect(page).to have_no_css(".keys-list", text: "Pick parts").and have_no_css(".keys-list", text: "Lighter")
    visit "/projects/#{demo.id}/dress?mix=#{named("Ember sky").id}"
    open_list
    expect(page).to have_css(".keys-list", text: "Pick parts").and have_css(".keys-list", text: "Lighter")
  end

  it "do nothing on a slider, while Mix holds a change, in a window, and behind the practice screen" do
    visit "/projects/#{demo.id}/palettes?mix=#{named("Ember sky").id}"
    expect(page).to have_css("#mix-apply:not([disabled])")
    find(".track[aria-label=Red]").execute_script("this.focus()")
    press :up, :up
    eventually { expect(find("#mix-hex").text).to eq "#E66F58" }
    press "d", "m", "g", ".", "b"
    expect(page).to have_css("#mix").and have_css(".palettes")
    expect(find("#mix-hex").text).to eq "#E66F58"
    find("#slice").execute_script("this.focus()")
    press "d", "m"
    expect(page).to have_css("#mix").and have_css(".palettes")
    press "."
    eventually { expect(find("#mix-hex").text).not_to eq "#E66F58" }
    press :escape
    expect(page).to have_no_css("#mix")
    open_list
    press "d"
    expect(page).to have_css("#shortcuts[open]").and have_css(".palettes")
    open_place "gather"
    click_button "take a screen"
    within("[data-way=practice]") { click_button "Sample" }
    expect(page).to have_css("#practice[open]")
    press "p", "k", "b"
    expect(page).to have_css("#practice[open]").and have_css(".gather", visible: :all)
  end

  it "are given other keys, none, or switched off; and it is remembered" do
    open_place "palettes"
    open_list
    give "Go to Dress", "y"
    eventually { expect(page.evaluate_script("JSON.parse(document.querySelector('#keys').dataset.keys).y")).to eq ["dress"] }
    close_list
    press "d"
    expect(page).to have_css(".palettes")
    press "y"
    expect(page).to have_css(".dress")
    open_list
    give "Go to Gather", "y"
    expect(page).to have_css("#keys-problem", text: "Y is the key for “Go to Dress”. Give that another one first")
    find("#keys-on").click
    expect(page).to have_css(".key-field[disabled]", minimum: 10)
    close_list
    press "p"
    expect(page).to have_css(".dress")
    visit "/projects/#{demo.id}/gather"
    press "p"
    open_list
    expect(page).to have_css(".gather", visible: :all).and have_css(".key-field[disabled]", minimum: 10)
    click_button "Set all keys back"
    expect(page).to have_no_css(".key-field[disabled]")
    close_list
    press "d"
    expect(page).to have_css(".dress")
  end

  it "close every menu with Esc, which does nothing else then" do
    open_place "palettes"
    select_chips("Rosehip", "Apricot")
    find("#changes-list summary").click
    expect(page).to have_css("#changes-list[open]")
    press :escape
    expect(page).to have_no_css("#changes-list[open]").and have_content("2 swatches selected")
    expect(page.evaluate_script("document.activeElement.parentElement.id")).to eq "changes-list"
    find(".row", match: :first).hover
    find(".group-menu summary", match: :first).click
    expect(page).to have_css(".group-menu[open]")
    press :escape
    expect(page).to have_no_css(".group-menu[open]").and have_content("2 swatches selected")
    press :escape
    expect(page).to have_no_content("2 swatches selected")
  end
end
