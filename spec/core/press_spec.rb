require "open3"
require "tempfile"

RSpec.describe Magpie::Press::Condition do
  def parse(text) = Magpie::Notation.parse(text)

  # What Little CMS's own calculator makes of numbers, each line with spaces between.
  def transicc(profile, lines, into_lab:, intent:, black_point:)
    Tempfile.create("profile", binmode: true) do |file|
      file.write(profile)
      file.flush
      ways = into_lab ? ["-i", file.path, "-o", "*Lab4"] : ["-i", "*Lab4", "-o", file.path]
      out, = Open3.capture3("transicc", "-n", *ways, "-t", intent.to_s, *("-b" if black_point), "-c", "0", stdin_data: lines.map { |line| "#{line.join(" ")}\n" }.join)
      out.lines.map { |line| line.split.map { |value| Float(value) } }.reject(&:empty?)
    end
  end

  let(:random) { Random.new(3) }
  # Most of them within what presses print.
  let(:colours) { Array.new(50) { [random.rand(5.0..98.0), random.rand(-70.0..70.0), random.rand(-70.0..70.0)].map { |value| value.round(4) } } }

  Magpie::Press.shipped.each do |shipped|
    [[:relative, true], [:relative, false], [:perceptual, true], [:absolute, false]].each do |intent, black_point|
      it "comes to what transicc does for 50 colours, on #{shipped.name}, #{intent}#{", black point" if black_point}" do
        condition = described_class.new(shipped.name, shipped.profile, intent:, black_point:)
        number = Magpie::Press::LittleCms::INTENTS.fetch(intent)
        inks = colours.map { |lab| condition.from_lab(lab) }
        transicc(shipped.profile, colours, into_lab: false, intent: number, black_point:).zip(inks) { |wanted, got| got.zip(wanted) { |one, two| expect(one).to be_within(1e-3).of(two) } }
        rounded = inks.map { |each| each.map { |ink| ink.round(4) } }
        seen = transicc(shipped.profile, rounded, into_lab: true, intent: (intent == :absolute) ? 3 : 1, black_point:)
        seen.zip(rounded) { |wanted, each| condition.to_lab(each).zip(wanted) { |one, two| expect(one).to be_within(1e-3).of(two) } }
        expect(seen.size).to eq 50
      end
    end
  end

  # Characterization data of Fogra, FOGRA39L and FOGRA29L: inks, and Lab as measured.
  patches = {
    "coated" => {[0, 0, 0, 0] => [95.0, 0.0, -2.0], [100, 0, 0, 0] => [55.0, -37.0, -50.0], [0, 100, 0, 0] => [48.0, 74.0, -3.0], [0, 0, 100, 0] => [89.0, -5.0, 93.0],
                 [0, 0, 0, 100] => [16.0, 0.0, 0.0], [100, 100, 0, 0] => [24.0, 22.0, -46.0], [0, 70, 40, 0] => [59.52, 48.13, 16.62], [40, 40, 40, 20] => [53.96, 4.30, 3.21]},
    "uncoated" => {[0, 0, 0, 0] => [95.71, 0.61, -2.32], [100, 0, 0, 0] => [59.04, -26.66, -42.80], [0, 100, 0, 0] => [55.04, 59.46, -4.0], [0, 0, 100, 0] => [88.85, -1.65, 79.16],
                   [0, 0, 0, 100] => [31.88, 2.05, 2.08], [100, 100, 0, 0] => [38.54, 7.97, -32.20], [0, 70, 40, 0] => [62.24, 42.89, 13.24], [0, 40, 70, 20] => [62.03, 17.92, 29.72]}
  }

  Magpie::Press.shipped.zip(patches.values).each do |shipped, measured|
    it "comes to what was measured on paper, on #{shipped.name}" do
      measured.each { |inks, lab| expect(Magpie::Difference::Ciede2000.of(shipped.to_lab(inks, paper: true), lab)).to be < 0.65 }
    end
  end

  it "sees paper as white, and its tint where that is asked for" do
    usual = Magpie::Press.usual
    expect(usual.to_lab([0, 0, 0, 0])).to match [be_within(0.01).of(100), be_within(0.05).of(0), be_within(0.05).of(0)]
    expect(usual.to_lab([0, 0, 0, 0], paper: true)[2]).to be_within(0.1).of(-2)
    expect(usual.proof(parse("#FFFFFF")).on_paper[0]).to be_within(0.1).of(95)
  end

  it "refuses an intent that there is not" do
    expect { described_class.new("Moor press", Magpie::Press.usual.profile, intent: :gloss) }.to raise_error(Magpie::Error, "gloss is no intent: expected perceptual, relative, saturation or absolute")
  end
end

