require "support/shell_runs"

RSpec.describe Magpie::CommandLine do
  include ShellRuns

  it "prints a colour in every model" do
    status, (colour,), _ = run("colour", "#E2705A")
    expect(status).to eq 0
    expect(colour.keys).to eq %w[hex srgb hsl hsb lab lch oklab oklch alpha in_srgb name cmyk press]
    expect(colour).to include("hex" => "#E2705A", "srgb" => [226.0, 112.0, 90.0], "alpha" => 1.0, "in_srgb" => true)
    expect(colour["oklch"][2]).to be_within(0.01).of(32.36)
    expect(run("colour", "color(display-p3 0 1 0)")[1][0]["in_srgb"]).to be false
  end

  it "prints differences, one or many" do
    expect(run("difference", "#fff", "#000")[1][0]["de2000"]).to be_within(1e-3).of(100)
    _, lines, _ = run("difference", "--batch", input: "#fff\t#fff\r\nlab 50 2.6772 -79.7751\tlab 50 0 -82.7485\n\n")
    expect(lines.map { |line| line["de2000"].round(4) }).to eq [0.0, 2.0425]
  end

  it "prints a reading" do
    _, (reading,), _ = run("picture", file("flat.png", flat_picture(20, 20, [226, 112, 90]).pngsave_buffer), "--at", "3,4", "--probe", "11")
    expect(reading).to include("spread" => 0.0, "verdict" => "even", "at" => [3, 4], "probe" => 11)
    expect(reading["average"]["hex"]).to eq "#E2705A"
    expect(reading["most_common"]["hex"]).to eq "#E2705A"
  end

  it "prints the main colours of a picture with their share and place, and a patch" do
    halves = file("halves.png", flat_picture(40, 20, [226, 112, 90]).draw_rect([35, 31, 85], 0, 0, 10, 20, fill: true).pngsave_buffer)
    _, (colours,), _ = run("picture", halves, "--colours", "auto")
    expect(colours.map { |each| each.values_at("hex", "share") }).to eq [["#E2705A", 0.75], ["#231F55", 0.25]]
    expect(colours[1]["at"][0]).to be < 10
    expect(run("picture", halves, "--colours", "2", "--accents", "0")[1][0].size).to eq 2
    _, (patch,), _ = run("picture", halves, "--at", "3,3", "--patch", "4")
    expect([patch["pixels"], patch["probe"], patch["average"]["hex"]]).to eq [200, "patch", "#231F55"]
  end

  describe "dress" do
    let(:palette) do
      swatches = {"Lamp" => "#FFCE5D", "Rosehip" => "#A35166", "Ember band" => "#2F8FA3", "Lamp!" => "#5F3566"}.map { |name, text| Magpie::Palette::Swatch.new(name:, colour: Magpie::Notation.parse(text)) }
      file("house.tokens.json", Magpie::Formats::Tokens.write(Magpie::Palette.new(name: "House", groups: [Magpie::Palette::Group.new(name: "All", swatches:)])))
    end
    let(:poster) { File.expand_path("../../db/demo/poster.svg", __dir__) }
    let(:out) { File.join(Dir.mktmpdir, "out.svg") }

    it "links what is near to a palette, and prints what is left" do
      status, (answer,), _ = run("dress", poster, palette, "--flat", out)
      expect([status, answer.slice("places", "linked")]).to eq [0, {"places" => 20, "linked" => 10}]
      expect(answer["strays"].first.values_at("hex", "places", "nearest")).to eq ["#B88A33", 2, "Lamp"]
      expect(answer["strays"].map { |stray| stray["de2000"] }).to all(be > 2)
      expect(File.read(out).scan("#FFCE5D").size).to eq 8
      expect(File.read(out)).not_to include("#FFCE5C")
      expect(run("dress", poster, palette, "--within", "0.01")[1][0]["linked"]).to eq 2
      expect(run("dress", poster, palette, "--within", "100")[1][0]).to include("linked" => 20, "strays" => [])
    end

    it "links by order and by name, and writes names that are unique" do
      _, (answer,), _ = run("dress", poster, palette, "--by", "order", "--linked", out)
      expect(answer["linked"]).to eq 13
      expect(File.read(out)).to include("--lamp:#FFCE5D", "--lamp-2:#5F3566", ".line-rosehip{stroke:var(--rosehip)}")
      expect(run("dress", poster, palette, "--by", "name", "--flat", out)[1][0]["linked"]).to eq 1
      expect(File.read(out)).to match(/id="ember_band"[^>]* fill="#2F8FA3"/)
    end

    it "says what is wrong" do
      {["--by", "luck"] => "luck is no way to link: expected nearest, order or name", ["--within", "x"] => "--within is x: expected a number"}.each do |more, words|
        expect(run("dress", poster, palette, *more).then { |status, _, errors| [status, errors.strip] }).to eq [2, words]
      end
      expect(run("dress", poster)[2]).to include("expected an SVG file and a palette file, found 1 argument")
    end
  end

  it "prints what the press makes of a colour" do
    _, (colour,), _ = run("colour", "cmyk 0 66 61 4")
    expect(colour["cmyk"]).to eq [0, 66, 61, 4]
    expect(colour["press"]).to include("inside" => true, "total_ink" => 131)
    expect(run("colour", "#00FF00")[1][0]["press"]).to include("inside" => false, "de2000" => a_value > 10)
  end

  it "prints ramps, mixtures, steps and harmonies" do
    ramp = run("ramp", "#E2705A", "--darker", "2", "--lighter", "1", "--turn-dark", "-30", "--course", "even")[1][0]
    expect([ramp.size, ramp[2]["hex"]]).to eq [4, "#E2705A"]
    expect(run("mix", "#000", "#fff", "0.5", "--way", "light")[1][0]["hex"]).to eq "#BCBCBC"
    expect(run("between", "1", "#000", "#fff")[1][0].map { |each| each["hex"] }).to match ["#000000", a_string_starting_with("#7"), "#FFFFFF"]
    expect(run("harmony", "#E2705A", "double-pair", "--spread", "20", "--wheel", "painter")[1][0].size).to eq 4
    {["ramp", "#fff", "--darker", "x"] => /--darker is x/, ["mix", "#fff", "#000"] => /expected two colour notations and a share, found 2/,
     ["between", "2", "#fff"] => /expected the number of steps/, ["harmony", "#fff", "septet"] => /no such harmony/}.each do |arguments, message|
      status, _, errors = run(*arguments)
      expect([status, errors]).to match [2, message]
    end
  end

  it "prints an artwork and writes it flat" do
    path = File.expand_path("../files/instances.svg", __dir__)
    out = File.join(Dir.mktmpdir, "flat.svg")
    _, (artwork,), _ = run("artwork", path, "--flat", out)
    expect(artwork["parts"]).to eq 14
    expect(artwork["colours"]).to include("hex" => "#FFCE5C", "places" => 2)
    expect(Magpie::Artwork.read(File.binread(out)).parts.size).to eq 14
  end

  it "prints a palette of any format" do
    _, (palette,), _ = run("palette", file("dusk.tokens.json", '{"sky":{"$type":"color","ember":{"$value":"#e46f58"}},"n":{"$type":"number","$value":1}}'))
    expect(palette).to match("name" => "dusk", "format" => "tokens", "notes" => ["n: a number, not a colour, left out"], "groups" => [{"name" => "sky", "swatches" => [
      {"name" => "ember", "code" => nil, "hex" => "#E46F58", "lab" => [be_within(0.01).of(61), be_within(0.01).of(45.14), be_within(0.01).of(35.15)], "alpha" => 1.0, "kind" => "process"}
    ]}])
    _, (table,), _ = run("palette", file("dusk.csv", "Code;Name;Kind;C;M;Y;K\nQ 7;Ember;Spot;0;66;61;4\n"))
    expect(table["groups"][0]["swatches"][0]).to include("name" => "Ember", "code" => "Q 7", "kind" => "spot")
  end

  describe "files" do
    let(:folder) { Dir.mktmpdir }
    let(:table) { file("trail.csv", "Group,Name,Hex\nTrail,Ember,#E46F58\nTrail,Flare,red-ish\n") }

    it "turns one into another, and says what was lost and what could not be read" do
      out = File.join(folder, "trail.css")
      status, (answer,), _ = run("convert", table, out)
      expect([status, answer]).to eq [0, {"format" => "css", "swatches" => 1, "lost" => [], "notes" => ["line 3: “red-ish” is not a hex colour: expected 3, 4, 6 or 8 digits of 0–9 and A–F, left out"]}]
      expect(File.read(out)).to include("--ember: #E46F58;")
      _, (answer,), _ = run("convert", out, File.join(folder, "trail.icc"))
      expect(answer).to include("format" => "icc", "lost" => ["1 group: its name is left out"])
    end

    it "takes a format by name, a model, and what else there is to choose" do
      out = File.join(folder, "trail.txt")
      expect(run("convert", table, out, "--as", "table", "--model", "oklch", "--separator", "tab")[1][0]["format"]).to eq "table"
      expect(File.read(out)).to start_with("Group\tName\tHex\tOKLCH L\tOKLCH C\tOKLCH H\r\nTrail\tEmber\t#E46F58\t0.6")
      {["--as", "mauve"] => /--as is mauve: expected tokens, css/, ["--model", "mauve"] => /models is “mauve”: expected rgb/, ["--depth", "8"] => /has no option depth/}.each do |given, message|
        status, output, errors = run("convert", table, File.join(folder, "x.csv"), *given)
        expect([status, output, errors]).to match [2, [], message]
      end
      expect(run("convert", table, File.join(folder, "x.doc"))[2]).to match(/x\.doc ends like no file that I write: expected \.tokens\.json/)
      expect(Dir.children(folder)).to eq ["trail.txt"]
    end

    it "checks one: its notes, and 1 where there are any" do
      path, clean = table, file("clean.css", ":root{--ember:#E46F58}")
      output = StringIO.new
      expect(described_class.new(["check", path], output:).run).to eq 1
      expect(output.string.lines.size).to eq 1
      expect([described_class.new(["check", clean], output: clear = StringIO.new).run, clear.string]).to eq [0, ""]
    end

    it "lists what is read and what is written" do
      _, (formats,), _ = run("formats")
      expect(formats.map { |format| [format["format"], format["read"], format["written"]] }).to include(["icc", true, true], ["text", true, false], ["picture", true, true])
      expect(formats.find { |format| format["format"] == "css" }["options"]["model"]).to include("oklch")
    end
  end

  it "prints one line on standard error and returns 2 for bad input" do
    {
      ["colour", "dusky"] => /“dusky” is not a colour/, ["colour"] => /expected a colour notation, found 0 arguments/, ["colours"] => /no such command/,
      ["difference", "#fff"] => /expected two colour notations, found 1 argument/, ["picture", "/nowhere.png", "--at", "1,1"] => /cannot be read: no such file/,
      ["picture", "x.png"] => /--at X,Y or --colours N is missing/, ["picture", "x.png", "--at", "1;1"] => /--at is 1;1/,
      ["picture", "x.png", "--colours", "many"] => /--colours is many: expected a whole number/, ["picture", "x.png", "--at", "1,1", "--patch", "soft"] => /--patch is soft/, ["artwork", "--flat"] => /--flat needs a value/,
      ["artwork", file("a.svg", "<p/>")] => /a.svg is not an SVG: there is no <svg> in it/, ["palette", file("p.tokens.json", "{}x")] => /p.tokens.json: it is not valid JSON/
    }.each do |arguments, message|
      status, output, errors = run(*arguments)
      expect([status, output]).to eq [2, []]
      expect(errors.lines.size).to eq 1
      expect(errors).to match message
    end
    expect(run("difference", "--batch", input: "#fff\t#000\n#fff\n")[2]).to eq "line 2 has 1 notation: expected two, with a tab between\n"
  end

  it "runs from a shell without the gems that a command does not need" do
    script = File.expand_path("../../bin/magpie", __dir__)
    output, status = Open3.capture2({"RUBYOPT" => nil, "BUNDLE_GEMFILE" => nil}, script, "colour", "lab 60.3 42.4 33.2")
    expect(status.exitstatus).to eq 0
    expect(JSON.parse(output)["hex"]).to eq "#DE705A"
    _, errors, status = Open3.capture3({"RUBYOPT" => nil}, script, "colour", "nope")
    expect([status.exitstatus, errors.lines.size]).to eq [2, 1]
  end

  it "takes any bytes as the name of a file, and as anything else says in text what is wrong" do
    odd = "night\xFFsky"
    sky, out = file("#{odd}.svg", '<svg xmlns="http://www.w3.org/2000/svg" width="9" height="9"><rect width="9" height="9" fill="#231F55"/></svg>'), File.join(Dir.mktmpdir, "#{odd}.svg")
    expect(run("artwork", sky, "--flat", out)[1][0]["colours"]).to eq [{"hex" => "#231F55", "places" => 1}]
    expect(run("picture", out, "--at", "3,3")[1][0]["average"]["hex"]).to eq "#231F55"
    expect(run("palette", sky)[1][0]).to include("name" => "night\uFFFDsky", "format" => "svg")
    expect(run("palette", file("#{odd}.txt", "no colour"))[2]).to start_with("night\uFFFDsky.txt: it is in no format that I read")
    expect(run("artwork", File.join(out, "none"))[2]).to end_with("night\uFFFDsky.svg/none cannot be read: not a directory\n")
    expect(run("artwork", sky, "--flat", File.join(out, "none"))[2]).to end_with("night\uFFFDsky.svg/none cannot be written: not a directory\n")
    [[odd], ["colour", odd], ["difference", "#fff", odd], ["picture", sky, "--at", odd], ["picture", sky, "--colours", odd], ["ramp", odd], ["ramp", "#fff", "--course", odd], ["mix", "#fff", "#000", odd],
      ["mix", "#fff", "#000", "0.5", "--way", odd], ["between", odd, "#fff", "#000"], ["between", "3", "#fff", odd], ["harmony", odd, "triad"], ["harmony", "#fff", odd], ["harmony", "#fff", "triad", "--wheel", odd]].each do |arguments|
      status, _, errors = run(*arguments)
      expect([arguments, status, errors.valid_encoding?, errors.lines.size]).to eq [arguments, 2, true, 1]
    end
    expect(run("difference", "--batch", input: "#fff\t\xFF\n")[2]).to start_with("line 1: “\uFFFD” is not a colour")
  end
end
