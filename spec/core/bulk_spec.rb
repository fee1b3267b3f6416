RSpec.describe Magpie::Bulk do
  let(:colours) do
    random = Random.new(5)
    edges = [0.0, 1.0].product([0.0, 1.0], [0.0, 1.0])
    (edges + Array.new(400) { Array.new(3) { random.rand(-0.2..1.2) } }).map { |rgb| Magpie::Color.new(:srgb, rgb) }
  end
  let(:columns) { described_class.columns(colours.map(&:components)) }
  let(:linear) { described_class.srgb_to_linear(columns) }

  def expect_equal(columns, model)
    columns.map(&:to_a).transpose.zip(colours) do |row, colour|
      row.zip(colour.in(model)) { |got, wanted| expect(got).to be_within(1e-9).of(wanted) }
    end
  end

  it "brings many colours to the screen as each is brought by itself" do
    mixed = colours.each_with_index.map { |colour, index| colour.to(%i[srgb lab oklab oklch].at(index % 4)).with(alpha: (index % 3) / 2.0) }
    Magpie::Screen.srgb(mixed).zip(mixed) { |row, colour| row.zip(Magpie::Gamut.to_srgb(colour).components) { |one, two| expect(one).to be_within(1e-9).of(two) } }
    expect(Magpie::Screen.hexes(mixed)).to eq mixed.map(&:hex)
    expect(Magpie::Screen.srgb([])).to eq []
  end

  it "says what Color says, one by one" do
    expect_equal linear, :srgb_linear
    expect_equal described_class.linear_to_oklab(linear), :oklab
    expect_equal described_class.linear_to_lab(linear), :lab
  end

  it "comes back" do
    expect_equal described_class.linear_to_srgb(linear), :srgb
    expect_equal described_class.oklab_to_linear(described_class.linear_to_oklab(linear)), :srgb_linear
    expect_equal described_class.lab_to_linear(described_class.linear_to_lab(linear)), :srgb_linear
  end

  it "measures the difference that Difference measures, to one colour and pair by pair" do
    lab = described_class.linear_to_lab(linear)
    first = colours.first
    described_class.de2000(first.in(:lab), lab).to_a.zip(colours) { |got, colour| expect(got).to be_within(1e-9).of(Magpie::Difference.de2000(first, colour)) }
    turned = lab.map { |column| column[(0...column.size).to_a.rotate(7)] }
    described_class.de2000(lab, turned).to_a.zip(colours, colours.rotate(7)) { |got, one, two| expect(got).to be_within(1e-9).of(Magpie::Difference.de2000(one, two)) }
  end

  it "keeps to the published pairs that turn about the hue circle" do
    pairs = [[[50, 2.5, 0], [50, 0, -2.5], 4.3065], [[50, 2.49, -0.001], [50, -2.49, 0.0009], 7.1792], [[50, 2.49, -0.001], [50, -2.49, 0.0011], 7.2195],
      [[63.0109, -31.0961, -5.8663], [62.8187, -29.7946, -4.0864], 1.2630], [[2.0776, 0.0795, -1.1350], [0.9033, -0.0636, -0.5514], 0.9082]]
    ones, twos = [0, 1].map { |side| described_class.columns(pairs.map { |pair| pair[side] }) }
    described_class.de2000(ones, twos).to_a.zip(pairs) { |got, (*, published)| expect(got).to be_within(1e-4).of(published) }
  end
end
