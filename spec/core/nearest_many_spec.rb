require "numo/narray"

# A library of 100,000, half of it spread over what a screen shows, half of it in clusters,
# where many are almost equally near. Other colours are looked for in each run; SEED=… does the
# same again, QUERIES=10000 looks for more.
RSpec.describe Magpie::Library::Nearest do
  queries, seed = Integer(ENV.fetch("QUERIES", "1000")), Integer(ENV.fetch("SEED") { rand(1_000_000) })
  bulk, bound = Magpie::Bulk, Magpie::Library::Bound

  before :all do
    @random = Random.new(15)
    @spread = columns(50_000)
    @middles = bulk_lab(60)
    clusters = clustered(50_000)
    @lab = @spread.zip(clusters).map { |one, two| one.append(two) }
    rows = @lab[0].to_a.zip(@lab[1].to_a, @lab[2].to_a)
    @index = described_class.of_lab(rows, [1.0] * rows.size, (0...rows.size).to_a)
    sort_by_lightness
  end

  def sort_by_lightness
    @order = @lab[0].sort_index
    @sorted = @lab.map { |column| column[@order].dup }
    @lightness = @sorted[0].to_a
    @chroma = Numo::NMath.hypot(@sorted[1], @sorted[2])
  end

  def columns(count) = bulk_lab(count)

  def bulk_lab(count)
    Magpie::Bulk.linear_to_lab(Magpie::Bulk.srgb_to_linear(Array.new(3) { Numo::DFloat.cast(Array.new(count) { @random.rand }) }))
  end

  # About the middles, by a normal distribution of 2 in each direction (Box, Muller 1958).
  def clustered(count)
    around = Array.new(count) { |number| number % 60 }
    @middles.map do |column|
      column[around] + Numo::DFloat.cast(Array.new(count) { 2 * Math.sqrt(-2 * Math.log(1 - @random.rand)) * Math.cos(2 * Math::PI * @random.rand) })
    end
  end

  # All of a lightness that can be are looked at, and all that the bound does not rule out
  # are measured. Whatever is nearer than what was found would be among them.
  define_method(:scan) do |lab, limit|
    far = bound.lightness(limit)
    rows = @lightness.bsearch_index { |l| l >= lab[0] - far }...(@lightness.bsearch_index { |l| l > lab[0] + far } || @lightness.size)
    a, b = [1, 2].map { |axis| @sorted[axis][rows] - lab[axis] }
    reach = bound.across(limit, @chroma[rows] + Math.hypot(lab[1], lab[2]))
    nearest(lab, @order[(a * a + b * b <= reach * reach).where + rows.begin])
  end

  define_method(:nearest) do |lab, rows|
    differences = bulk.de2000(lab, @lab.map { |column| column[rows].dup }).to_a
    rows.to_a.zip(differences).min_by(5) { |number, difference| [difference, number] }
  end

  def expect_alike(found, wanted)
    expect(found.map(&:first)).to eq wanted.map(&:first)
    expect(found.map(&:last)).to eq wanted.map(&:last)
  end

  {"spread" => ->(spec, count) { spec.columns(count) }, "clustered" => ->(spec, count) { spec.clustered(count) }}.each do |kind, some|
    it "finds the five that a scan finds, for #{queries} colours of SEED=#{seed} that are #{kind}" do
      @random = Random.new(seed)
      lab = some.call(self, queries).map(&:to_a).transpose
      lab.each do |each|
        found = @index.to(Magpie::Color.new(:lab, each), most: 5)
        expect_alike(found, scan(each, found.last.last))
      end
    end
  end

  it "finds what measuring every single one finds" do
    all = Numo::Int32.new(100_000).seq
    [*columns(10).map(&:to_a).transpose, *clustered(10).map(&:to_a).transpose].each do |lab|
      expect_alike(@index.to(Magpie::Color.new(:lab, lab), most: 5), nearest(lab, all))
    end
  end

  it "rules out nothing that is within the limit" do
    30.times do
      one = @random.rand(100_000)
      lab = @sorted.map { |column| column[one] }
      differences = bulk.de2000(lab, @sorted)
      chroma = Math.hypot(lab[1], lab[2])
      across = Numo::NMath.hypot(@sorted[1] - lab[1], @sorted[2] - lab[2])
      expect(((@sorted[0] - lab[0]).abs <= bound.lightness(differences) + 1e-9).all?).to be true
      expect((across <= bound.across(differences, @chroma + chroma) + 1e-9).all?).to be true
      # The limit that a colour alone gives is never the tighter.
      near = (differences < 9).where
      expect(near.to_a.all? { |row| across[row] <= bound.about(differences[row], chroma) + 1e-9 }).to be true
    end
  end
end
