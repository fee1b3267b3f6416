require "support/screens"

RSpec.describe "Every place", :screen do
  # Of the swatch that is chosen in Palettes.
  def rename_to(name)
    fill_in "Name", with: name, exact: true
    click_button "Save"
    expect(page).to have_css(".chip-cell", text: name)
  end

  def file(name, bytes)
    path = File.join(DOWNLOADS, name)
    File.binwrite(path, bytes)
    path
  end

  def expect_nothing_to_scroll
    sizes = page.evaluate_script("[document.documentElement.scrollWidth, innerWidth, document.documentElement.scrollHeight, innerHeight]")
    expect(sizes[0]).to be <= sizes[1]
    expect(sizes[2]).to be <= sizes[3]
  end

  it "starts a project from nothing: a picture, a colour, an SVG of one's own, dressed" do
    visit "/"
    fill_in "What is the job?", with: "Star trail"
    fill_in "For whom?", with: "Quillmere Observatory"
    click_button "Start the project"
    expect(page).to have_content("Begin with a picture")
    attach_file "files[]", file("lantern_glow.png", flat_picture(300, 200, [242, 184, 75]).pngsave_buffer), make_visible: true, match: :first
    expect(page).to have_content("Brought in lantern glow")
    click_picture 150, 100
    expect(page).to have_content("Even. Safe to keep as one colour.")
    fill_in "Name this colour", with: "Lantern"
    click_button "Keep"
    expect(page).to have_content("Kept Lantern in First colours")
    click_link "Dress"
    expect(page).to have_content("Bring in an artwork")
    attach_file "files[]", file("door_sign.svg", '<svg xmlns="http://www.w3.org/2000/svg" width="90" height="60"><script>boom()</script><g><g><rect id="board" width="90" height="60" fill="#888"/></g></g></svg>'), make_visible: true, match: :first
    expect(page).to have_content("Left out: Door sign, line 1: script element")
    find(".rack-chip[title^='Lantern']").click
    expect(page).to have_css(".dress[data-tool=sweep]")
    click_part "board"
    expect(page).to have_css(".side", text: "stray, same as Lantern")
    expect(fill_of("#stage", "board")).to eq "#F2B84B"
  end

  it "takes a dropped and a pasted picture" do
    open_place "gather"
    {"drop" => [9, 90, 90], "paste" => [90, 90, 9]}.each do |how, colour|
      bytes = [flat_picture(20, 20, colour).pngsave_buffer].pack("m0")
      page.execute_script(<<~JS, bytes, how)
        const bytes = Uint8Array.from(atob(arguments[0]), c => c.charCodeAt(0)), data = new DataTransfer()
        data.items.add(new File([bytes], arguments[1] + "ped.png", { type: "image/png" }))
        const event = arguments[1] === "drop" ? new DragEvent("drop", { dataTransfer: data, bubbles: true, cancelable: true }) : new ClipboardEvent("paste", { clipboardData: data, bubbles: true, cancelable: true })
        document.querySelector("main").dispatchEvent(event)
      JS
      expect(page).to have_content("Brought in #{how}ped")
    end
  end

  it "works without a pointer" do
    open_place "gather"
    find("#picture").evaluate_script("this.focus()")
    keys :right, :right, :down, [:shift, :right], :enter
    expect(page).to have_content("5 × 5 px at 812, 449 of Dusk over the dome")
    keys "k"
    keys "Keyboard red", :enter
    expect(page).to have_content("Kept Keyboard red in Dusk sky")
    find("body").evaluate_script("document.activeElement.blur()")
    keys "p"
    expect(page).to have_css(".palette-head")
    find(".chip[title^='Peat']").evaluate_script("this.focus()")
    keys :right, :enter
    expect(page).to have_css(".side h1", text: "Moor")
    keys "d"
    expect(page).to have_css("#stage")
    find("#stage").evaluate_script("this.focus()")
    keys :down, :enter
    expect(page).to have_content("1 picked: Night sky")
    eventually { expect(fill_of("#stage", "night_sky")).to eq "#1D2432" }
    find("body").evaluate_script("document.activeElement.blur()")
    keys "?"
    expect(page).to have_css("#shortcuts[open]")
  end

  it "does not take letters for shortcuts while typing" do
    open_place "gather"
    click_picture 300, 300
    expect(page).to have_css(".pin-shown")
    fill_in "Name this colour", with: "gpdx mk"
    expect(find("#keep-name").value).to eq "gpdx mk"
    expect(page).to have_css("#picture")
  end

  it "sweeps through several parts in one change" do
    open_place "dress"
    find(".rack-chip[title^='Nebula teal']").click
    expect(page).to have_css(".rack-chip[title^='Nebula teal'][aria-selected=true]")
    expect(page).to have_css(".dress[data-tool=sweep]")
    from, over, to = %w[plum_band rosehip_band ember_band].map { |key| point_on(key) }
    mouse.move(**from)
    mouse.down
    mouse.move(**over, steps: 12)
    mouse.move(**to, steps: 12)
    mouse.up
    expect(page).to have_css("#undo[title='Undo: Dressed 3 parts with Nebula teal']")
    expect(%w[plum_band rosehip_band ember_band].map { |key| fill_of("#stage", key) }).to eq ["#2F8FA3"] * 3
    click_button "Undo"
    expect(page).to have_content("Undone: Dressed 3 parts with Nebula teal")
    expect(fill_of("#stage", "ember_band")).to eq "#E46F58"
  end

  it "only picks with the other tool, and clears what is picked" do
    open_place "dress"
    click_link "Pick parts"
    expect(page).to have_css(".dress[data-tool=pick]")
    click_part "moor"
    expect(page).to have_content("1 picked: Moor")
    expect(fill_of("#stage", "moor")).to eq "#121720"
    within(".hand") { expect(page).to have_content("Peat") }
    click_button "None"
    expect(page).to have_css(".kind[aria-pressed=true]", text: "None")
    eventually { expect(fill_of("#stage", "moor")).to eq "none" }
  end

  it "does once what is clicked twice, and twice what is meant twice" do
    visit "/"
    fill_in "What is the job?", with: "Star trail"
    find_button("Start the project").double_click
    expect(page).to have_content("Begin with a picture")
    visit "/"
    expect(page).to have_css(".project b", text: "Star trail", count: 1)
    open_place "palettes"
    find(".chip[title^='Coral']").click
    rename_to "Reef"
    rename_to "Reef light"
    find("body").send_keys([:control, "z"], [:control, "z"])
    expect(page).to have_css(".chip-cell", text: "Coral")
    eventually { expect(find("#undo", visible: :all)).to be_disabled }
  end

  it "shows a bad notation's reason in Mix, and cannot apply it" do
    open_place "palettes"
    find(".chip[title^='Coral']").click
    within(".hand-now") { expect(page).to have_content("Coral") } # until then Mix is of what was in it before
    click_link "Mix"
    fill_in "Colour in any notation", with: "rgb(300 0 0)"
    expect(page).to have_content("red is 300: expected 0 to 255")
    expect(page).to have_button("Change Coral", disabled: true)
    fill_in "Colour in any notation", with: "hsl 10 70 62"
    expect(page).to have_button("Change Coral", disabled: false)
  end

  it "remembers the surround of each project" do
    open_place "palettes"
    click_button "Near black"
    expect(page).to have_css(".app[data-surround=dark]")
    open_place "dress"
    expect(find(".studio").style("background-color")["background-color"]).to eq "rgb(43, 43, 43)"
  end

  it "copies a notation on a click" do
    open_place "palettes"
    find(".chip[title^='Lamp']").click
    page.execute_script("navigator.clipboard.writeText = text => { window.copied = text; return Promise.resolve() }")
    within(".side") { find("button", text: "255 206 92").click }
    eventually { expect(page.evaluate_script("window.copied")).to eq "rgb(255 206 92)" }
  end

  it "fits its window from 1024 to 1920 without a page that scrolls" do
    [[1024, 768], [1280, 800], [1920, 1080]].each do |width, height|
      page.driver.resize(width, height)
      %w[gather palettes dress deliver].each do |place|
        open_place place
        expect(page).to have_css("main")
        expect_nothing_to_scroll
      end
    end
  ensure
    page.driver.resize(1280, 800)
  end
end
