require "support/dress_screens"
require "support/fidelity"

RSpec.describe "Dress, fidelity", :screen do
  include Fidelity

  # Fonts are not the drawing's: a page has some that other viewers have not.
  before { Changes::SetSettings.perform(demo, actor:, artwork: poster, numbers: poster.parts.where(key: %w[title house]).pluck(:position), settings: {hidden: true}) }

  def ink(text, offset, **given) = Magpie::Palette::Compound::Ink.new(colour: hex(text), offset:, **given)

  # A gradient for each part, every stop of the first following a swatch.
  def paint_all(**given)
    lamp = Swatch.find_by!(name: "Lamp")
    %w[night_sky plum_band rosehip_band ember_band apricot_band moor].each_with_index do |key, index|
      inks = [ink("#231F55", 0.0, **given.fetch(:first, {})), ink("#FFCE5C", 0.4, reference: lamp.id), ink("#2F8FA3", 1.0)]
      paint = Magpie::Palette::Compound.new(size: 24.0, angle: 20.0 + 30 * index, **given.except(:first, :laid), inks:)
      Changes::PaintParts.perform(demo, actor:, artwork: poster, numbers: numbers(poster, key), role: "fill", paint:, laid: given[:laid])
    end
  end

  def expect_alike
    open_dress
    found = differences(looks(poster))
    expect(found.keys).to contain_exactly("flat by librsvg", "linked by librsvg", "flat by Chromium", "linked by Chromium")
    expect(found.values.max).to be < 0.5, found.inspect
  end

  Magpie::Palette::Compound::GRADIENTS.each do |form|
    it "shows a #{form} gradient alike on the page, in SVGs and in pictures, however it is mixed" do
      %w[oklab srgb linear].each do |mixing|
        paint_all(form:, mixing:)
        expect_alike
      end
    end
  end

  it "shows middles, clear stops, what lies beyond the ends, and where it was laid alike" do
    laid = Magpie::Artwork::Placing.new(from: [0.3, 0.4], to: [0.5, 0.5], squash: 0.4)
    paint_all(form: "linear", mixing: "oklab", first: {middle: 0.2, opacity: 0.0})
    expect_alike
    paint_all(form: "conic", mixing: "oklab", first: {opacity: 0.3}, laid:)
    expect_alike
    %w[repeat mirror].each do |extent|
      paint_all(form: "radial", mixing: "oklab", extent:, laid:)
      expect_alike
    end
    paint_all(form: "linear", mixing: "linear", laid: laid.dup.tap { |across| across.across = [0.0, 200.0, 768.0, 500.0] })
    expect_alike
  end

  it "is the picture that colours are read from" do
    paint_all(form: "linear", mixing: "oklab")
    open_dress
    seen = Vips::Image.new_from_buffer(File.binread(Seen.new(poster).small), "")
    flat = Vips::Image.svgload_buffer(Dressing.new(poster).flat, scale: seen.width / poster.width)
    expect(between(on_white(seen), on_white(flat))).to be < 0.5
  end
end
