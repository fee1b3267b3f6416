require "support/shell_runs"

RSpec.describe Magpie::CommandLine do
  include ShellRuns

  def palette(name, colours)
    lines = colours.map { |swatch, hex| {name: swatch, code: swatch[/\d+/], hex:} }
    file("#{name}.csv", "name,code,hex\n" + lines.map { |line| line.values.join(",") }.join("\n"))
  end

  let(:enamels) { palette("Lantern enamel colours", {"Brazier 41" => "#E8755C", "Kingfisher 22" => "#2A93AA", "Anvil 96" => "#14191F"}) }
  let(:films) { palette("Bothy cut film", {"Ember 17" => "#D9634A", "Ember 18" => "#E46F58"}) }

  it "prints what is nearest among the colours of files" do
    status, (found,), _ = run("nearest", "#E46F58", enamels, films, "--top", "2")
    expect([status, found.map { |each| each.values_at("name", "code", "library", "hex") }]).to eq [0, [["Ember 18", "18", "Bothy cut film", "#E46F58"], ["Brazier 41", "41", "Lantern enamel colours", "#E8755C"]]]
    expect(found[0]["de2000"]).to eq 0
    expect(found[1]["de2000"]).to be_within(1e-4).of(Magpie::Difference.de2000(Magpie::Notation.parse("#E8755C"), Magpie::Notation.parse("#E46F58")))
    expect(run("nearest", "teal", enamels, films)[1][0].size).to eq 5
  end

  it "reads a notation a line, and names the line that it cannot read" do
    status, lines, _ = run("nearest", "--batch", enamels, "--top", "1", input: "#2A93AA\n\nlab 8 -1 -5\n")
    expect([status, lines.map { |found| found[0]["name"] }]).to eq [0, ["Kingfisher 22", "Anvil 96"]]
    status, lines, errors = run("nearest", "--batch", enamels, input: "#2A93AA\nkestrel colour\n")
    expect([status, lines.size]).to eq [2, 1]
    expect(errors).to match(/\Aline 2: /)
  end

  it "matches a palette, and says which share an entry and which have none" do
    mine = palette("Quillmere house", {"Ember sky" => "#E46F58", "Coral" => "#E57059", "Nebula teal" => "#2F8FA3", "Lamp" => "#FFCE5D"})
    status, (answer,), _ = run("match", mine, enamels, films)
    rows = answer["pairs"].to_h { |pair| [pair["name"], pair] }
    expect([status, answer["within"], answer["matched"]]).to eq [0, 2.5, 3]
    expect(rows["Ember sky"]).to include("is" => "the same to the eye", "within" => true, "also_of" => ["Coral"], "entry" => a_hash_including("name" => "Ember 18", "library" => "Bothy cut film"))
    expect(rows["Lamp"]).to include("is" => "another colour", "within" => false, "also_of" => [])
    expect(run("match", mine, enamels, films, "--within", "0.2")[1][0]["matched"]).to eq 1
  end

  it "says what is wrong" do
    {["nearest", "#E46F58"] => "expected a notation and the files of palettes or libraries, found 0 files",
     ["nearest", "#E46F58", enamels, "--top", "0"] => "--top is 0: expected 1 to 1000",
     ["match", enamels] => "expected the file of a palette and of one library or more, found 1 file",
     ["match", enamels, films, "--within", "near"] => "--within is near: expected a number"}.each do |arguments, words|
      expect(run(*arguments).then { |status, _, errors| [status, errors.strip] }).to eq [2, words]
    end
  end

  it "proves a colour on the press, under the profile that is given" do
    uncoated = file("moor.icc", Magpie::Press.shipped[1].profile)
    status, (proof,), _ = run("proof", "#231F56")
    expect([status, proof.keys, proof["inside"]]).to eq [0, %w[inks total_ink printed de2000 inside], true]
    expect(run("proof", "#231F56", "--profile", uncoated)[1][0]).to include("inside" => false, "de2000" => a_value > proof["de2000"])
    expect(run("proof", "#000")[1][0]["inks"]).to eq [0, 0, 0, 100]
    expect(run("proof", "#000", "--profile", enamels)[2]).to start_with "Lantern enamel colours.csv: it is no ICC profile"
    expect(run("proof", "#000", "--profile", "/nowhere/moor.icc")[2]).to include "/nowhere/moor.icc cannot be read"
  end
end
