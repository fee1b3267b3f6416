require "support/dress_screens"
require "support/gather_screens"
require "support/palette_screens"

# What is said to those who do not see the page.
RSpec.describe "What is said", :screen do
  include DressScreens
  include GatherScreens
  include PaletteScreens

  def press(*given) = given.each { |key| settled.driver.browser.keyboard.type(key) }

  def says(*words) = eventually { expect(page.evaluate_script("document.querySelector('#says').textContent.trim()")).to include(*words) }

  def warns(words) = eventually { expect(page.evaluate_script("document.querySelector('#warns').textContent.trim()")).to include(words) }

  it "has one polite and one assertive region from the beginning" do
    open_place "gather"
    expect(page.evaluate_script("[...document.querySelectorAll('[aria-live], [role=status], [role=alert], [role=log]')].filter(each => !each.closest('dialog')).map(each => [each.id, each.ariaLive])")).to eq [%w[says polite], %w[warns assertive]]
  end

  it "tells what lies under the probe, and what was read, kept and undone" do
    open_place "gather"
    over(400, 300) # the picture has come
    find("#picture").execute_script("this.focus()")
    press %i[shift right], :down
    says "at 810, 449"
    press :enter
    says "Read #", "spread ΔE", "In hand"
    press "k"
    press(*"Dusk red".chars, :enter)
    says "Kept Dusk red in Dusk sky"
    press :escape
    press [:control, "z"]
    says "Undone: Kept Dusk red"
  end

  it "tells where one came to, what is in hand, what opened and what was shared" do
    open_place "palettes"
    chip("Coral").click
    says "In hand Coral #E2705A"
    find("#share").click
    says "Share Coral"
    find("#share-commit").click
    says "Coral is shared now"
    press "g"
    says "Gather"
    press "m"
    says "Mix of Coral"
    press :left
    eventually { expect(find("#slice")["aria-valuetext"]).to match(/, #\h{6}, across \d+, up \d+/) }
  end

  it "names the part that is walked to, and what was dressed" do
    open_place "palettes"
    chip("Lamp").click
    says "In hand Lamp"
    open_dress
    find("#stage").execute_script("this.focus()")
    press :down
    says "Night sky: fill"
    press :enter
    says "Dressed Night sky"
  end

  it "tells errors at once" do
    open_place "gather"
    path = File.join(DOWNLOADS, "notes.png").tap { |file| File.write(file, "just words") }
    attach_file "files[]", path, make_visible: true
    warns "notes.png is not a picture that I can read"
    visit "/projects/#{demo.id}/palettes?mix=#{named("Coral").id}"
    fill_in "Colour in any notation", with: "rgb(300 0 0)"
    says "red is 300"
  end
end
