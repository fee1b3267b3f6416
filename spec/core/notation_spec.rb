RSpec.describe Magpie::Notation do
  # Written form => the colour on a screen.
  good = {
    "#E2705A" => "#E2705A", "e2705a" => "#E2705A", "#FC0" => "#FFCC00", "fc08" => "#FFCC0088", "#E2705A80" => "#E2705A80",
    "255 251 161" => "#FFFBA1", "255, 251, 161" => "#FFFBA1", "r255 g251 b161" => "#FFFBA1", "R: 255, G: 251, B: 161" => "#FFFBA1",
    "rgb(226 112 90)" => "#E2705A", "rgb(226,112,90)" => "#E2705A", "RGBA(226, 112, 90, .5)" => "#E2705A80", "rgb(226 112 90 / 50%)" => "#E2705A80",
    "rgb(100% 0% none)" => "#FF0000", "rgb 226 112 90" => "#E2705A", "hsl(0 100% 50%)" => "#FF0000", "hsl(120deg, 100%, 25%)" => "#008000",
    "hsl(.5turn 100% 50%)" => "#00FFFF", "hsl(200grad 100% 50%)" => "#00FFFF", "hsl(-120 100 50)" => "#0000FF", "hsl 91 24 55" => "#8BA871",
    "hsb 10 60 89" => "#E3715B", "hsb(10° 60% 89%)" => "#E3715B", "hwb(60 0% 0%)" => "#FFFF00", "hwb(0 60% 60%)" => "#808080",
    "hwb(150 20% 10%)" => "#33E68C", # as CSS Color 4, section 8, has it
    "lab 60.3 42.4 33.2" => "#DE705A", "lab(100% 0 0)" => "#FFFFFF", "lch(0 0 0)" => "#000000", "oklab(1 0 0)" => "#FFFFFF",
    "oklch(0.68 0.14 34°)" => "#E1755C", "oklch(68% 35% 34)" => "#E1755C", "color(srgb 1 0.5 0)" => "#FF8000", "color(display-p3 1 1 1)" => "#FFFFFF",
    "color(xyz-d50 0.9642956 1 0.8251046)" => "#FFFFFF", "rebeccapurple" => "#663399", "RebeccaPurple" => "#663399", "Rebecca Purple" => "#663399", "transparent" => "#00000000",
    "  #e2705a;  " => "#E2705A", "rgb(2.26e2 112 90)" => "#E2705A"
  }.freeze

  good.each do |text, hex|
    it("reads #{text}") { expect(described_class.parse(text).hex).to eq hex }
  end

  # Bad form => what its message must say.
  bad = {
    "" => /nothing was given/, "dusk" => /“dusk” is not a colour that I know: expected a colour such as/, "#12345" => /not a hex colour: expected # and 3, 4, 6 or 8/,
    "rgb(300 0 0)" => /red is 300: expected 0 to 255/, "rgb(0 -1 0)" => /green is -1: expected 0 to 255/, "rgb(0 0 120%)" => /blue is 120%: expected 0% to 100%/,
    "hsl(10 70)" => /2 numbers: expected 3, hue, saturation and lightness/, "hsl(10 120% 5%)" => /saturation is 120%/, "rgb(1 2 3 / 2)" => /opacity is 2: expected 0 to 1/,
    "rgb(1 2 3 4 5)" => /5 numbers/, "lab(50 x 0)" => /“x” is not a number/, "oklch(60 0.1 20)" => /lightness is 60: expected 0 to 1/,
    "oklch(0.6 -0.1 20)" => /chroma is -0.1: expected 0 or more/, "hsl(10% 5% 5%)" => /hue is 10%: expected an angle/, "mauve(1 2 3)" => /no colour notation called mauve/,
    "color(srgb2 1 1 1)" => /does not know the space “srgb2”/, "rgb(1 2 3 / 0.5 6)" => /nothing may follow the opacity/, "12 13" => /2 numbers/,
    "cmyk 0 66 61" => /3 numbers: expected 4, cyan, magenta, yellow and black/, "x" * 300 => /at most 200 characters/
  }.freeze

  bad.each do |text, message|
    it("refuses #{text[0, 30].inspect} with a reason") { expect { described_class.parse(text) }.to raise_error(Magpie::Error, message) }
  end

  it "clamps instead of refusing when it reads files" do
    expect(described_class.parse("rgb(300 -5 0)", lenient: true).hex).to eq "#FF0000"
  end

  it "never raises anything but its own error" do
    random = Random.new(42)
    pieces = %w[rgb hsl ( ) , / # % deg none e + - . 0 12 300 \u00B0 turn color srgb cmyk ff red] + [" ", "\0", (+"\xFF").force_encoding("UTF-8")]
    10_000.times do
      text = Array.new(random.rand(1..9)) { pieces.sample(random:) }.join
      described_class.parse(text)
    rescue Magpie::Error => error
      expect(error.message).not_to be_empty
    end
  end

  it "reads back what it writes" do
    random = Random.new(5)
    200.times do
      colour = Magpie::Color.srgb8(random.rand(256), random.rand(256), random.rand(256))
      expect(described_class.parse(described_class.write(colour, :hex)).hex).to eq colour.hex
      %i[rgb lab oklch].each do |model|
        expect(Magpie::Difference.de2000(described_class.parse(described_class.write(colour, model)), colour)).to be < 0.25
      end
      %i[hsb hsl].each do |model|
        expect(Magpie::Difference.de2000(described_class.parse(described_class.write(colour, model)), colour)).to be < 2.5
      end
    end
  end

  it "shows what a screen shows for colours outside of it" do
    expect(described_class.numbers(Magpie::Notation.parse("color(display-p3 1 0 0)"), :hsb)).to match(/\A\d+° \d+% 100%\z/)
    expect(described_class.write(Magpie::Notation.parse("#E2705A"), :hsb)).to eq "hsb(10 60% 89%)"
  end
end
