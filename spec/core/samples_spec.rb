# Files of other origin, see spec/samples/README.md.
RSpec.describe "Samples" do
  def read(name) = Magpie::Formats.read(File.binread(File.expand_path("../samples/#{name}", __dir__)), name:)

  def told(name)
    result = read(name)
    [result.format, result.palette.groups.map { |group| [group.name, group.swatches.size] }, result.notes.size]
  end

  it "are all read, whole" do
    expect(told("x11-colors.icc")).to eq ["icc", [["X11 Colors", 138]], 1]
    expect(told("rgb.txt")).to eq ["plain", [["rgb", 753]], 0]
    expect(told("CIE-TCS.sp")).to eq ["cgats", [["Ra CRI Test Color Samples", 15]], 0]
    expect(told("display-short.ti1")).to eq ["cgats", [["Argyll Calibration Target chart information 1", 64], ["Argyll Calibration Target chart information 1", 8], ["Argyll Calibration Target chart information 1", 9]], 2] # fields called INDEX
    expect(told("open-color.css").then { |format, groups, notes| [format, groups.size, groups.first(3), groups.sum(&:last), notes] }).to eq ["css", 14, [["General", 2], ["Gray", 10], ["Red", 10]], 132, 1]
    expect(told("props.colors-hsl.css")).to eq ["css", [["props.colors-hsl", 247]], 1]
    expect(told("basn3p02.png")).to eq ["png", [["basn3p02", 4]], 0]
  end

  it "have the colours that they are said to have" do
    # transicc of Little CMS 2.14 says so of "Light pink"
    pink = read("x11-colors.icc").palette.swatches.find { |swatch| swatch.name == "Light pink" }
    expect(pink.colour.components).to match [be_within(1e-3).of(81.6881), be_within(1e-3).of(28.8399), be_within(1e-3).of(6.0430)]
    names = read("rgb.txt").palette.swatches.to_h { |swatch| [swatch.name.downcase, swatch.colour.hex] }
    # Three names are other colours in CSS than in X11.
    expect(Magpie::CSS_NAMES.filter_map { |name, rgb| name if names[name] && names[name] != format("#%06X", rgb) }).to match_array %w[gray grey green maroon purple]
    open = read("open-color.css").palette
    expect([open.swatches[0].name, open.groups[2].swatches.last.colour.hex]).to eq ["Oc white", "#C92A2A"]
    expect(read("props.colors-hsl.css").palette.swatches.first.colour.components).to eq [210.0, 17.0, 98.0]
    expect(read("basn3p02.png").palette.swatches.map { |swatch| swatch.colour.hex }).to eq %w[#00FF00 #FF0000 #FFFF00 #0000FF]
    white = read("display-short.ti1").palette.swatches.first
    expect([white.colour.hex, read("display-short.ti1").words]).to match ["#FFFFFF", /\A3 CGATS tables in UTF-8; XYZ as 0 to 100; RGB as per cent\z/]
  end
end
