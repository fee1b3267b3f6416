require "vips"

RSpec.describe Magpie::Picture::Piece do
  # Each pixel says where it is: red is the column, green the row.
  let(:chart) { Vips::Image.xyz(200, 100).cast(:uchar).bandjoin(60).copy(interpretation: :srgb) }

  def cut(corners, straightened: false, image: chart) = Vips::Image.new_from_buffer(described_class.new(image, corners, straightened:).png, "")

  it "cuts along an outline: as it is inside, transparent outside" do
    piece = cut([[0.1, 0.1], [0.5, 0.1], [0.1, 0.5]])
    expect([piece.width, piece.height, piece.bands]).to eq [80, 40, 4]
    expect(piece.getpoint(5, 5)).to eq [25, 15, 60, 255]
    expect([piece.getpoint(78, 38)[3], piece.getpoint(40, 19)[3]]).to match [0, be > 0]
  end

  it "makes a rectangle of four corners, each place of which comes from where it lay" do
    quad = [[0.1, 0.2], [0.9, 0.1], [0.8, 0.9], [0.2, 0.7]]
    [quad, quad.rotate(2), quad.reverse].each do |corners|
      piece = cut(corners, straightened: true)
      corner = ->(x, y) { piece.getpoint(x, y).first(2) }
      expect(corner.call(0, 0).zip([20, 20]).map { |got, wanted| (got - wanted).abs }).to all(be <= 2)
      expect(corner.call(piece.width - 1, 0).zip([180, 10]).map { |got, wanted| (got - wanted).abs }).to all(be <= 2)
      expect(corner.call(piece.width - 1, piece.height - 1).zip([160, 90]).map { |got, wanted| (got - wanted).abs }).to all(be <= 2)
    end
    # What is a rectangle already stays as it is.
    piece = cut([[0.1, 0.1], [0.6, 0.1], [0.6, 0.6], [0.1, 0.6]], straightened: true)
    expect([piece.width, piece.height]).to eq [100, 50]
    expect(piece.getpoint(50, 25).first(2).zip([70, 35]).map { |got, wanted| (got - wanted).abs }).to all(be <= 1)
  end

  it "keeps straight lines straight, as a projective map does" do
    piece = cut([[0.1, 0.2], [0.9, 0.1], [0.8, 0.9], [0.2, 0.7]], straightened: true)
    along = [10, piece.width / 2, piece.width - 10].map { |x| piece.getpoint(x, piece.height / 2).first(2) }
    (x0, y0), (x1, y1), (x2, y2) = along
    off = ((x2 - x0) * (y1 - y0) - (x1 - x0) * (y2 - y0)).abs / Math.hypot(x2 - x0, y2 - y0)
    expect(off).to be < 1.5
  end

  it "is no larger than there is room for, and says what it cannot cut" do
    large = Vips::Image.black(3000, 2000, bands: 3).copy(interpretation: :srgb)
    expect(cut([[0, 0], [1, 0], [1, 1], [0, 1]], image: large).size.max).to eq described_class::LARGEST
    {[[0, 0], [1, 1]] => "an outline has three corners or more, and not 2", [[0.5, 0.5], [0.501, 0.5], [0.5, 0.501]] => "the outline is too small to cut"}.each do |corners, words|
      expect { cut(corners) }.to raise_error(Magpie::Error, words)
    end
    expect { cut([[0, 0], [1, 0], [1, 1]], straightened: true) }.to raise_error(Magpie::Error, "four corners can be straightened, and not 3")
    expect { cut([[0, 0], [0.5, 0.5], [1, 1], [0.2, 0.2]], straightened: true) }.to raise_error(Magpie::Error, "the corners lie on one line")
  end
end

RSpec.describe Magpie::Painters::Board do
  def board(**given) = described_class.new(ground: Magpie::Notation.parse("#231F55"), piece: "piece.png?a=1&b=2", size: [200, 100], **given)

  it "lays piece, trims and match on the ground, in ink that shows" do
    trims = [described_class::Trim.new(Magpie::Notation.parse("#B88A33"), "Orrery brass", "braid"), described_class::Trim.new(Magpie::Notation.parse("#E0E1E8"), "Moonwash", nil)]
    svg = Nokogiri::XML(board(trims:, match: [Magpie::Notation.parse("#241D53"), ["Night bell", "LE 03", "ΔE 1.0"]], title: "Curtains <b>").svg(width: 700)).remove_namespaces!
    expect(svg.at("rect")["fill"]).to eq "#231F55"
    expect(svg.at("image").to_h.values_at("href", "width", "height")).to eq ["piece.png?a=1&b=2", "280.0", "140.0"]
    expect(svg.search("rect").map { |rect| rect["fill"] }).to eq %w[#231F55 #B88A33 #E0E1E8 #241D53]
    expect(svg.search("text").map { |text| text["fill"] }.uniq).to eq ["#FFFFFF"]
    expect(svg.at("title").text).to eq "Curtains <b>"
    expect(svg.root.to_h.values_at("width", "height")).to eq %w[700 588]
  end

  it "shortens long names and takes any text" do
    trims = [described_class::Trim.new(Magpie::Notation.parse("#B88A33"), "A very long name of a trim that goes on and on", "a use that is long, too")]
    svg = board(trims:, match: [Magpie::Notation.parse("#241D53"), ["<script>\u0000&\"'" * 9]]).svg
    expect(Nokogiri::XML(svg) { |options| options.strict }.search("text").map { |text| text.text.size }.max).to be < 45
  end
end
