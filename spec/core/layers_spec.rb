RSpec.describe Magpie::Artwork::Layers do
  sha, other, mask = %w[a b c].map { |letter| letter * 64 }
  found = Struct.new(:box, :rows, :outline).new([10, 20, 30, 40], "M10 20H40V60H10Z", "M10 20H40")

  let(:drawing) { Magpie::Artwork.read('<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 200 100"><rect id="sky" width="9" height="9" fill="#231F55"/></svg>').template }

  def layer(template) = described_class.all(template).first

  it "is a drawing of one picture, or one beneath or above another, as large as it fits" do
    alone = described_class.of(sha, 400, 300)
    expect(described_class.all(alone).map(&:to_a)).to eq [[sha, 400, 300, [0, 0, 400, 300]]]
    expect(Magpie::Artwork::Frames.new(alone).view).to eq [0, 0, 400, 300]
    beneath = described_class.with(drawing, sha, 100, 100, "beneath")
    both = described_class.with(beneath, other, 400, 100, "above")
    expect(described_class.all(both).map { |each| [each.sha256, each.box] }).to eq [[sha, [50, 0, 100, 100]], [other, [0, 25, 200, 50]]]
    expect(both.index(sha)).to be < both.index("sky")
    expect(both.rindex(other)).to be > both.index("sky")
    expect(Nokogiri::XML(both, &:strict).errors).to be_empty
  end

  it "knows which picture lies at a place, and which of its pixels" do
    both = described_class.with(described_class.with(drawing, sha, 100, 100, "beneath"), other, 400, 100, "above")
    expect(described_class.under(both, 100, 50).then { |layer, pixel| [layer.sha256, pixel] }).to eq [other, [200, 50]]
    expect(described_class.under(both, 60, 10).then { |layer, pixel| [layer.sha256, pixel] }).to eq [sha, [10, 10]]
    expect(described_class.under(both, 10, 10)).to be_nil
  end

  it "has what is filled on its picture, in the order in which it came, each in its place when it is looked for anew" do
    made = described_class.with(drawing, sha, 100, 100, "beneath")
    %w[patch_1 patch_2].each { |key| made = described_class.filled(made, key, layer(made), found, mask, {x: 1, y: 2, tolerance: 8.0}) }
    expect(described_class.fills(made).map(&:to_a)).to eq [["patch_1", sha, {"x" => 1, "y" => 2, "tolerance" => 8.0}], ["patch_2", sha, {"x" => 1, "y" => 2, "tolerance" => 8.0}]]
    order = ->(template) { Nokogiri::XML(template).remove_namespaces!.xpath("//*[@data-part]").map { |node| node["data-part"].delete(Magpie::Artwork::Identifiers::MARK) } }
    expect(order.call(made)).to eq %w[patch_1 patch_2 sky]
    again = described_class.filled(made, "patch_1", layer(made), found, other, {x: 9, y: 9})
    expect([order.call(again), described_class.fills(again).first.aim, described_class.pictures(again)]).to eq [%w[patch_1 patch_2 sky], {"x" => 9, "y" => 9}, [sha, other, mask]]
    gone = described_class.without(again, "patch_1")
    expect([order.call(gone), described_class.without(gone, "patch_2")]).to eq [%w[patch_2 sky], described_class.with(drawing, sha, 100, 100, "beneath")]
    expect(Magpie::Artwork::Frames.new(made)["patch_1"].then { |frame| [frame.box, frame.matrix.to_a] }).to eq [[10, 20, 30, 40], [1, 0, 0, 1, 50, 0]]
  end

  it "is written with addresses of whoever writes it" do
    made = described_class.resolved(described_class.of(sha, 4, 3)) { |found| "/pictures/#{found[0, 3]}?a&b" }
    expect(made).to include('href="/pictures/aaa?a&amp;b"')
    expect(described_class.resolved(drawing) { raise }).to equal drawing
  end
end
