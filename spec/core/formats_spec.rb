require "support/palettes"

RSpec.describe Magpie::Formats do
  many = {} # palettes of so many swatches

  def options(format, random)
    format.options.to_h do |option|
      keys = if option.values.is_a?(Hash)
        option.values.keys
      else
        [option.values ? option.values.begin.to_s : ["", "night"].sample(random:)]
      end
      [option.key, option.several ? keys.sample(2, random:).join(",") : keys.sample(random:)]
    end
  end

  # What a feature of a swatch is called in a list of losses.
  features = {name: :names, note: :notes, definition: :definitions, code: :codes, library: :libraries, kind: :spots, tint: :tints, spectrum: :spectra, page: :pages, position: :positions, colour: :colours}

  described_class.written.reject { |format| format.key == "picture" }.each do |format|
    describe format.title do
      it "gives back what it declares that it carries, and lists all that it does not" do
        40.times do |seed|
          random = Random.new(seed)
          sending = Magpie::Formats::Sending.new(RandomPalettes.new(random).palette, format, options(format, random))
          whole = format.carried(sending.palette, sending.options)
          result = described_class.read(sending.bytes, name: "moor#{format.ending}", as: format.key)
          found = result.palette
          expect([seed, result.notes.map(&:to_s) - ["there is no colour in it"]]).to eq [seed, []]
          expect([seed, found.swatches.size]).to eq [seed, whole.swatches.size]
          expect([seed, PaletteDifferences.of(whole.swatches, found.swatches)]).to eq [seed, []]
          expect([seed, found.groups.map { |group| [group.name, group.swatches.size] }]).to eq [seed, whole.groups.map { |group| [group.name, group.swatches.size] }] if format.carries(sending.options).include?(:groups)
          listed = sending.losses.map(&:what)
          order = Magpie::Formats::Carried.new(format, sending.options).order(sending.palette)
          lost = PaletteDifferences.of(order, found.swatches).reject { |member, ours, theirs| ours.nil? || ours == false || %i[compound tint].include?(member) && theirs }.map(&:first).uniq
          expect([seed, lost.map { |member| features.fetch(member, member) } - listed - (listed.include?(:opacity) ? [:colours] : [])]).to eq [seed, []]
        end
      end

      it "holds nothing and five thousand" do
        [0, 5_000].each do |count|
          many[count] ||= RandomPalettes.new(Random.new(count)).palette(swatches: count)
          sending = Magpie::Formats::Sending.new(many[count], format)
          found = described_class.read(sending.bytes, name: "moor#{format.ending}", as: format.key).palette
          expect(found.swatches.size).to eq sending.palette.swatches.size
        end
      end

      it "is known by its content, whatever it is called" do
        8.times do |seed|
          palette = RandomPalettes.new(Random.new(seed)).palette(swatches: 6)
          expect(described_class.read(Magpie::Formats::Sending.new(palette, format).bytes, name: "moor.bin").format).to eq format.key
        end
      end
    end
  end

  it "does what is chosen with gradients, patterns, opacity and spot inks, and says so" do
    stops = %w[#231F55 #E46F58 #F3BA70].each_with_index.map { |hex, index| Magpie::Palette::Compound::Ink.new(colour: Magpie::Notation.parse(hex), offset: index / 2.0) }
    dusk = Magpie::Palette::Compound.new(form: "linear", angle: 0.0, size: 24.0, inks: stops)
    weave = Magpie::Palette::Compound.new(form: "dots", angle: 0.0, size: 8.0, inks: stops.first(2))
    swatches = [["Dusk", dusk.colour, {compound: dusk}], ["Weave", weave.colour, {compound: weave}], ["Veil", Magpie::Notation.parse("#E46F5880"), {}], ["Lamp", Magpie::Notation.parse("#FFCE5C"), {kind: "spot"}]]
      .map { |name, colour, more| Magpie::Palette::Swatch.new(name:, colour:, **more) }
    palette = Magpie::Palette.new(name: "House", groups: [Magpie::Palette::Group.new(name: "House", swatches:)])
    sent = ->(**given) { Magpie::Formats::Sending.new(palette, described_class.find("plain"), given.transform_keys(&:to_s)) }
    expect(sent.call.palette.swatches.map { |swatch| [swatch.name, swatch.colour.hex] }).to eq [["Dusk 1", "#231F55"], ["Dusk 2", "#F3BA70"], ["Veil", "#F1B7AB"], ["Lamp", "#FFCE5C"]]
    expect(sent.call.losses.first(4).map { |loss| [loss.words, loss.choice] }).to eq [["1 gradient: Dusk goes as its ends", "gradients"], ["1 pattern: Weave is left out", "patterns"], ["1 spot ink: Lamp goes as its screen colour", "spots"], ["1 opacity: Veil goes as it looks over #FFFFFF", "opacity"]]
    other = sent.call(gradients: "steps", steps: "4", patterns: "inks", opacity: "over", ground: "#000", spots: "out")
    expect(other.palette.swatches.map { |swatch| [swatch.name, swatch.colour.hex] }).to match [["Dusk 1", "#231F55"], ["Dusk 2", anything], ["Dusk 3", anything], ["Dusk 4", "#F3BA70"], ["Weave 1", "#231F55"], ["Weave 2", "#E46F58"], ["Veil", "#72382C"]]
    expect(other.offered.map(&:key)).to eq %w[model gradients steps patterns spots opacity ground]
    expect(sent.call(gradients: "middle", patterns: "middle", opacity: "dropped").palette.swatches.map { |swatch| swatch.colour.hex }).to eq [dusk.colour.hex, weave.colour.hex, "#E46F58", "#FFCE5C"]
    expect { Magpie::Formats::Sending.new(palette, described_class.find("plain"), {"gradients" => "mauve"}, strict: true) }.to raise_error(Magpie::Error, "gradients is “mauve”: expected ends, steps, middle or out")
    expect { Magpie::Formats::Sending.new(palette, described_class.find("plain"), {"shade" => "1"}, strict: true) }.to raise_error(Magpie::Error, /has no option shade/)
  end

  it "takes a format by the ending of a file" do
    expect({"a.tokens.json" => "tokens", "A.CSS" => "css", "a.strip.png" => "picture", "a.png" => "png", "a.tsv" => "table", "a.cgats.txt" => "cgats", "a.txt" => "plain"}.map { |name, key| [described_class.by_ending(name)&.key, key] }).to all(satisfy { |one, two| one == two })
    expect(described_class.by_ending("a.doc")).to be_nil
  end

  it "offers what else a file could be" do
    result = described_class.read("Name,Hex\nEmber,#E46F58\n", name: "a.bin")
    expect([result.format, result.others]).to eq ["table", ["text"]]
    expect(described_class.read("Name,Hex\nEmber,#E46F58\n", name: "a.bin", as: "text").palette.swatches.map(&:name)).to eq ["Ember"]
  end

  it "takes another that finds colours where the best finds none, and says so" do
    result = described_class.read(%({"colours": {"ember": "#E46F58", "moor": "#121720"}}), name: "a.json")
    expect([result.format, result.others, result.palette.swatches.map { |swatch| [swatch.name, swatch.colour.hex] }]).to eq ["text", ["tokens"], [["ember", "#E46F58"], ["moor", "#121720"]]]
    expect(result.notes.map(&:to_s)).to eq ["read as text with colours in it, since it has no colour as design tokens"]
    expect(described_class.read("{}", name: "a.json").format).to eq "tokens"
    expect(described_class.read("one;two;three\nEmber;1;2\n", name: "a.csv").columns).not_to be_nil # to be assigned by hand
  end

  it "says what is wrong with what is nothing that it reads" do
    {"" => "moor.bin: it is empty", "only words here" => /moor.bin: it is in no format that I read: expected design tokens, CSS, SVG/, "\x00\x01\x02" => /no text either, since this is not text: it holds a zero byte at 0/,
     "\xFF\xFE\x00\xD8" => /marked as UTF-16LE but is damaged/, "\xEF\xBB\xBF\xFF#E46F58" => /marked as UTF-8 but is damaged/}.each do |bytes, message|
      expect { described_class.read(bytes.b, name: "moor.bin") }.to raise_error(Magpie::Error, message)
    end
  end

  # One that looks at them again and again for each would not end while anybody waits.
  it "comes to an end with what repeats, whatever it is" do
    ["<!---->", "<!-- ", "\t", "(", "[", "7", "a{", "&", "--a:1;", "a,", "\"", "1 "].product(["", "#fff ", "<svg xmlns=\"http://www.w3.org/2000/svg\">", "Name,Hex\n", ":root{--a:"]).each do |piece, before|
      result = described_class.read(before + piece * 30_000, name: "moor")
      expect(result.palette.swatches.size).to be <= 30_001
    rescue Magpie::Error => error
      expect(error.message).to start_with "moor"
    end
  end

  it "says it where there is more than it reads" do
    stub_const("Magpie::Limits::SECONDS", 60)
    lines = "226 112 90\tEmber\n" * 100_001
    expect { described_class.read(lines, name: "moor.txt") }.to raise_error(Magpie::Error, "moor.txt: it comes to more than 100,000 colours")
  end
end
