require "support/mix_screens"

RSpec.describe "Mix, its panels", :screen do
  include MixScreens

  it "builds a ramp and keeps it as a group with names" do
    mix(panel: "ramp")
    expect(page).to have_css(".curves svg", count: 3)
    expect(page).to have_css("#mix-panel .mix-strip button", count: 7)
    fill_in "Darker", with: "2"
    fill_in "Hue turn, dark", with: "-30"
    find("input[name=turn_dark]").execute_script("this.dispatchEvent(new Event('change', { bubbles: true }))")
    expect(page).to have_button("Keep 6 as a group")
    fill_in "Steps by hand", with: "0=#5F3566\t"
    eventually { expect(find("#mix-panel .mix-strip button", match: :first).style("background-color")["background-color"]).to eq "rgb(95, 53, 102)" }
    click_button "Keep 6 as a group"
    expect(page).to have_content(/Kept .* ramp in Quillmere house: 6 swatches/)
    group = Group.order(:id).last
    expect([group.swatches.size, group.swatches.map(&:hex).first, group.swatches[2].hex]).to eq [6, "#5F3566", "#E46F58"]
    expect(group.swatches.map(&:name).uniq.size).to eq 6
    expect(ember.reload.hex).to eq "#E46F58"
  end

  it "keeps a harmony, and goes on with one of its members" do
    mix(panel: "harmony")
    expect(page).to have_css("#mix-panel .mix-strip button", count: 3)
    select "triad", from: "Rule"
    expect(page).to have_button("Keep 3 as a group")
    eventually { expect(find("#mix-panel input[name=name]").value).to end_with "triad" }
    find("#mix-panel .mix-strip button:last-of-type").click
    expect(page).to have_no_css("#mix-hex", text: "#E46F58")
    click_button "Keep 3 as a group"
    expect(page).to have_content(/Kept .* triad in Quillmere house/)
  end

  it "turns the base and sets the spread on the wheel" do
    mix(panel: "harmony")
    expect(page).to have_css("[data-member=base]")
    hue = ember.colour.in(:oklch)[2]
    drag_on_wheel("[data-member=base]", 40)
    eventually { expect(Magpie::Notation.parse(hex_now).in(:oklch)[2]).to be_within(4).of(hue + 40) }
    drag_on_wheel("[data-member=other]", 20)
    eventually { expect(find("#mix-panel input[name=spread]").value.to_i).not_to eq 30 }
    fill_in "Spread", with: "12"
    eventually do
      base, *others = all("[data-member]", count: 3).sort_by { |each| each["data-member"] }.map { |each| Math.atan2(-each["cy"].to_f, each["cx"].to_f) * 180 / Math::PI }
      expect(others.map { |angle| ((angle - base - 180 + 540) % 360 - 180).round }).to contain_exactly(-12, 12)
    end
  end

  # Takes a member and goes on by degrees, counter-clockwise.
  def drag_on_wheel(member, degrees)
    wheel, taken = box_of(".wheel svg"), find(member, match: :first).evaluate_script("this.getBoundingClientRect().toJSON()")
    middle = ->(box) { [box["x"] + box["width"] / 2.0, box["y"] + box["height"] / 2.0] }
    (cx, cy), (x, y) = middle.call(wheel), middle.call(taken)
    angle = Math.atan2(cy - y, x - cx) + degrees * Math::PI / 180
    radius = Math.hypot(x - cx, y - cy)
    mouse.move(x:, y:)
    mouse.down
    mouse.move(x: cx + radius * Math.cos(angle), y: cy - radius * Math.sin(angle), steps: 5)
    mouse.up
  end

  it "compares four ways of mixing, steps between and checks" do
    mix(panel: "mix")
    expect(page).to have_css(".mix-way", count: 4)
    select "Nebula teal", from: "With"
    eventually { expect(all(".mix-way")[0].all("button")[8].style("background-color")["background-color"]).to eq "rgb(47, 143, 163)" }
    expect(page).to have_css(".mix-way [data-roving] button:not([tabindex='-1'])", count: 8) # each strip is one Tab stop, however often it comes
    choose "Between", visible: :all, allow_label_click: true
    select "Zenith indigo", from: "From"
    expect(page).to have_content(/Each step is ΔE \d/)
    expect(page).to have_button("Keep 5 as a group")
    choose "Checks", visible: :all, allow_label_click: true
    expect(page).to have_content("good for text").or have_content("large text only")
    expect(page).to have_content("Ember sky")
  end

  it "keeps a tint that follows its swatch" do
    mix(panel: "tints")
    click_button "Keep 50 % of Ember sky, tied to it"
    expect(page).to have_content("Kept Ember sky 50 %. It follows its swatch")
    tint = Swatch.find_by!(name: "Ember sky 50 %")
    expect(tint.hex).to eq Magpie::Making::Tints.tint(ember.colour, 50).hex
    type "#2F8FA3"
    expect(page).to have_css("#mix-hex", text: "#2F8FA3")
    click_button "Apply to 2 places"
    expect(page).to have_content("Ember sky is #2F8FA3 now")
    expect(tint.reload.hex).to eq Magpie::Making::Tints.tint(Magpie::Notation.parse("#2F8FA3"), 50).hex
    click_button "Undo"
    expect(page).to have_content("Undone: Changed Ember sky")
    expect(tint.reload.hex).to eq Magpie::Making::Tints.tint(Magpie::Notation.parse("#E46F58"), 50).hex
  end

  it "asks for a panel when something changed, and then is quiet" do
    mix(panel: "harmony")
    asked = "performance.getEntriesByType('resource').filter(entry => entry.name.includes('/mix/panels/')).length"
    expect(page).to have_css("#mix-panel [data-fragment]")
    before = nil
    eventually do # while the sheet opens its first answer may still come
      before = page.evaluate_script(asked)
      answers = page.evaluate_async_script("(async done => { let count = 0; while (count < 40 && (await fetch('/health')).ok) count++; done(count) })(arguments[0])")
      expect([answers, page.evaluate_script(asked) - before]).to eq [40, 0]
    end
    select "triad", from: "Rule"
    expect(page).to have_css("#mix-panel [data-rule=triad]")
    expect(page.evaluate_script(asked) - before).to eq 1
  end

  it "covers no more than half of the page, and nothing in it is cut" do
    mix
    expect(box_of("#mix")["height"]).to be <= 400
    %w[tints mix between ramp harmony checks].each do |panel|
      turn_to(panel)
      wide = page.evaluate_script("(() => { const panel = document.querySelector('#mix-panel'); return panel.scrollWidth - panel.clientWidth })()")
      expect(wide).to be <= 0, panel
    end
  end
end
