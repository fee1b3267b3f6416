require "support/mix_screens"

RSpec.describe "Mix", :screen do
  include MixScreens

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
end
