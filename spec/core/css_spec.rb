RSpec.describe Magpie::Formats::Css do
  def read(text) = Magpie::Formats.read(text, name: "moor.css", as: "css")

  def colours(result) = result.palette.groups.to_h { |group| [group.name, group.swatches.map { |swatch| [swatch.name, swatch.colour.hex] }] }

  def notes(result) = result.notes.map(&:to_s)

  it "reads custom properties with their headings, names and notes" do
    result = read(<<~CSS)
      /* “Night open house” */
      :root {
        /* ==== Dusk sky ==== */
        --zenith-indigo: #231F55; /* the top of it */
        --emberSky: rgb(228 111 88 / 50%) !important; /* “Ember, at nine”: for the tail */

        /* Night ground */
        --peat: #121720;
        --gap: 4px; --font: "Sans", monospace;
      }
    CSS
    expect(result.palette.name).to eq "Night open house"
    expect(colours(result)).to eq("Dusk sky" => [["Zenith indigo", "#231F55"], ["Ember, at nine", "#E46F5880"]], "Night ground" => [["Peat", "#121720"]])
    expect(result.palette.swatches.map(&:note)).to eq ["the top of it", "for the tail", nil]
    expect(notes(result)).to eq ["2 custom properties are no colours, left out: --gap, --font"]
  end

  it "reads rules, nested ones too, and says where colours stand" do
    result = read(<<~CSS)
      .ember { color: #E46F58; border: 1px solid #231F55; &:hover { background: linear-gradient(red, blue) } .moor & { fill: var(--x, teal) } }
      @media (prefers-color-scheme: dark) { :root { --ground: #111 } @supports (color: lab(0 0 0)) { html { --deep: #222 } } }
      @media print { .ember { color: #000; outline-color: currentColor } }
      @property --lamp { syntax: "<color>"; inherits: true; initial-value: #FFCE5C }
    CSS
    expect(colours(result)).to eq("moor" => [["Ember", "#E46F58"], ["Ember, border", "#231F55"], ["Ember", "#8C53A2"], ["Ember", "#008080"], ["Lamp", "#FFCE5C"]], "dark" => [["Ground", "#111111"], ["Deep", "#222222"]], "print" => [["Ember", "#000000"]])
  end

  it "reads a property wherever it is declared, and of two in one place the later, which it says" do
    result = read(":root{--ember:#E46F58;--moor:#121720}\n.night{--ember:#703020}\n@media (prefers-color-scheme: dark){:root{--ember:color-mix(in srgb, #000, #E46F58)}}\n:root{--moor:#181720}")
    expect(colours(result)).to eq("moor" => [["Ember", "#E46F58"], ["Moor", "#181720"]], ".night" => [["Ember", "#703020"]], "dark" => [["Ember", "#72382C"]])
    expect(notes(result)).to eq ["line 1: declared again on line 4, which counts"]
  end

  it "is known where all of it stands in one line" do
    result = Magpie::Formats.read(":root{#{(0..600).map { |n| "--tarn-#{n}:rgb(#{n % 256},#{n % 99},3)" }.join(";")}}", name: "moor.css")
    expect([result.format, result.palette.swatches.size]).to eq ["css", 601]
  end

  it "follows var() with and without something to fall back on, and refuses circles" do
    result = read(":root{--a:var(--b);--b:var(--c,#fff);--n:226 112 90;--d:rgb(var(--n) / .5);--e:var(--f);--f:var(--e);--g:var(--nowhere);--h:var(--nowhere, var(--a))}")
    expect(colours(result)["moor"]).to eq [["A", "#FFFFFF"], ["B", "#FFFFFF"], ["D", "#E2705A80"], ["H", "#FFFFFF"]]
    expect(notes(result)).to include("line 1: --e holds itself, left out", "line 1: --f holds itself, left out", "line 1: --nowhere is not in the file, left out")
  end

  it "mixes colours and makes them from others, as far as they are constant" do
    result = read(<<~CSS)
      :root {
        --a: color-mix(in srgb, #ff0000 25%, blue);
        --b: color-mix(in oklab, white, black);
        --c: color-mix(in hsl longer hue, hsl(120 100% 50%), hsl(180 100% 50%) 50%);
        --d: color-mix(in srgb, #f00 20%, transparent 20%);
        --e: oklch(from #E46F58 calc(l * 0.5) c h);
        --f: rgb(from rgb(200 100 50) b g r / 25%);
        --g: hsl(from hsl(10 70 62) calc(h + 180) min(s, 50) clamp(10, l, 40));
        --h: color(from white srgb 0.5 g calc((r + b) / 4));
        --i: light-dark(#fff, color-mix(in lch, #000, #fff 10%));
        --j: rgb(calc(100 + 28) 0 0);
      }
    CSS
    found = colours(result)
    expect(found["moor"].to_h.slice("A", "B", "C", "D", "F", "H", "I", "J")).to eq("A" => "#4000BF", "B" => "#636363", "C" => "#FF0080", "D" => "#FF000033", "F" => "#3264C840", "H" => "#80FF80", "I" => "#FFFFFF", "J" => "#800000")
    expect(result.palette.swatches.find { |swatch| swatch.name == "E" }.colour.components[0]).to be_within(1e-6).of(hex("#E46F58").in(:oklch)[0] / 2)
    expect(result.palette.swatches.find { |swatch| swatch.name == "G" }.colour.components).to eq [190.0, 50.0, 40.0]
    expect(found["moor, dark"]).to eq [["I", "#1B1B1B"]]
  end

  it "says what is not constant, or wrong, and reads the rest" do
    result = read(":root{--a:currentColor;--b:rgb(1 2);--c:color-mix(in mauve, red, blue);--d:oklch(from red q c h);--e:rgb(from red calc(r / 0) g b);--f:color-mix(in srgb, red);--g:light-dark(red);--h:#12345;--i:#fff}")
    expect(colours(result)).to eq("moor" => [["I", "#FFFFFF"]])
    expect(notes(result)).to match [/currentColor depends on where it is used/, /“1 2” has 2 numbers/, /color-mix\(\) in “mauve”/, /“q” is no channel here: expected l, c, h and alpha/, /divides by nothing/, /has 1 colour: expected two/, /has 1 colour: expected two/, /“#12345” is not a hex colour/]
    expect(notes(result)).to all(start_with("line 1: ").and(end_with(", left out")))
  end

  it "reads gradients with sides, angles, and stops that lie nowhere or follow a property" do
    result = read(":root{--a:#E46F58;--g:linear-gradient(to right, var(--a), #fff 20% 40%, 55%, #000);--r:radial-gradient(circle at 20% 20%, red, lime, blue);--t:linear-gradient(0.25turn, red 50%, blue 20%);--p:linear-gradient(red 4px, blue);--one:linear-gradient(red)}")
    gradients = result.palette.swatches.filter_map { |swatch| swatch.compound && [swatch.name, swatch.compound.form, swatch.compound.angle, swatch.compound.inks.map { |ink| [ink.colour.hex, ink.offset.round(3), ink.reference].compact }] }
    expect(gradients).to eq [
      ["G", "linear", 0.0, [["#E46F58", 0.0, [0, 0]], ["#FFFFFF", 0.2], ["#FFFFFF", 0.4], ["#000000", 1.0]]],
      ["R", "round", 0.0, [["#FF0000", 0.0], ["#00FF00", 0.5], ["#0000FF", 1.0]]], ["T", "linear", 0.0, [["#FF0000", 0.5], ["#0000FF", 0.5]]]
    ]
    expect(notes(result)).to match [/lies at 4px: expected per cent/, /has 1 stop: expected 2 to 48/]
  end

  it "tells channels that stand alone by the name of their property" do
    result = read(":root{--moor-hsl: 210 17% 98%;--dusk-rgb: 35, 31, 85;--lamp:#FFCE5C;--lamp-rgb:255 206 92}")
    expect(colours(result)).to eq("moor" => [["Moor", "#F9FAFB"], ["Dusk", "#231F55"], ["Lamp", "#FFCE5C"]])
    expect(notes(result)).to eq ["line 1: channels alone, read as hsl() since --moor-hsl says so", "1 custom property is no colour, left out: --lamp-rgb"]
  end

  it "writes a notation, a prefix, and two colours where a palette for the dark is given" do
    swatches = [["Ember sky", "#E46F58"], ["Ember sky", "oklch(0.7 0.2 30)"], ["夜", "#00000080"]].map { |name, text| Magpie::Palette::Swatch.new(name:, colour: hex(text)) }
    palette = Magpie::Palette.new(name: "House", groups: [Magpie::Palette::Group.new(name: "Dusk", swatches:)])
    expect(described_class.write(palette)).to eq <<~CSS
      /* “House” */

      :root {
        /* Dusk */
        --ember-sky: #E46F58;
        --ember-sky-2: oklch(0.7 0.2 30); /* “Ember sky” */
        --swatch: #00000080; /* “夜” */
      }
    CSS
    dark = Magpie::Palette.new(name: "Dark", groups: [Magpie::Palette::Group.new(name: "Dusk", swatches: [Magpie::Palette::Swatch.new(name: "夜", colour: hex("#fff"))])])
    expect(described_class.write(palette, "model" => "hex", "prefix" => "Night sky", "dark" => dark)).to include("color-scheme: light dark;", "--night-sky-ember-sky: #E46F58; /* “Ember sky” */", "--night-sky-swatch: light-dark(#00000080, #FFFFFF); /* “夜” */")
  end

  it "spends no more than its budget, and refuses what is nested too deep" do
    doubling = (1..40).map { |n| "--a#{n}: var(--a#{n - 1}) var(--a#{n - 1});" }.join
    expect(notes(read(":root{--a0:red;#{doubling}--z:#fff}")).first).to include("it comes to more than 2,000 pieces")
    expect(notes(read(":root{--a:rgb(1e9999 0 0);--b:#fff}"))).to eq ["line 1: the number 1e9999 is none, left out"]
    expect(notes(read(":root{--a:#{"x" * 20_001};--b:#fff}"))).to eq ["line 1: a value of 20,001 characters: expected 20,000 at most, left out"]
    {"a{" * 40 => /rules are nested deeper than 32/, ":root{--a:#{"calc(" * 40}1#{")" * 40}}" => /brackets nested deeper than 32/}.each do |text, message|
      expect { read(text) }.to raise_error(Magpie::Error, message)
    end
  end
end
