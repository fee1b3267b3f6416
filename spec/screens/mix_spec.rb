require "support/screens"

RSpec.describe "Mix", :screen do
  let(:ember) { Swatch.find_by!(name: "Ember sky") }

  # Opens the sheet on a swatch with one of its panels.
  def mix(swatch = ember, panel: "reach", place: "palettes", **choices)
    if choices.any?
      visit "/"
      prefer(**choices)
    end
    visit "/projects/#{demo.id}/#{place}?mix=#{swatch.id}"
    expect(page).to have_content("Read as")
    turn_to(panel) unless panel == "reach"
  end

  def turn_to(panel)
    find(".mix-tabs label", text: panel.capitalize, exact_text: true).click
    expect(page).to have_css(".mix-tabs input[value='#{panel}']:checked", visible: :all).and have_css("#mix-panel [data-fragment]")
    settled
  end

  def type(text) = fill_in("Colour in any notation", with: text)

  def hex_now = find("#mix-hex").text

  def channel(model, index) = find("#mix-#{model}-#{index}").value.to_f

  it "reads each model, says which, and moves all the others" do
    mix(models: "hsl,lch,oklch,cmyk")
    {"rgb(228 111 88)" => ["RGB", "#E46F58"], "hsb 200 60 80" => ["HSB", "#52A3CC"], "hsl 10 70 62" => ["HSL", "#E2715A"], "lab 60.3 42.4 33.2" => ["Lab", "#DE705A"],
     "lch(60 40 120)" => ["LCh", nil], "oklch(0.7 0.1 200)" => ["OKLCH", nil], "cmyk 0 66 61 4" => ["CMYK", nil], "#2F8FA380" => ["RGB", "#2F8FA380"]}.each do |text, (model, hex)|
      type text
      expect(page).to have_content("Read as #{model}")
      expect(page).to have_css("#mix-hex", text: hex || Magpie::Notation.parse(text).hex)
      lightness = Magpie::Notation.parse(text).in(:oklch)[0]
      eventually { expect(channel("oklch", 0)).to be_within(0.002).of(lightness) }
    end
    expect(find("#mix-opacity").value).to eq "50"
  end

  it "reads bare numbers in the chosen model" do
    mix(bare: "hsl")
    type "10 70 62"
    expect(page).to have_content("Read as HSL")
    expect(page).to have_css("#mix-hex", text: "#E2715A")
  end

  it "says what is wrong, and marks what a screen cannot show until it is brought in" do
    mix
    type "rgb(300 0 0)"
    expect(page).to have_css("[aria-invalid=true]")
    type "oklch(0.7 0.25 200)"
    expect(page).to have_content(/Read as OKLCH. Outside what a screen shows: #\h{6} is the nearest/)
    expect(page).to have_css(".shown-range", visible: :all)
    click_button "Bring in"
    expect(page).to have_content("Read as RGB")
    expect(page).to have_no_button("Bring in")
  end

  it "is dragged in the slice, and moved there by key" do
    mix
    box = box_of("#slice")
    mouse.move(x: box["x"] + 30, y: box["y"] + 60)
    mouse.down
    mouse.move(x: box["x"] + 54, y: box["y"] + 107, steps: 6)
    mouse.up
    eventually do
      l, c, h = Magpie::Notation.parse(hex_now).in(:oklch)
      expect([l, c]).to match [be_within(0.01).of(0.5), be_within(0.01).of(0.37 * 54 / 270)]
      expect(h).to be_within(3).of(ember.colour.in(:oklch)[2])
    end
    before = Magpie::Notation.parse(hex_now).in(:oklch)[0]
    keys :up, :up, :up
    eventually { expect(Magpie::Notation.parse(hex_now).in(:oklch)[0]).to be_within(0.008).of(before + 0.03) }
    expect(ember.reload.hex).to eq "#E46F58"
  end

  it "takes other axes, and remembers them" do
    mix
    select "a across, b up", from: "Axes of the slice"
    expect(page).to have_css("#slice[data-plane=a_b]")
    eventually { expect(find("#slice-image")["src"]).to include "plane=a_b" }
    visit "/projects/#{demo.id}/dress?mix=#{ember.id}"
    expect(page).to have_css("#slice[data-plane=a_b]")
  end

  it "nudges by button and by key, by the size that is set" do
    mix
    l = ember.colour.in(:oklch)[0]
    click_button "Lighter"
    eventually { expect(Magpie::Notation.parse(hex_now).in(:oklch)[0]).to be_within(0.004).of(l + 0.02) }
    fill_in "Size", with: "3"
    find("#slice").evaluate_script("this.focus()")
    keys ","
    eventually { expect(Magpie::Notation.parse(hex_now).in(:oklch)[0]).to be_within(0.004).of(l - 0.04) }
    eventually { expect(page).to have_css("#mix-steps button", minimum: 2) }
    keys :escape
    expect(page).to have_no_css("#mix")
    expect(ember.reload.hex).to eq "#E46F58"
  end

  it "takes a number by scrubbing, and by arrow keys with Shift for ten" do
    mix
    box = box_of("label[for=mix-rgb-1]")
    mouse.move(x: box["x"] + 4, y: box["y"] + 8)
    mouse.down
    mouse.move(x: box["x"] + 24, y: box["y"] + 8, steps: 4)
    mouse.up
    expect(page).to have_css("#mix-hex", text: "#E48358")
    find("input[aria-label='Red, number']").evaluate_script("this.focus()")
    keys %i[shift down]
    expect(page).to have_css("#mix-hex", text: "#DA8358")
  end

  it "keeps the choice of models" do
    mix
    find(".mix-models summary").click
    within("#mix-models") { check "LCh" } # a fifth is one too many
    expect(page).to have_no_css("fieldset[data-model=lch]")
    within("#mix-models") { uncheck "HSB" }
    expect(page).to have_no_css("fieldset[data-model=hsb]")
    visit "/projects/#{demo.id}/gather?mix=#{ember.id}"
    eventually { expect(all("fieldset[data-model]").map { |group| group["data-model"] }).to eq %w[rgb lab cmyk] }
  end

  it "makes finds of several notations pasted at once, or none" do
    mix
    paste = lambda do |text|
      find("#mix-notation").execute_script("const data = new DataTransfer(); data.setData('text/plain', arguments[0]); this.dispatchEvent(new ClipboardEvent('paste', { clipboardData: data, bubbles: true, cancelable: true }))", text)
    end
    paste.call "#2F8FA3\nhsl 10 70 62\nmauve-ish"
    expect(page).to have_content("line 3: “mauve-ish” is not a colour")
    expect(demo.finds.count).to eq 10
    paste.call "#2F8FA3\nhsl 10 70 62\nlab 60.3 42.4 33.2"
    expect(page).to have_content("Took 3 colours as finds")
    expect(demo.finds.limit(3).map(&:hex)).to eq %w[#DE705A #E2715A #2F8FA3]
  end

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
    expect(find("#mix-panel input[name=name]").value).to end_with "triad"
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
    before = page.evaluate_script(asked)
    answers = page.evaluate_async_script("(async done => { let count = 0; while (count < 40 && (await fetch('/health')).ok) count++; done(count) })(arguments[0])")
    expect([answers, page.evaluate_script(asked) - before]).to eq [40, 0]
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
