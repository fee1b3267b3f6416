require "support/dress_screens"
require "support/fidelity"
require "support/files_of_a_person"

RSpec.describe "Dress, pictures", :screen do
  include Fidelity
  include FilesOfAPerson

  # Dusk that grows lighter, a wall in it, and an island beyond a gap.
  def picture
    sky = Vips::Image.xyz(240, 160)[1].linear([0.2, 0.1, 0.1], [30, 28, 80]).cast(:uchar)
    sky.draw_rect([200, 196, 184], 40, 60, 120, 80, fill: true).draw_rect([200, 196, 184], 172, 60, 40, 80, fill: true).copy(interpretation: :srgb).pngsave_buffer
  end

  let(:wall) { Artwork.find_by!(name: "North wall") }

  def bring_in_wall
    open_dress
    find("form[action$='/artworks'] input[type=file]", visible: :all).attach_file(file("North wall.png", picture))
    expect(page).to have_content("Brought in North wall, a picture")
    settled
  end

  def at(across, down) = on_stage(across, down)

  # Of the stage on the screen, as hex.
  def seen(across, down)
    point = at(across, down)
    image = Vips::Image.new_from_buffer(page.driver.browser.screenshot(format: "png", encoding: :binary, area: {x: point[:x].round, y: point[:y].round, width: 1, height: 1}), "")
    format("#%02X%02X%02X", *image.getpoint(0, 0).first(3).map(&:round))
  end

  def how(**given) = given.each { |name, value| (name == :where || name == :way) ? find("#fill-form [name=#{name}]").select(value) : find("#fill-form [name=#{name}]").set(value) }

  def fill_tool(name = "Ember sky")
    hold name
    click_link "Fill"
    expect(page).to have_css("#fill-form")
    settled
  end

  def fill_wall(way, across, down)
    bring_in_wall
    fill_tool
    how(way:, soft: 0)
    mouse.click(**at(across, down))
    expect_done "Filled a patch of North wall with Ember sky"
  end

  # What is outlined.
  def outline = page.evaluate_script("document.querySelector('#filling [data-found]')?.getAttribute('d') ?? ''")

  it "are filled by a click, follow their swatch, and show the picture again when the patch is removed" do
    fill_wall "covers", 0.4, 0.6
    eventually { expect(seen(0.4, 0.6)).to eq "#E46F58" }
    expect([seen(0.8, 0.6)]).to eq ["#C8C4B8"]
    ember = Swatch.find_by!(name: "Ember sky")
    Changes::ChangeSwatch.perform(demo, actor:, swatch: ember, colour: hex("#2F8FA3"), definition: "", before: ember.hex)
    open_dress(artwork: wall)
    eventually { expect(seen(0.4, 0.6)).to eq "#2F8FA3" }
    mouse.click(**at(0.4, 0.6))
    picks "patch_1", artwork: wall
    find("#filled summary").click
    within("#filled") { fill_in "Over gaps up to", with: "20" }
    click_button "Look for it anew"
    expect_done "Adjusted Patch 1"
    find("#stage").execute_script("this.focus()")
    keys :escape
    eventually { expect(seen(0.8, 0.6)).to eq "#2F8FA3" }
    mouse.click(**at(0.4, 0.6))
    picks "patch_1", artwork: wall
    find("#filled summary").click unless page.has_css?("#filled[open]", wait: 0)
    click_button "Remove the patch"
    expect_done "Removed Patch 1 from North wall"
    eventually { expect(seen(0.4, 0.6)).to eq "#C8C4B8" }
    click_button "Undo"
    eventually { expect(seen(0.4, 0.6)).to eq "#2F8FA3" }
    expect(find("#outline path:first-child", visible: :all)["d"]).to eq Magpie::Artwork::Layers.fills(Drawings.of(wall.reload.template)).sole.then { |fill| Magpie::Picture::Fill.new(Pictures.of(fill.sha256), Magpie::Picture::Fill::Aim.new(**fill.aim.transform_keys(&:to_sym))).outline }
  end

  it "show what would be filled while one drags, which Esc calls off" do
    bring_in_wall
    fill_tool
    find("#fill-form [name=tolerance]").execute_script("this.value = 2")
    mouse.move(**at(0.4, 0.2))
    mouse.down
    eventually { expect(outline).to start_with "M" }
    narrow = outline
    mouse.move(**at(0.4, 0.2).then { |point| {x: point[:x] + 160, y: point[:y]} }, steps: 8)
    expect(page).to have_css("#fill-form output", text: "ΔE 12")
    eventually { expect(outline).not_to eq narrow }
    keys :escape
    mouse.up
    settled
    expect([outline, wall.parts.count, find("#fill-form [name=tolerance]").value]).to eq ["", 0, "2"]
    mouse.move(**at(0.4, 0.6))
    mouse.down
    mouse.move(**at(0.4, 0.6).then { |point| {x: point[:x] + 32, y: point[:y]} }, steps: 4)
    mouse.up
    expect_done "Filled a patch of North wall with Ember sky"
    expect(Magpie::Artwork::Layers.fills(Drawings.of(wall.reload.template)).sole.aim["tolerance"]).to eq 4.0
  end

  it "are filled by keys: a mark is moved, what is outlined round it is filled" do
    bring_in_wall
    fill_tool
    how(soft: 0)
    find("#stage").execute_script("this.focus()")
    keys :right
    eventually { expect(outline).to start_with "M" }
    wall_in_the_middle = outline
    mark = -> { page.evaluate_script("document.querySelector('.fill-mark-in').getAttribute('d')") }
    middle = mark.call
    2.times { keys [:shift, :up] }
    2.times { keys :right }
    eventually { expect(outline).not_to eq wall_in_the_middle }
    expect(mark.call).not_to eq middle
    before = outline
    find("#fill-form [name=where]").select("everywhere")
    find("#fill-form [name=tolerance]").execute_script("this.value = 2; this.dispatchEvent(new Event('input', {bubbles: true}))")
    eventually { expect(outline).not_to eq before }
    find("#stage").execute_script("this.focus()")
    keys :enter
    expect_done "Filled a patch of North wall with Ember sky"
    aim = Magpie::Artwork::Layers.fills(Drawings.of(wall.reload.template)).sole.aim
    expect(aim.values_at("tolerance", "everywhere")).to eq [2.0, true]
    expect([aim["x"], aim["y"]].zip([120, 80]).map { |now, then_| now <=> then_ }).to eq [1, -1]
    settled
    expect(page).to have_css(".fill-mark-in", visible: :all)
    keys :escape
    expect(page).to have_no_css(".fill-mark-in", visible: :all)
  end

  it "show how a patch would be, looked for anew, before it is" do
    fill_wall "covers", 0.4, 0.6
    click_link "Pick parts"
    settled
    mouse.click(**at(0.4, 0.6))
    picks "patch_1", artwork: wall
    find("#filled summary").click
    within("#filled") { fill_in "Over gaps up to", with: "20" }
    eventually { expect(outline).to start_with "M" }
    wide = outline
    within("#filled") { fill_in "Over gaps up to", with: "0" }
    eventually { expect(outline).not_to eq wide }
    find("#filled summary").click
    eventually { expect(outline).to eq "" }
    expect(Magpie::Artwork::Layers.fills(Drawings.of(wall.reload.template)).sole.aim["gap"]).to eq 0
  end

  it "are filled by a sweep that meets several patches, and look alike everywhere" do
    fill_wall "light and shade stay", 0.1, 0.1
    hold "Lamp"
    expect(page).to have_css(".dress[data-tool=sweep]")
    settled
    drag_over(at(0.5, 0.6), at(0.85, 0.6))
    mouse.up
    expect(page).to have_content("Filled 2 patches")
    settled
    expect(wall.parts.pluck(:label)).to eq ["Patch 1", "Patch 2", "Patch 3"]
    open_dress("tool=sweep", artwork: wall)
    found = differences(looks(wall))
    expect(found.values.max).to be < 0.5, found.inspect
  end

  it "lie beneath a drawing, in which parts are dressed as before" do
    open_dress
    find("#artwork-edit-#{poster.id} summary").click
    find("form[action$='/layers'] input[name=at][value=above] + label input[type=file]", visible: :all).attach_file(file("North wall.png", picture))
    expect(page).to have_content("Laid North wall.png above Poster")
    expect(page).to have_link("Fill")
    eventually { expect(seen(0.8, 0.55)).to eq "#C8C4B8" }
    click_button "Undo"
    expect(page).to have_no_link("Fill")
    eventually { expect(seen(0.8, 0.55)).not_to eq "#C8C4B8" }
  end
end
