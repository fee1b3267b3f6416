RSpec.describe Magpie::Library::Nearest do
  let(:random) { Random.new(5) }

  def some(count) = Array.new(count) { Magpie::Color.new(:srgb, Array.new(3) { random.rand }, random.rand(4).zero? ? 0.5 : 1.0) }

  # All of them, one by one.
  def plain(entries, colour, most: nil, within: Float::INFINITY, alike: false)
    found = entries.each_with_index.filter_map do |(each, reference), number|
      next if alike && (each.alpha - colour.alpha).abs >= 0.02
      [reference, Magpie::Difference.de2000(each, colour), number]
    end
    found = found.select { |_, difference, _| difference <= within }.sort_by { |_, difference, number| [difference, number] }
    (most ? found.first(most) : found).map { |reference, difference, _| [reference, difference] }
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
        [{most: 1}, {most: 5}, {within: 3.0}, {most: 2, within: 6.0}, {most: 3, alike: true}, {within: 4.0, alike: true}, {within: 0.0}].each do |options|
          expect_same index.to(colour, **options), plain(entries, colour, **options)
        end
      end
      expect_same index.to(entries[0][0]), plain(entries, entries[0][0])
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
