RSpec.describe Magpie::Formats::Table do
  def read(text, **how) = Magpie::Formats.read(text, name: "trail.csv", as: "table", **how)

  def swatches(result) = result.palette.swatches.map { |swatch| [swatch.name, swatch.colour.hex] }

  def notes(result) = result.notes.map(&:to_s)

  it "knows columns by heading, in any order and in what people write" do
    {
      "Name,R,G,B\nEmber,228,111,88\n" => "RGB as 0 to 255", "Blue;Green;Red;Colour name\n88;111;228;Ember\n" => "RGB as 0 to 255", "sRGB R\tsRGB G\tsRGB B\tTitle\n0.8941\t0.4353\t0.3451\tEmber\n" => "RGB as 0 to 1",
      "Name,Red %,Green %,Blue %\nEmber,89.41,43.53,34.51\n" => "RGB as per cent", "swatch,R (0-255),G (0-255),B (0-255)\nEmber,228,111,88\n" => "RGB as 0 to 255", "Name|HEX\nEmber|E46F58\n" => "recognised by its headings",
      "name,Lab_L,Lab_a,Lab_b\nEmber,61.0,45.144,35.15\n" => "recognised by its headings", "Name,L*,a*,b*\nEmber,61.0,45.144,35.15\n" => "recognised by its headings", "CIE L,CIE a,CIE b,Name\n61.0,45.144,35.15,Ember\n" => "recognised by its headings",
      "Name,H,S,L\nEmber,9.86,72.16,61.96\n" => "HSL as per cent", "Name,Hue,Saturation,Value\nEmber,9.86,0.614,0.8941\n" => "HSB as 0 to 1", "Bezeichnung;Rot;Grün;Blau\nEmber;228;111;88\n" => "RGB as 0 to 255",
      "name,value\nEmber,rgb(228 111 88)\n" => "recognised by its headings", "Name,X,Y,Z\nEmber,41.35,29.25,9.592\n" => "XYZ as 0 to 100", "Name,OKLCH L,OKLCH C,OKLCH H\nEmber,0.6752,0.1506,32.6\n" => "OKLCH as 0 to 1",
      "Name,L,C,h\nEmber,0.6752,0.1506,32.6\n" => "OKLCH as 0 to 1", "name;L;a;b\nEmber;0,6752;0,1269;0,0811\n" => "OKLab as 0 to 1", "Name,L,C,h\nEmber,61,57.2,37.9\n" => "recognised by its headings",
      "Name,Colour\nEmber,lab(61 45.144 35.15)\n" => "recognised by its headings", "Colour;Hex\nEmber;E46F58\n" => "recognised by its headings", "Farbe;Rot;Grün;Blau\nEmber;228;111;88\n" => "RGB as 0 to 255",
      "RGB,Name\n\"228, 111, 88\",Ember\n" => "recognised by its headings", "Name;Lab\nEmber;61,0 / 45,144 / 35,15\n" => "recognised by its headings", "Name|CMYK\nEmber|0 / 63 / 59 / 0\n" => "recognised by its headings"
    }.each do |text, words|
      result = read(text)
      expect([text, result.palette.swatches.map(&:name), notes(result)]).to eq [text, ["Ember"], []]
      expect([text, Magpie::Difference.de2000(result.palette.swatches[0].colour, hex("#E46F58"))]).to match [text, be < (text.include?("CMYK") ? 5 : 0.3)]
      expect(result.words).to include(words)
    end
  end

  it "reads inks by letter or word, in per cent or as shares, and keeps them beside a colour" do
    ["Name,C,M,Y,K\nEmber,0,66,61,4\n", "Name;Cyan;Magenta;Yellow;Black\nEmber;0;0,66;0,61;0,04\n", "Name,C%,M%,Y%,K%\nEmber,0%,66%,61%,4%\n"].each do |text|
      colour = read(text).palette.swatches[0].colour
      expect([text, colour.model, colour.components.map { |ink| ink.round(6) }]).to eq [text, :cmyk, [0, 66, 61, 4]]
    end
    ember = read("Name,Hex,C,M,Y,K\nEmber,#E46F58,0,66,61,4\n").palette.swatches[0]
    expect([ember.colour.hex, ember.inks]).to eq ["#E46F58", [0, 66, 61, 4]]
  end

  it "takes numbers with a comma, hex with and without #, opacities of any kind, groups, codes, kinds and notes" do
    result = read("Group;Code;Name;Hex;Opacity;Kind;Note\nDusk;Q 1;Ember;#E46F58;50 %;Spot;for the tail\nDusk;Q 2;Moor;12 17 20;;;\n;Q 3;Peat;121720;25;;\nNight;;=1+2;0f0;100;;\n")
    expect(result.palette.groups.map { |group| [group.name, group.swatches.map { |swatch| [swatch.name, swatch.colour.hex, swatch.code, swatch.kind, swatch.note].compact }] }).to eq [
      ["Dusk", [["Ember", "#E46F5880", "Q 1", "spot", "for the tail"]]], ["trail", [["Peat", "#12172040", "Q 3"]]], ["Night", [["=1+2", "#00FF00"]]]
    ]
    expect(notes(result)).to eq ["line 3: “12 17 20” is not a hex colour: expected 3, 4, 6 or 8 digits of 0–9 and A–F, left out"]
    expect(read("Name;R;G;B\nEmber;0,8941;0,4353;0,3451\n").palette.swatches[0].colour.hex).to eq "#E46F58"
  end

  it "tells opacities by what has no sign of per cent, and columns that it does not read" do
    result = read("Name,Hex,Opacity,Supplier,Empty\nEmber,#E46F58,50%,Pier,\nMoor,#121720,1,Pier,\nPeat,#121721,0.25,,\n")
    expect(swatches(result)).to eq [["Ember", "#E46F5880"], ["Moor", "#121720"], ["Peat", "#12172140"]]
    expect(notes(result)).to eq ["the column “Supplier” is left out"]
    expect(notes(read("Name,Hex,Supplier,Shelf\nEmber,#E46F58,Pier,2\n"))).to eq ["the columns “Supplier” and “Shelf” are left out"]
  end

  it "notes lines that it cannot read, and names what has none" do
    result = read("Trail colours 2026\n\nName,R,G,B\nFlare,300,90,40\n,114,193,60\nGap,,,\nHalf,1,2,\n")
    expect(swatches(result)).to eq [["Yellow green", "#72C13C"]].tap { |expected| expected[0][0] = result.palette.swatches[0].name }
    expect(notes(result)).to eq ["line 1: no colour, read as a title", "line 4: red is 300: expected 0 to 255, left out", "line 5: no name: called “#{result.palette.swatches[0].name}”", "line 6: no colour, left out", "line 7: blue is “”: expected a number, left out"]
    expect(result.notes[1].excerpt).to eq "Flare,300,90,40"
  end

  it "reads quotation marks, breaks in them, and what is left open" do
    expect(swatches(read("Name,Hex\r\n\"Ember, \"\"late\"\"\nsky\",#E46F58\r\n"))).to eq [["Ember, \"late\" sky", "#E46F58"]]
    open = read("Name,Hex\nEmber,#E46F58\n\"Moor,#121720\nPeat,#111111\n")
    expect(swatches(open)).to eq [["Ember", "#E46F58"], ["\"Moor", "#121720"], ["Peat", "#111111"]]
    expect(notes(open)).to eq ["line 3: a quotation mark is left open, so all of them are read as they are"]
  end

  it "tells columns without headings by what stands in them" do
    expect(swatches(read("Ember,228,111,88\nMoor,18,23,32\n"))).to eq [["Ember", "#E46F58"], ["Moor", "#121720"]]
    expect(swatches(read("#E46F58;Ember\n#121720;Moor\n"))).to eq [["Ember", "#E46F58"], ["Moor", "#121720"]]
    expect(read("#E46F58;Ember\n").words).to include "without headings"
  end

  it "lets columns be assigned by hand where they cannot be told" do
    text = "eins,zwei,drei,vier\nEmber,61.0,45.144,35.15\nMoor,8,0,-6\n"
    unknown = read(text)
    expect([unknown.palette.swatches, notes(unknown).first, unknown.columns.headings, unknown.columns.samples.first]).to eq [[], "what its columns hold cannot be told: say which is which", %w[eins zwei drei vier], ["Ember", "61.0", "45.144", "35.15"]]
    result = read(text, columns: {0 => "name", 1 => "lab_l", 2 => "lab_a", 3 => "lab_b"})
    expect(swatches(result).first).to eq ["Ember", "#E46F58"]
    expect([notes(result), result.words]).to eq [[], "A table in UTF-8, with columns as assigned"]
    expect { read(text, columns: {0 => "name", 1 => "name"}) }.to raise_error(Magpie::Error, "trail.csv: two columns are “Name”: expected one of each")
  end

  it "reads every encoding and line end" do
    text = "Name;Hex\nGlut über Moor;#E46F58\n"
    [text, "\uFEFF#{text}", text.encode("UTF-16LE").prepend("\uFEFF".encode("UTF-16LE")), text.encode("ISO-8859-1"), text.gsub("\n", "\r\n"), text.tr("\n", "\r"), "sep=;\n#{text}"].each do |bytes|
      expect(swatches(read(bytes.b))).to eq [["Glut über Moor", "#E46F58"]]
    end
    expect(read(text.encode("ISO-8859-1").b).words).to start_with "A table in Latin-1"
  end

  it "writes what no spreadsheet takes for a formula, and reads it back" do
    names = ["=cmd|calc", "+1", "-1", "@x", "'=x", "'plain"]
    palette = Magpie::Palette.new(name: "trail", groups: [Magpie::Palette::Group.new(name: "=Trail", swatches: names.map { |name| Magpie::Palette::Swatch.new(name:, colour: hex("#fff")) })])
    text = described_class.write(palette, "model" => "hex")
    expect(text.lines.map { |line| line.split(",").first(2) }).to eq [%w[Group Name], ["'=Trail", "'=cmd|calc"], ["'=Trail", "'+1"], ["'=Trail", "'-1"], ["'=Trail", "'@x"], ["'=Trail", "''=x"], ["'=Trail", "'plain"]]
    expect(read(text).palette.swatches.map(&:name)).to eq names
  end

  describe Magpie::Formats::Plain do
    def read(text) = Magpie::Formats.read(text, name: "rgb.txt", as: "plain")

    it "reads rows of numbers or hex, with remarks of both kinds" do
      result = read("! X11\n# remark\n255 250 250\t\tsnow\n  0   0 128  navy blue\n#E46F58 Ember\n121720\n#add the rest\n#fff\n300 1 1 x\n1 2\n")
      expect(swatches(result)).to eq [["snow", "#FFFAFA"], ["navy blue", "#000080"], ["Ember", "#E46F58"], ["", "#121720"], ["", "#FFFFFF"]]
      expect(notes(result)).to eq ["line 9: red is 300: expected 0 to 255, left out", "line 10: expected red, green and blue from 0 to 255, or a hex colour, left out"]
    end
  end

  describe Magpie::Formats::Pasted do
    it "finds colours of any notation, one or several in a line, with names on either side" do
      {
        "Ember: #E46F58" => [["Ember", "#E46F58"]], "#E46F58 — Ember" => [["Ember", "#E46F58"]], "rgb(228, 111, 88)" => [["", "#E46F58"]], "Ember 228 111 88" => [["Ember", "#E46F58"]], "R 228 G 111 B 88 Ember" => [["Ember", "#E46F58"]],
        "Ember #E46F58, Moor #121720; Peat oklch(0.2 0.02 260)" => [["Ember", "#E46F58"], ["Moor", "#121720"], ["Peat", "#11161F"]], "#fff paper #000 ink" => [["paper", "#FFFFFF"], ["ink", "#000000"]],
        "hsl 10, 72%, 62%" => [["", "#E47058"]], "Lab 60,3 / 42,4 / 33,2 Ember" => [["Ember", "#DE705A"]], "Dusk (hsb: 244 64 33)" => [["Dusk", "#221E54"]], "tomato, Rebecca Purple" => [["Tomato", "#FF6347"], ["Rebecca Purple", "#663399"]], "E46F58" => [["", "#E46F58"]],
        "rgb(228 111 88) Ember; #121720" => [["Ember", "#E46F58"], ["", "#121720"]], "rgb(228 111 88) Ember; Moor: #121720" => [["Ember", "#E46F58"], ["Moor", "#121720"]],
        "[{\"name\": \"Ember\", \"hex\": \"#E46F58\"}, {\"hex\": \"#121720\"}]" => [["Ember", "#E46F58"], ["", "#121720"]], "[{\"hex\":\"#E46F58\",\"name\":\"Ember\"}]" => [["Ember", "#E46F58"]], "const late = {ember: '#E46F58', moor: `#121720`}" => [["ember", "#E46F58"], ["moor", "#121720"]]
      }.each do |line, expected|
        result = Magpie::Formats.read("#{line}\n", name: "pasted", as: "text")
        expect([line, swatches(result)]).to eq [line, expected]
      end
    end

    it "takes inks for inks, and says what is no colour" do
      result = Magpie::Formats.read("Ember C0 M66 Y61 K4\ncmyk 0 66 61 4\nnothing here at 10:45\nrgb(300 1 1)\nC0 M166 Y0 K0\n", name: "pasted")
      expect([result.format, result.palette.swatches.map { |swatch| [swatch.name, swatch.colour.components] }]).to eq ["text", [["Ember", [0, 66, 61, 4]], ["", [0, 66, 61, 4]]]]
      expect(notes(result)).to eq ["line 3: no colour in it", "line 4: red is 300: expected 0 to 255, left out", "line 5: magenta is 166: expected 0 to 100, left out"]
    end
  end
end
