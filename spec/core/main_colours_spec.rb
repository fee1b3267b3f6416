require_relative "../../db/demo/pictures"

RSpec.describe Magpie::Picture::MainColours do
  def several = {[35, 31, 85] => 40, [163, 81, 102] => 30, [243, 186, 112] => 20, [18, 23, 32] => 9.5, [47, 200, 163] => 0.5}

  kept = {demo: [], cells: {}.compare_by_identity} # what several examples look at

  def picture(image) = Magpie::Painters.picture(image.pngsave_buffer)

  # @return [Array<[Vips::Image, Magpie::Picture]>]
  define_method(:demo) do
    kept[:demo] = Demo::Pictures.all.values.map { |bytes| Vips::Image.new_from_buffer(bytes, "").extract_band(0, n: 3) }.map { |image| [image, picture(image)] } if kept[:demo].empty?
    kept[:demo]
  end

  define_method(:main) do |picture, **options|
    cells = kept[:cells][picture] ||= Magpie::Picture::Cells.new(picture)
    described_class.new(cells, **options).to_a
  end

  # Bands of colour, their heights in per cent, with noise of a spread.
  def planted(colours = several, width: 400, height: 1000, sigma: 3)
    top = 0
    image = colours.reduce(flat_picture(width, height, [0, 0, 0])) do |picture, (rgb, share)|
      rows = (height * share / 100.0).round
      top += rows
      picture.draw_rect(rgb, 0, top - rows, width, rows, fill: true)
    end
    noise = (0..2).map { |band| Vips::Image.gaussnoise(width, height, sigma:, mean: 0, seed: 40 + band) }
    (image + noise[0].bandjoin(noise[1..])).cast(:uchar).copy(interpretation: :srgb)
  end

  def farthest(some, others)
    some.map { |one| others.map { |other| Magpie::Difference.de2000(one, other) }.min }.max
  end

  def expect_planted(found, colours = several.keys)
    expect(farthest(colours.map { |rgb| Magpie::Color.srgb8(*rgb) }, found.map(&:colour))).to be < 3
  end

  it "finds every planted colour, a small vivid accent among them, by itself or by number" do
    source = picture(planted)
    [nil, 5, 6, 8].each do |count|
      found = main(source, count:)
      expect_planted found
      expect(found.size).to eq(count || 5)
    end
  end

  it "tells the shares" do
    shares = main(picture(planted), count: 5).map { |each| (each.share * 100).round(1) }
    shares.zip([40, 30, 20, 9.5, 0.5]) { |got, wanted| expect(got).to be_within(0.3).of(wanted) }
  end

  it "shows a place where each colour really occurs" do
    source = picture(planted)
    main(source, count: 5).each do |each|
      expect(Magpie::Difference.de2000(source.at(*each.at, probe: 1).average, each.colour)).to be < 6
      expect(Magpie::Difference.de2000(source.at(*each.at, probe: 5).average, each.colour)).to be < 0.6
    end
    demo.each do |_, shown|
      main(shown).each { |each| expect(Magpie::Difference.de2000(shown.at(*each.at, probe: 5).average, each.colour)).to be < 2 }
    end
  end

  it "finds the place of what is too small for its map, and of a picture smaller than a block" do
    large = planted({[35, 31, 85] => 60, [243, 186, 112] => 40}, width: 2000, height: 2600, sigma: 0).draw_rect([47, 200, 163], 1301, 901, 2, 1300, fill: true)
    found = main(picture(large), count: 3).find { |each| each.colour.hex == "#2FC8A3" }
    expect(found.at).to match [be_between(1301, 1302), be_between(901, 2200)]
    expect(main(picture(flat_picture(3, 2, [226, 112, 90]))).map(&:at)).to match [[be_between(0, 2), be_between(0, 1)]]
  end

  it "finds the exact colours of a flat drawing, and their number" do
    flat = planted({[226, 112, 90] => 50, [255, 255, 255] => 30, [29, 36, 50] => 20}, sigma: 0)
    expect(main(picture(flat)).map { |each| each.colour.hex }).to eq %w[#E2705A #FFFFFF #1D2432]
    expect(main(picture(flat_picture(30, 30, [226, 112, 90]))).map { |each| [each.colour.hex, each.share] }).to eq [["#E2705A", 1.0]]
    expect(main(picture(flat), count: 8).size).to eq 3
  end

  it "gives the same answer to the same picture, places included" do
    source = picture(planted)
    expect(main(source)).to eq main(picture(planted))
  end

  it "stays within ΔE 4 under JPEG and scaling" do
    [[planted, picture(planted), 5], *demo.map { |image, shown| [image, shown, 6] }].each do |image, shown, count|
      colours = main(shown, count:).map(&:colour)
      changed = [image.jpegsave_buffer(Q: 60), image.resize(0.5).pngsave_buffer, image.resize(0.4).jpegsave_buffer(Q: 80)]
      changed.each do |bytes|
        others = main(Magpie::Painters.picture(bytes), count:).map(&:colour)
        expect([farthest(colours, others), farthest(others, colours)].max).to be < 4
      end
    end
  end

  it "passes over a small accent when the favour for accents is turned down" do
    blurred = [[35, 31, 85], [60, 40, 90], [90, 50, 96], [120, 60, 100], [150, 76, 100], [180, 96, 100], [210, 120, 104], [236, 160, 110]].to_h { |rgb| [rgb, 12.4] }
    accented = picture(planted(blurred.merge([20, 230, 60] => 0.8), sigma: 6))
    near = ->(accents) { main(accented, count: 4, accents:).map { |each| Magpie::Difference.de2000(each.colour, Magpie::Color.srgb8(20, 230, 60)) }.min }
    expect(near.call(1.0)).to be < 3
    expect(near.call(0.0)).to be > 20
  end

  it "leaves near-white and near-black grounds out" do
    catalogue = picture(planted({[252, 252, 252] => 70, [8, 8, 8] => 15, [184, 138, 51] => 10, [47, 143, 163] => 5}, sigma: 1))
    expect(main(catalogue, count: 4).size).to eq 4
    found = main(catalogue, leave_out: true)
    expect_planted found, [[184, 138, 51], [47, 143, 163]]
    expect(found.map { |each| each.share.round(2) }).to eq [0.67, 0.33]
    expect { main(picture(flat_picture(20, 20, [255, 255, 255])), leave_out: true) }.to raise_error(Magpie::Error, /nothing else is left/)
  end

  it "does not count what is transparent" do
    half = planted.bandjoin(Vips::Image.xyz(400, 1000)[1] >= 400)
    expect(main(picture(half)).map { |each| each.colour.hex }).not_to include(a_string_starting_with("#231F"))
    expect { main(picture(flat_picture(9, 9, [1, 2, 3]).bandjoin(Vips::Image.black(9, 9)))) }.to raise_error(Magpie::Error, /transparent everywhere/)
  end

  it "maps where each colour is" do
    colours = described_class.new(Magpie::Picture::Cells.new(picture(planted)), count: 5)
    shares = (0..4).map { |number| (colours.map == number).avg / 255 }
    shares.zip(colours.to_a) { |share, each| expect(share).to be_within(0.01).of(each.share) }
  end

  it "reads greys, 16 bits and another profile" do
    expect_planted main(picture(planted.colourspace(:rgb16)), count: 5)
    expect_planted main(picture(planted.icc_transform("p3", input_profile: "srgb")), count: 5)
    expect(main(picture(planted.colourspace(:"b-w")), count: 4).map { |each| each.colour.in(:oklch)[1] }).to all(be < 0.001)
  end

  it "paints a picture as well as the quantiser of libvips does" do
    demo.each do |image, shown|
      lab = lab_of(image.subsample(6, 6))
      theirs = Vips::Image.new_from_buffer(image.pngsave_buffer(palette: true, bitdepth: 4, dither: 0, Q: 100), "").extract_band(0, n: 3)
      distances = main(shown, count: 16).map { |each| Magpie::Bulk.de2000(each.colour.in(:lab), lab) }
      ours = Numo::DFloat.vstack(distances).min(axis: 0).mean
      expect(ours).to be < 1.05 * Magpie::Bulk.de2000(lab_of(theirs.subsample(6, 6)), lab).mean
    end
  end

  def lab_of(image) = Magpie::Bulk.linear_to_lab(Magpie::Picture::Pixels.of(image.copy_memory).linear)

  it "refuses a number that is none" do
    expect { main(picture(flat_picture(9, 9, [1, 2, 3])), count: 17) }.to raise_error(Magpie::Error, "17 main colours: expected 2 to 16")
  end
end

RSpec.describe Magpie::Picture::Tone do
  def tone(*rgb) = described_class.of(Magpie::Picture::Cells.new(Magpie::Painters.picture(noise_picture(60, 60, rgb, 2).pngsave_buffer)))

  it "says how light a picture is and which way it leans" do
    expect(tone(128, 128, 128).words).to eq "mid light, no cast"
    expect(tone(40, 24, 12).words).to eq "dark, leans orange"
    expect(tone(200, 225, 255).words).to eq "light, leans blue"
  end

  it "takes the median, which a few bright pixels do not move" do
    image = noise_picture(60, 60, [60, 60, 60], 1).draw_rect([255, 255, 255], 0, 0, 60, 20, fill: true)
    tone = described_class.of(Magpie::Picture::Cells.new(Magpie::Painters.picture(image.pngsave_buffer)))
    expect(tone.lightness).to be_within(0.01).of(Magpie::Color.srgb8(60, 60, 60).in(:oklab)[0])
  end
end
