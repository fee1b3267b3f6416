require "support/pictures"

RSpec.describe Magpie::Picture::Fill do
  # 120 × 80: dusk with a lamp in it, a wall of ember, and an island of ember beyond 6 px of dusk; the
  # wall gets a little darker to the right.
  def picture
    image = Vips::Image.black(120, 80).add([35, 31, 85]).draw_rect([255, 206, 92], 5, 5, 10, 10, fill: true)
    (0...60).each { |step| image = image.draw_rect([228 - step / 4, 111, 88], 20 + step, 30, 1, 40, fill: true) }
    image = image.draw_rect([228, 111, 88], 86, 30, 20, 40, fill: true)
    Magpie::Picture.read(image.cast(:uchar).copy(interpretation: :srgb).pngsave_buffer, name: "wall.png")
  end

  def found(x, y, picture: self.picture, **aim) = described_class.new(picture, described_class::Aim.new(x:, y:, **aim))

  def mask(fill) = Vips::Image.new_from_buffer(fill.mask, "")

  it "covers what hangs together and is alike, or all that is alike" do
    near = found(30, 40, tolerance: 10.0)
    expect([near.box, near.covers?(79, 69), near.covers?(90, 40), near.share.round(4)]).to eq [[20, 30, 60, 40], true, false, (60 * 40 / 9600.0).round(4)]
    expect([mask(near).avg, [mask(near).width, mask(near).height]]).to eq [255, [60, 40]]
    all = found(30, 40, tolerance: 10.0, everywhere: true)
    expect([all.box, all.covers?(90, 40), all.covers?(82, 40)]).to eq [[20, 30, 86, 40], true, false]
    expect(found(30, 40, tolerance: 1.0).box[2]).to be_between(5, 50)
  end

  it "goes over gaps that are no wider than is said, and leaves them as they are" do
    expect(found(30, 40, tolerance: 10.0, gap: 4).covers?(90, 40)).to be false
    over = found(30, 40, tolerance: 10.0, gap: 6)
    expect([over.covers?(90, 40), over.covers?(83, 40)]).to eq [true, false]
  end

  it "fades over a soft edge, and never beyond the picture" do
    soft = found(90, 40, tolerance: 4.0, soft: 3.0)
    left, top, width, height = soft.box
    expect([left, top, width, height]).to eq [80, 24, 32, 52]
    across = (0...20).map { |x| mask(soft).getpoint(x, 26).first }
    expect(across).to eq across.sort
    expect([across.first, across.last]).to match [be < 10, be > 250]
    expect(found(1, 1, tolerance: 4.0, soft: 30.0).box).to eq [0, 0, 120, 80]
  end

  it "has an outline with its holes, and rows for the pointer that hold all of it" do
    sky = found(60, 10, tolerance: 4.0)
    path = sky.outline
    expect(path).to include("M0 0H120").and include("M5 5H15").and include("M20 30V70")
    rows = sky.rows.scan(/M(\S+) (\S+)H(\S+)V(\S+)/).map { |row| row.map(&:to_f) }
    inside = ->(x, y) { rows.any? { |left, top, right, bottom| x.between?(left, right) && y.between?(top, bottom) } }
    expect([inside.call(60, 10), inside.call(2, 78), inside.call(10, 10), inside.call(40, 50)]).to eq [true, true, false, false]
  end

  it "is told in advance from fewer pixels of a large picture, in the same place" do
    stub_const("#{described_class}::SKETCHED", 900)
    large = Magpie::Picture.new(picture.image.resize(10, kernel: :nearest))
    aim = described_class::Aim.new(x: 300, y: 400, tolerance: 10.0)
    numbers = ->(fill) { fill.outline.scan(/[\d.]+/).map(&:to_f).minmax }
    sketch, whole = described_class.sketch(large, aim), described_class.new(large, aim)
    expect(sketch.share).to be_within(0.03).of(whole.share)
    numbers.call(sketch).zip(numbers.call(whole)) { |one, two| expect(one).to be_within(40).of(two) }
    expect(described_class.sketch(picture, described_class::Aim.new(x: 30, y: 40)).outline).not_to be_empty
  end

  it "is found where a sketch says, and the same as in all of the picture" do
    stub_const("#{described_class}::SKETCHED", 900)
    large = Magpie::Picture.new(picture.image.resize(10, kernel: :nearest))
    [{x: 300, y: 400}, {x: 300, y: 400, gap: 60}, {x: 900, y: 400, soft: 20.0}, {x: 5, y: 5}, {x: 60, y: 60}, {x: 300, y: 400, everywhere: true}].each do |given|
      aim = described_class::Aim.new(tolerance: 10.0, **given)
      one, two = described_class.find(large, aim), described_class.new(large, aim)
      expect([given, one.box, one.mask == two.mask, one.covers?(900, 400), one.covers?(0, 0)]).to eq [given, two.box, true, two.covers?(900, 400), two.covers?(0, 0)]
    end
  end

  it "does not cover what is transparent, and refuses what is none" do
    image = picture.image.bandjoin(255).draw_rect([228, 111, 88, 0], 86, 30, 20, 40, fill: true)
    clear = Magpie::Picture.read(image.copy(interpretation: :srgb).pngsave_buffer, name: "clear.png")
    expect(found(30, 40, picture: clear, tolerance: 10.0, everywhere: true).covers?(90, 40)).to be false
    {{x: 90, y: 40} => "transparent", {x: 500, y: 0} => "outside the picture", {x: 1, y: 1, tolerance: 99.0} => "expected 0.5 to 40", {x: 1, y: 1, gap: -1} => "a gap of -1", {x: 1, y: 1, soft: 900.0} => "soft over 900"}.each do |aim, words|
      expect { described_class.new(clear, described_class::Aim.new(**aim)) }.to raise_error Magpie::Error, /#{words}/
    end
  end
end
