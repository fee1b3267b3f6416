RSpec.describe Magpie::Library::Nearest do
  let(:random) { Random.new(5) }

  def some(count) = Array.new(count) { Magpie::Color.new(:srgb, Array.new(3) { random.rand }, random.rand(4).zero? ? 0.5 : 1.0) }

  # All of them, measured one by one, the nearest first.
  # @return [Array<Array>] of [reference, alpha, difference]
  def measured(entries, colour)
    all = entries.map { |each, reference| [reference, each.alpha, Magpie::Difference.de2000(each, colour)] }
    all.each_with_index.sort_by { |(_, _, difference), number| [difference, number] }.map(&:first)
  end

  def plain(measured, colour, most: nil, within: Float::INFINITY, alike: false)
    found = measured.select do |_, alpha, difference|
      difference <= within && !(alike && (alpha - colour.alpha).abs >= 0.02)
    end
    (most ? found.first(most) : found).map { |reference, _, difference| [reference, difference] }
  end

  def expect_same(found, wanted)
    expect(found.map(&:first)).to eq wanted.map(&:first)
    found.zip(wanted) { |(_, one), (_, two)| expect(one).to be_within(1e-9).of(two) }
  end

  [1, 7, 150, 3000].each do |count|
    it "finds among #{count} what measuring all of them finds" do
      entries = some(count).each_with_index.map { |colour, index| [colour, "entry #{index}"] }
      index = described_class.new(entries)
      [*some(25), *entries.first(3).map(&:first), *%w[#000 #FFF #0000FF].map { |text| Magpie::Notation.parse(text) }].each do |colour|
        all = measured(entries, colour)
        [{most: 1}, {most: 5}, {within: 3.0}, {most: 2, within: 6.0}, {most: 3, alike: true},
          {within: 4.0, alike: true}, {within: 0.0}].each do |options|
          expect_same index.to(colour, **options), plain(all, colour, **options)
        end
      end
      expect_same index.to(entries[0][0]), plain(measured(entries, entries[0][0]), entries[0][0])
    end
  end

  it "gives equal colours in the order in which they came, and finds nothing in nothing" do
    ember = Magpie::Notation.parse("#E46F58")
    expect(described_class.new([[ember, :first], [ember, :second]]).to(ember, most: 2)).to eq [[:first, 0.0], [:second, 0.0]]
    expect(described_class.new([]).nearest(ember)).to be_nil
    expect(described_class.of([])).to be_frozen
  end

  it "measures a small share of many" do
    entries = some(20_000).map { |colour| [colour, nil] }
    index = described_class.new(entries)
    measured = 0
    allow(Magpie::Bulk).to receive(:de2000).and_wrap_original { |original, lab, columns| (measured += columns[0].size) && original.call(lab, columns) }
    20.times { index.nearest(some(1).first) }
    expect(measured / 20).to be < 2_000
  end
end
