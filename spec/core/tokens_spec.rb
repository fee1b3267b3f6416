require "json"
require "support/palettes"

RSpec.describe Magpie::Formats::Tokens do
  def read(text) = Magpie::Formats.read(text, name: "night.tokens.json")

  def read_tree(**tree) = read(JSON.generate(tree))

  def names(result) = result.palette.groups.to_h { |group| [group.name, group.swatches.map { |swatch| [swatch.name, swatch.colour.hex] }] }

  def notes(result) = result.notes.map(&:to_s)

  it "brings back equal what it wrote: groups, names, order, marks, colours to the last bit" do
    60.times do |seed|
      palette = RandomPalettes.new(Random.new(seed)).palette
      result = read(described_class.write(palette))
      expect(result.palette).to eq palette
      expect(notes(result) - ["there is no colour in it"]).to be_empty
    end
  end

  it "takes what was changed elsewhere for what it is now, and keeps what was not" do
    stops = %w[#231F55 #E46F58].each_with_index.map { |hex, offset| Magpie::Palette::Compound::Ink.new(colour: hex(hex), offset: offset.to_f) }
    dusk = Magpie::Palette::Compound.new(form: "radial", angle: 0.0, size: 9.0, inks: stops)
    swatches = [Magpie::Palette::Swatch.new(name: "Ember", colour: Magpie::Color.new(:hsb, [10, 61, 89])), Magpie::Palette::Swatch.new(name: "Dusk", colour: dusk.colour, compound: dusk)]
    tree = JSON.parse(described_class.write(Magpie::Palette.new(name: "House", groups: [Magpie::Palette::Group.new(name: "Sky", swatches:)])))
    expect(read(JSON.generate(tree)).palette.swatches.map { |swatch| [swatch.colour.model, swatch.compound&.form] }).to eq [[:hsb, nil], [:oklab, "radial"]]
    tree["Sky"]["Ember"]["$value"]["components"] = [0, 0, 1]
    tree["Sky"]["Dusk"]["$value"][1]["color"] = tree["Sky"]["Ember"]["$value"]
    changed = read(JSON.generate(tree)).palette.swatches
    expect([changed[0].colour.hex, changed[1].compound.form, changed[1].compound.inks.map { |ink| ink.colour.hex }]).to eq ["#0000FF", "radial", %w[#231F55 #0000FF]]
  end

  it "reads gradients of others, with stops that follow, and refuses what is none" do
    result = read_tree("sky" => {"ember" => {"$type" => "color", "$value" => "#e46f58"}, "dusk" => {"$type" => "gradient", "$value" => [{"color" => "{sky.ember}", "position" => 0.25}, {"color" => "#231f55", "position" => 1}]},
                                 "odd" => {"$type" => "gradient", "$value" => [{"color" => "#fff", "position" => 0}]}})
    dusk = result.palette.swatches[1].compound
    expect(dusk.inks.map { |ink| [ink.colour.hex, ink.offset, ink.reference] }).to eq [["#E46F58", 0.25, [0, 0]], ["#231F55", 1.0, nil]]
    expect(notes(result)).to eq ["sky.odd: a gradient with 1 stop: expected 2 to 48, left out"]
  end

  # Each extends the one before twice: the whole doubles with every line.
  def doubling(levels)
    groups = (1..levels).to_h { |n| ["g#{n}", {"a" => {"$extends" => "{g#{n - 1}}"}, "b" => {"$extends" => "{g#{n - 1}}"}}] }
    JSON.generate({"g0" => {"c" => {"$type" => "color", "$value" => "#E46F58"}}, **groups})
  end

  it "spends no more than its budget on what is in a group, whatever it is" do
    expect { read(JSON.generate("moor" => (0..350_000).to_h { |n| ["t#{n}", 1] })) }.to raise_error(Magpie::Error, "night.tokens.json: it comes to more than 350,000 tokens and groups")
  end

  it "spends no more than its budget on groups that extend one another" do
    expect(read(doubling(4)).palette.swatches.size).to eq 31 # 1 + 2 + 4 + 8 + 16
    expect { read(doubling(40)) }.to raise_error(Magpie::Error, "night.tokens.json: it comes to more than 350,000 tokens and groups")
  end

  it "notes a composite value of no stated type, whatever it looks like" do
    [{"a" => 1}, {"color" => "{g.c}"}, [{"a" => 1}], ["{g.c}"], {"" => {}}, {}, [], nil, 3, true].each do |value|
      result = read_tree(g: {c: {"$type": "color", "$value": "#E46F58"}}, odd: {"$value": value})
      expect([result.palette.swatches.map(&:name), notes(result)]).to eq [["c"], ["odd: of no stated type, not a colour, left out"]]
    end
  end

  it "skips a value that speaks of an alias, and refuses an alias that leads nowhere" do
    result = read_tree(g: {"$type": "color", c: {"$value": "#E46F58"}, odd: {"$value": "alias blue"}})
    expect(result.palette.swatches.map(&:name)).to eq ["c"]
    expect(notes(result).first).to start_with("g.odd: “alias blue” is not a colour")
    expect { read_tree(g: {"$type": "color", odd: {"$value": "{g.nowhere}"}}) }.to raise_error(Magpie::Error, /points at nothing/)
  end

  it "writes what the 2025.10 format says" do
    swatch = Magpie::Palette::Swatch.new(name: "Ember.sky", colour: Magpie::Notation.parse("oklch(0.68 0.14 34 / 0.5)"), shared: true)
    tree = JSON.parse(described_class.write(Magpie::Palette.new(name: "House", groups: [Magpie::Palette::Group.new(name: "Dusk", swatches: [swatch])])))
    token = tree["Dusk"]["Ember_sky"]
    expect(tree["Dusk"]["$type"]).to eq "color"
    expect(token["$value"]).to include("colorSpace" => "oklch", "components" => [0.68, 0.14, 34.0], "alpha" => 0.5, "hex" => "#e1755c")
  end

  it "reads what others write: inherited types, nesting, aliases both ways, hex strings, none" do
    result = read_tree(
      "sky" => {"$type" => "color", "dusk" => {"$value" => {"colorSpace" => "hsl", "components" => [10, "none", 50]}}, "low" => {"deep" => {"$value" => "#231f55"}}},
      "brand" => {"main" => {"$value" => "{sky.dusk}"}, "also" => {"$ref" => "#/sky/low/deep", "$type" => "color"}, "lamp" => {"$type" => "color", "$value" => "{brand.main}"}},
      "space" => {"s" => {"$type" => "dimension", "$value" => {"value" => 4, "unit" => "px"}}}
    )
    expect(names(result)).to eq("sky" => [["dusk", "#808080"]], "sky / low" => [["deep", "#231F55"]],
      "brand" => [["main", "#808080"], ["also", "#231F55"], ["lamp", "#808080"]])
    expect(notes(result)).to eq ["space.s: a dimension, not a colour, left out"]
  end

  it "follows groups that extend others, and refuses those that extend each other" do
    result = read_tree("base" => {"$type" => "color", "peat" => {"$value" => "#121720"}, "mist" => {"$value" => "#a9adb8"}}, "night" => {"$extends" => "{base}", "mist" => {"$value" => "#000"}})
    expect(names(result)["night"]).to eq [["peat", "#121720"], ["mist", "#000000"]]
    expect { read_tree("a" => {"$extends" => "{b}"}, "b" => {"$extends" => "{a}"}) }.to raise_error(Magpie::Error, /extend each other in a circle/)
    expect { read_tree("a" => {"$extends" => "{b}"}) }.to raise_error(Magpie::Error, /\$extends names \{b\}, which is not in it/)
  end

  it "says what it could not read, where, and reads the rest" do
    result = read_tree("a" => {"$type" => "color", "x" => {"$value" => {"colorSpace" => "mauve", "components" => [1, 1, 1]}},
                               "y" => {"$value" => {"colorSpace" => "srgb", "components" => [1, "wide", 1]}}, "z" => {"$value" => "#fc0"}, "w" => 4})
    expect(names(result)).to eq("a" => [["z", "#FFCC00"]])
    expect(notes(result)).to match [/a.x: its colour space is “mauve”/, /a.y: a component is "wide": expected a number/, /a.w: neither a token nor a group/]
  end

  it "refuses aliases that go round in a circle or point at nothing" do
    circle = {"a" => {"$type" => "color", "$value" => "{b.c}"}, "b" => {"c" => {"$type" => "color", "$value" => "{a}"}}}
    expect { read(JSON.generate(circle)) }.to raise_error(Magpie::Error, "night.tokens.json: the aliases a → b.c → a go round in a circle")
    expect { read_tree("a" => {"$type" => "color", "$value" => "{nowhere}"}) }.to raise_error(Magpie::Error, /the alias \{nowhere\} in a points at nothing/)
  end

  it "follows each alias and each extended group once, however long the way" do
    chain = (1..3000).to_h { |n| ["a#{n}", {"$value" => "{c.a#{n - 1}}"}] }
    expect(read_tree("c" => {"a0" => {"$type" => "color", "$value" => "#E46F58"}, **chain}).palette.groups[0].swatches.map { |swatch| swatch.colour.hex }.tally).to eq("#E46F58" => 3001)
    backwards = (1..3000).to_h { |n| ["a#{n}", {"$value" => "{c.a#{n + 1}}"}] }
    expect { read_tree("c" => {**backwards, "a3001" => {"$value" => "{c.a1}"}}) }.to raise_error(Magpie::Error, /\.json: the aliases c\.a1 → .{1,90} → … → .{1,90} → c\.a1 go round in a circle\z/)
    groups = (1..5000).to_h { |n| ["g#{n}", {"$extends" => "{g#{n - 1}}", "own#{n}" => {"$value" => "#000"}}] }
    expect { read_tree("g0" => {"$type" => "color"}, **groups) }.to raise_error(Magpie::Error, /comes to more than 350,000 tokens and groups/)
    expect { read_tree("g5001" => {}, **(1..5000).to_h { |n| ["g#{n}", {"$extends" => "{g#{n + 1}}"}] }) }.to raise_error(Magpie::Error, /extend each other more than 100 deep/)
  end

  it "keeps what it says short, and refuses numbers that are none" do
    long = "k" * 100_000
    result = read_tree("a" => {"$type" => "color", long => (1..300).to_h { |n| ["x#{n}", n] }, "big" => {"$value" => {"colorSpace" => "srgb", "components" => [1, 1e30, 1]}}})
    expect(notes(result).size).to eq 302
    expect(notes(result).sum(&:size)).to be < 60_000
    expect(notes(result)).to include("a.big: a component is 1.0e+30: expected a number, left out")
  end

  it "says what is wrong with what is no tokens file" do
    {"" => /is empty/, "colours: red" => /in no format that I read: expected design tokens/, "{\"a\":\n\n tru}" => /is not valid JSON/,
     "{\"a\":" + "{\"b\":" * 80 + "1" + "}" * 81 => /nested deeper than 60/, "\x00\x01" => /holds a zero byte/}.each do |text, message|
      expect { read(text) }.to raise_error(Magpie::Error, message)
    end
  end

  it "never raises anything but its own error, whatever is cut off or changed" do
    whole = described_class.write(RandomPalettes.new(Random.new(2)).palette)
    random = Random.new(8)
    300.times do
      broken = whole.dup
      random.rand(1..3).times { broken[random.rand(broken.length)] = ["", "{", "\"", "9", "null", "$"].sample(random:) }
      read(broken[0, random.rand(broken.length)])
    rescue Magpie::Error => error
      expect(error.message).to start_with "night.tokens.json"
    end
  end

  it "reads other encodings and line ends" do
    text = JSON.pretty_generate("Dämmerung" => {"$type" => "color", "Glut" => {"$value" => "#e46f58"}}).gsub("\n", "\r\n")
    [text.encode("UTF-8"), "\uFEFF#{text}", ("\uFEFF" + text).encode("UTF-16LE").b, ("\uFEFF" + text).encode("UTF-16BE").b, text.encode("ISO-8859-1").b].each do |bytes|
      expect(names(read(bytes.b))).to eq("Dämmerung" => [["Glut", "#E46F58"]])
    end
  end
end