RSpec.describe Magpie::Press::Proof do
  let(:usual) { Magpie::Press.usual }

  def parse(text) = Magpie::Notation.parse(text)

  def proof(text, condition = usual) = condition.proof(parse(text))

  it "says what the press makes of a colour" do
    inside, outside = proof("#A35166"), proof("#00FF00")
    expect([inside.inside?, outside.inside?]).to eq [true, false]
    expect(inside.total_ink).to be_within(1e-9).of(inside.inks.sum)
    expect(outside.de2000).to be > 10
    expect(Magpie::Difference::Ciede2000.of(parse("#00FF00").in(:lab), outside.printed)).to be_within(1e-9).of(outside.de2000)
  end

  it "keeps inks that were typed" do
    typed = proof("cmyk 10 20 30 40")
    expect([typed.inks, typed.total_ink, typed.de2000.round(6), typed.alone_as]).to eq [[10, 20, 30, 40], 100, 0, nil]
  end

  it "keeps pure black on the black ink, and greys where that was chosen" do
    expect([proof("#000000").inks, proof("#000000").alone_as]).to eq [[0, 0, 0, 100], :black]
    expect(proof("#010101").alone_as).to be_nil
    greys = Magpie::Press::Condition.new("Moor press", usual.profile, greys: true)
    random = Random.new(4)
    Array.new(30) { random.rand(40..255) }.each do |level|
      grey = greys.proof(Magpie::Color.new(:srgb, [level / 255.0] * 3))
      expect([grey.alone_as, grey.inks.first(3)]).to eq [:grey, [0, 0, 0]]
      expect(grey.printed[0]).to be_within(0.01).of(grey.color.in(:lab)[0])
    end
    expect(proof("#808080").alone_as).to be_nil
    expect(proof("#8080A0", greys).alone_as).to be_nil
  end

  it "tells too much ink from what the paper takes" do
    expect([proof("cmyk 100 100 100 30").too_much?, proof("cmyk 100 100 100 31").too_much?]).to eq [false, true]
    unlimited = Magpie::Press::Condition.new("Moor press", usual.profile)
    expect(proof("cmyk 100 100 100 100", unlimited).too_much?).to be false
  end

  it "finds the inks that come nearest, within the limit" do
    random, counts = Random.new(8), Hash.new(0)
    tight = Magpie::Press::Condition.new("Moor press", usual.profile, limit: 200.0)
    60.times do
      color = Magpie::Color.new(:srgb, Array.new(3) { random.rand })
      closest = Magpie::Press::Closest.new(usual, color.in(:lab))
      own = usual.proof(color)
      expect(closest.de2000).to be <= own.de2000 + 1e-9 if own.alone_as.nil? && !own.too_much?
      expect(Magpie::Difference::Ciede2000.of(color.in(:lab), usual.to_lab(closest.inks))).to be_within(1e-6).of(closest.de2000)
      # No grid of inks has one that is nearer.
      grid = Array.new(200) { Array.new(4) { random.rand(0.0..100.0) } }.reject { |inks| inks.sum > 330 }
      expect(grid.map { |inks| Magpie::Difference::Ciede2000.of(color.in(:lab), usual.to_lab(inks)) }.min).to be >= closest.de2000
      expect(Magpie::Press::Closest.new(tight, color.in(:lab)).inks.sum).to be <= 200.01
      counts[closest.de2000 < own.de2000 - 0.1] += 1
    end
    expect(counts[true]).to be > 10
  end
end

RSpec.describe Magpie::Press::Profile do
  let(:bytes) { Magpie::Press.usual.profile }

  it "says what it is" do
    found = described_class.of(bytes, "coated.icc")
    expect([found.description, found.intents, found.limit]).to match ["Coated paper, four inks", %i[perceptual relative saturation absolute], be_between(300, 330)]
  end

  it "refuses what is no profile of a press, and names the file and why" do
    other = ->(at, text) { bytes.dup.tap { |copy| copy[at, text.bytesize] = text.b } }
    {
      "" => "it is no ICC profile", "P6 900 900" * 40 => "it is no ICC profile",
      bytes[0, 5000] => /it is cut short: it says that it has 227484 bytes, there are 5000/,
      other.call(12, "mntr") => /profile of a screen: expected one of a press/, other.call(16, "RGB ") => /for RGB: expected four inks/,
      other.call(12, "ZZZ\xFF") => /of the class/, other.call(128, "\xFF\xFF\xFF\xFF") => /tables cannot be read/
    }.each { |wrong, why| expect { described_class.of(wrong, "moor.icc") }.to raise_error(Magpie::Error, /\Amoor\.icc: .*#{why.is_a?(Regexp) ? why.source : why}/) }
  end

  it "takes anything that is broken anywhere, or refuses it" do
    random = Random.new(6)
    100.times do
      broken = bytes.dup
      8.times { broken.setbyte(random.rand(128..3000), random.rand(256)) }
      described_class.of(broken, "moor.icc").then { |found| expect(found.intents).not_to be_empty }
    rescue Magpie::Error => error
      expect(error.message).to start_with "moor.icc: "
    end
  end
end
