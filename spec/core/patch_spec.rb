RSpec.describe Magpie::Picture::Patch do
  let(:probe) { Magpie::Picture::Probe }

  def picture(image, **options) = Magpie::Painters.picture(image.pngsave_buffer(**options))

  # A disc of one colour on another.
  def disc(radius: 20, colour: [226, 112, 90], ground: [35, 31, 85])
    xyz = Vips::Image.xyz(80, 60)
    inside = ((xyz[0] - 40)**2 + (xyz[1] - 30)**2) <= radius**2
    inside.bandjoin([inside, inside]).ifthenelse(flat_picture(80, 60, colour), flat_picture(80, 60, ground))
  end

  it "covers just the like colour round the place" do
    round = picture(disc)
    patch = probe.patch(round, 40, 30, 3.0)
    covered = (0...60).sum { |y| (0...80).count { |x| (x - 40)**2 + (y - 30)**2 <= 400 } }
    expect([patch.left, patch.top, patch.width, patch.height, patch.count]).to eq [20, 10, 41, 41, covered]
    reading = round.read(patch, at: [40, 30])
    expect([reading.average.hex, reading.most_common.hex, reading.spread, reading.pixels]).to eq ["#E2705A", "#E2705A", 0.0, covered]
  end

  it "does not jump over what is different" do
    striped = flat_picture(60, 40, [200, 60, 60]).draw_rect([20, 20, 20], 28, 0, 4, 40, fill: true)
    expect(probe.patch(picture(striped), 5, 5, 5.0).width).to eq 28
  end

  it "takes in exactly what CIEDE2000 calls near, at every tolerance" do
    # A ramp of greys: how far the patch goes is known from the formula alone.
    ramp = picture((Vips::Image.xyz(200, 12)[0] + 20).cast(:uchar).bandjoin([(Vips::Image.xyz(200, 12)[0] + 20).cast(:uchar)] * 2).copy(interpretation: :srgb))
    seed = Magpie::Color.srgb8(120, 120, 120)
    [1.0, 2.5, 6.0, 15.0].each do |tolerance|
      near = (0...200).select { |x| Magpie::Difference.de2000(seed, Magpie::Color.srgb8(x + 20, x + 20, x + 20)) < tolerance }
      patch = probe.patch(ramp, 100, 6, tolerance)
      expect(patch.left).to be_within(1).of(near.first), tolerance.to_s
      expect(patch.left + patch.width - 1).to be_within(1).of(near.last), tolerance.to_s
    end
  end

  it "takes of random colours those within the tolerance, but for a fifth of it at its edge" do
    random = Random.new(3)
    bytes = random.bytes(60_000)
    working = picture(Vips::Image.new_from_memory_copy(bytes, 200, 100, 3, :uchar).copy(interpretation: :srgb)).working
    colours = Numo::DFloat.cast(bytes.unpack("C*")).reshape(20_000, 3).then { |rows| working.lab((0..2).map { |band| rows[true, band].dup }) }
    [2.0, 4.0, 7.0, 10.0].cycle(8).each do |tolerance|
      x, y = random.rand(200), random.rand(100)
      away = Magpie::Bulk.de2000(colours.map { |column| column[y * 200 + x] }, colours)
      taken = Numo::UInt8.from_binary(described_class.alike(working, x, y, tolerance).write_to_memory).ne(0)
      wrong = [*away[(away.lt(tolerance * 0.8) & ~taken).where], *away[(away.gt(tolerance * 1.2) & taken).where]]
      expect(wrong).to be_empty, "#{wrong.size} of #{taken.count_true} within #{tolerance} of #{x}, #{y}"
    end
  end

  it "grows with the tolerance, and holds its place whatever the noise" do
    noisy = picture(noise_picture(120, 90, [150, 90, 60], 6))
    counts = [1.0, 4.0, 12.0, 40.0].map { |tolerance| probe.patch(noisy, 60, 45, tolerance).count }
    expect(counts).to eq counts.sort
    expect(counts.first).to be >= 1
    expect(counts.last).to eq 120 * 90
  end

  it "stops where the picture is transparent, and says so of a transparent place" do
    half = flat_picture(20, 10, [9, 120, 90]).bandjoin(Vips::Image.xyz(20, 10)[0] < 12)
    expect(probe.patch(picture(half), 3, 3, 5.0).width).to eq 12
    expect { probe.patch(picture(half), 15, 3, 5.0) }.to raise_error(Magpie::Error, /15, 3 is transparent/)
    expect { probe.patch(picture(half), 1, 1, 99.0) }.to raise_error(Magpie::Error, "the tolerance is 99.0: expected 0.5 to 40")
  end

  it "works on 16 bits and on another profile" do
    [disc.colourspace(:rgb16), disc.icc_transform("p3", input_profile: "srgb")].each do |image|
      expect(probe.patch(picture(image), 40, 30, 3.0).width).to eq 41
    end
  end

  it "is outlined by a loop along its pixels that holds it all" do
    patch = probe.patch(picture(disc), 40, 30, 3.0)
    corners = patch.outline
    expect(corners.transpose.map(&:minmax)).to eq [[20, 61], [10, 51]]
    expect(corners.each_cons(2)).to all(satisfy { |(x, y), (u, v)| (x == u) ^ (y == v) })
    # Drawn again as an outline it covers the same pixels.
    expect(probe.round(picture(disc), corners).count).to eq patch.count
  end

  it "is outlined coarsely when it is large, and never smaller than it is" do
    patch = probe.patch(picture(flat_picture(3000, 900, [70, 80, 90])), 10, 10, 2.0)
    expect(patch.outline).to contain_exactly([0, 0], [3000, 0], [3000, 900], [0, 900])
  end

  describe "an outline drawn by hand" do
    it "reads what lies inside, even where it leaves the picture" do
      halves = picture(flat_picture(40, 40, [255, 0, 0]).draw_rect([0, 0, 255], 20, 0, 20, 40, fill: true))
      inside = probe.round(halves, [[2, 2], [18, 2], [18, 30], [2, 30]])
      expect([inside.count, halves.read(inside).average.hex]).to eq [16 * 28, "#FF0000"]
      beyond = probe.round(halves, [[30, -20], [90, -20], [90, 90], [30, 90]])
      expect([beyond.count, halves.read(beyond).average.hex]).to eq [10 * 40, "#0000FF"]
    end

    it "refuses what holds nothing" do
      flat = picture(flat_picture(40, 40, [1, 2, 3]))
      expect { probe.round(flat, [[1, 1], [2, 2]]) }.to raise_error(Magpie::Error, /at least three corners/)
      expect { probe.round(flat, [[5, 5], [5.2, 5.1], [5.1, 5.2]]) }.to raise_error(Magpie::Error, /holds no pixel/)
      expect { probe.round(flat, [[50, 50], [60, 50], [60, 60]]) }.to raise_error(Magpie::Error, /holds no pixel/)
    end

    it "reads a sample of a large area that agrees with all of it" do
      large = noise_picture(1500, 900, [140, 96, 70], 9)
      reading = picture(large).read(probe.round(picture(large), [[0, 0], [1500, 0], [1500, 900], [0, 900]]))
      linear = large.colourspace(:scrgb)
      whole = Magpie::Color.new(:srgb_linear, (0..2).map { |band| linear[band].avg })
      expect(Magpie::Difference.de2000(reading.average, whole)).to be < 0.1
      expect(reading.pixels).to eq 1500 * 900
    end
  end
end
