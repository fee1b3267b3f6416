RSpec.describe Magpie::Artwork::Frames do
  def frames(body, view = "0 0 200 100") = Magpie::Artwork.read(%(<svg xmlns="http://www.w3.org/2000/svg" viewBox="#{view}">#{body}</svg>)).then { |artwork| [described_class.new(artwork.template), artwork.parts.map(&:key)] }

  def box(body)
    found, keys = frames(body)
    found[keys.first].box.map { |value| value.round(3) }
  end

  it "knows where every shape lies, in whatever units" do
    {
      '<rect x="10" y="20" width="30" height="40"/>' => [10, 20, 30, 40], '<rect x="10%" y="1mm" width="50%" height="1in"/>' => [20, 3.78, 100, 96],
      '<circle cx="50" cy="40" r="10"/>' => [40, 30, 20, 20], '<ellipse cx="50" cy="40" rx="10" ry="5"/>' => [40, 35, 20, 10],
      '<polygon points="0,0 10,5,-3 20"/>' => [-3, 0, 13, 20], '<line x1="5" y1="6" x2="25" y2="2" stroke="#231F55"/>' => [5, 2, 20, 4]
    }.each { |body, expected| expect([body, box(body)]).to eq [body, expected] }
  end

  # Numbers worked out by hand: a cubic's extremes, half a circle, a quadratic's top.
  it "knows how far a path bends" do
    {
      "M0 0C0 40 60 40 60 0" => [0, 0, 60, 30], "M10 50a20 20 0 0 1 40 0" => [10, 30, 40, 20], "M10 50A20 20 0 0 0 50 50" => [10, 50, 40, 20],
      "m5 5h10v10h-10z" => [5, 5, 10, 10], "M0 0Q30 -40 60 0T120 0" => [0, -20, 120, 40], "M0 0c0 40 60 40 60 0s60-40 60 0" => [0, -30, 120, 60],
      "M1-2l.5.5-1e1 3" => [-8.5, -2, 10, 3.5], "M0 0a10 10 0 1110 10z" => [-0.0, -10.0, 20.0, 20.0]
    }.each { |d, expected| expect([d, box(%(<path d="#{d}"/>))]).to eq [d, expected] }
  end

  it "gives what is straight two sides, and what cannot be told the drawing" do
    expect(box('<path d="M10 50h100" stroke="#231F55"/>')).to eq [10, 0, 100, 100]
    expect(box('<path d="" stroke="#231F55"/>')).to eq [0, 0, 200, 100]
  end

  it "knows how a part stands in the drawing, through groups, uses and drawings within it" do
    body = <<~SVG
      <g transform="translate(10 20) scale(2)"><rect width="5" height="5" transform="rotate(90)"/></g>
      <svg x="50" y="0" width="100" height="100" viewBox="0 0 10 20"><rect width="10" height="20" fill="#231F55"/></svg>
      <defs><circle id="star" r="3"/></defs><use href="#star" x="7" y="8"/>
      <rect width="1" height="1" style="transform:translate(3px,4px)"/>
    SVG
    found, keys = frames(body)
    corners = keys.map { |key| found[key].matrix.box(found[key].box).map { |value| value.round(3) } }
    expect(corners).to eq [[0, 20, 10, 10], [75, 0, 50, 100], [4, 5, 6, 6], [3, 4, 1, 1]]
  end

  it "takes a text for as long as most fonts make it, on the line that it stands on" do
    left, top, width, height = box('<text x="100" y="50" font-size="20" text-anchor="middle">Night open</text>')
    expect([left + width / 2, top, height]).to eq [100, 34, 20]
    expect(width).to be_between(80, 140)
    found, keys = frames('<text x="10" y="20" font-size="10">Night<tspan x="10" dy="12" fill="#E46F58">open</tspan></text>')
    expect(found[keys[0]].box).to eq found[keys[1]].box
    expect(found[keys[0]].box[3]).to eq 22
  end

  describe Magpie::Artwork::Placing do
    frame = Magpie::Artwork::Frames::Frame.new([10.0, 20.0, 200.0, 100.0], Magpie::Artwork::Affine.parse("translate(5 5) rotate(30) scale(2)"))
    linear = Magpie::Palette::Compound.new(form: "linear", angle: 45.0, size: 24.0, inks: [])

    # CSS Images 3, 3.1: |width × sin| + |height × cos|, and the corners have the end colours.
    it "runs along its angle from corner to corner" do
      axes = described_class.usual(linear, frame).axes(frame)
      from, to = axes.point(0, 0), axes.point(1, 0)
      expect(Math.atan2(to[1] - from[1], to[0] - from[0]) * 180 / Math::PI).to be_within(1e-9).of(45)
      expect(Math.hypot(to[0] - from[0], to[1] - from[1])).to be_within(1e-9).of(300 / Math.sqrt(2))
      expect(axes.inverse.point(10, 20)[0]).to be_within(1e-9).of(0)
      expect(axes.inverse.point(210, 120)[0]).to be_within(1e-9).of(1)
    end

    it "lies across the drawing however the part stands in it" do
      across = described_class.new(from: [0.0, 0.0], to: [1.0, 0.0], across: [0.0, 0.0, 400.0, 300.0])
      expect(frame.matrix.point(*across.axes(frame).point(1, 0)).map { |value| value.round(6) }).to eq [400, 0]
    end

    it "is kept whole, and refuses what is no place" do
      laid = described_class.new(from: [0.1, 0.2], to: [0.9, 0.2], squash: 0.5, focus: [0.2, 0.0], across: [0.0, 0.0, 9.0, 9.0])
      expect(described_class.from_h(JSON.parse(JSON.generate(laid.to_h)))).to eq laid
      [{"from" => [0, 0]}, {"from" => [0, "a"], "to" => [1, 1]}, {"from" => [0, 0], "to" => [1, 1e9]}, {"from" => [0, 0], "to" => [1, 1], "squash" => 0.0}, {"from" => [0, 0], "to" => [1, 1], "across" => [0, 0, 0, 5]}]
        .each { |wrong| expect { described_class.from_h(wrong) }.to raise_error Magpie::Error }
    end
  end
end
