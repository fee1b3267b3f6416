# Makes the files of the demo's libraries, always the same ones:
#   bundle exec ruby -Ilib db/demo/libraries/make.rb [FOLDER]
require "magpie"

# Three invented charts and the names of CSS, each in an open format.
module DemoLibraries
  LICENCE = "Made for Yellow Magpie, use freely"

  # Columns of the masonry chart: OKLCH hue, chroma, lightness from the first to the last of
  # each, and their names.
  TARN = [
    [95, 0.022, 0.97..0.80, %w[Lambswool Limewash Whey Oatmeal Fleece Chalk Thistledown Candlewax Plaster Haydust Linen Sheepfold]],
    [88, 0.045, 0.95..0.70, ["Meadow cream", "Barley", "Hayrick", "Oat straw", "Sedge", "Dry reed", "Winter grass", "Rush light", "Malt", "Sandbank", "Dun", "Fallow"]],
    [80, 0.075, 0.93..0.62, %w[Primrose Butterwort Buckwheat Honeycomb Straw Corncrake Marigold Broom Gorse Mustard Brassy Ochre]],
    [70, 0.085, 0.90..0.55, ["Apricot wash", "Shortbread", "Toffee", "Sandstone", "Biscuit", "Tan hide", "Bracken", "Saddle", "Rope walk", "Cider", "Amber rock", "Peat spring"]],
    [62, 0.075, 0.86..0.46, ["Cob wall", "Tea rose", "Hazelnut", "Fawn", "Hazel coat", "Chestnut", "Oak gall", "Leather", "Conker", "Walnut", "Bark", "Coffee house"]],
    [55, 0.050, 0.80..0.36, ["Sorrel milk", "Mushroom", "Driftwood", "Barn owl", "Deer path", "Otter", "Ploughland", "Cocoa", "Old beam", "Peat cut", "Turf", "Bog oak"]],
    [45, 0.095, 0.84..0.42, ["Shell pink", "Salmon pool", "Fox cub", "Copper beech", "Terracotta", "Flowerpot", "Rowan", "Fox coat", "Red deer", "Rust", "Iron gate", "Old tile"]],
    [33, 0.145, 0.74..0.52, ["Apricot brick", "Coral wall", "Rose hip", "Hearth clay", "Lobster", "Warm brick", "Kiln mouth", "Sunset brick", "Poppy field", "Red fell", "Robin", "Kiln floor"]],
    [22, 0.110, 0.78..0.36, ["Dog rose", "Heather bloom", "Campion", "Raspberry", "Rose madder", "Red campion", "Brickwork", "Damson jam", "Bramble", "Claret", "Sloe gin", "Beetroot"]],
    [5, 0.060, 0.82..0.32, ["Foxglove", "Clover", "Thrift", "Musk mallow", "Old rose", "Heath", "Ling", "Dusk heather", "Plum skin", "Mulberry", "Elder", "Blackcurrant"]],
    [330, 0.035, 0.80..0.30, ["Lilac mist", "Pearl", "Orchid grey", "Dove", "Mauve stone", "Storm heather", "Pigeon", "Mussel", "Aubergine", "Dusk slate", "Raven", "Night heath"]],
    [285, 0.035, 0.84..0.28, ["Cloud", "Haze", "Wood smoke", "Rain", "Lavender stone", "Slate mist", "Blue slate", "Thunder", "Roof slate", "Wet slate", "Night slate", "Crow"]],
    [250, 0.045, 0.86..0.30, ["Frost", "Ice", "Skylark", "Harebell", "Tarn", "Shallows", "Blue hill", "Beck", "Deep water", "Fell blue", "Ink", "Midnight tarn"]],
    [220, 0.045, 0.86..0.32, ["Spray", "Sea fret", "Mackerel", "Tern", "Estuary", "Harbour", "Kelp bed", "Slipway", "Cormorant", "Undertow", "Sea cave", "Fathom"]],
    [190, 0.040, 0.86..0.34, ["Dew", "Willow water", "Duck egg", "Verdigris", "Copper roof", "Pool", "Spruce mist", "Juniper", "Spruce", "Deep pool", "Yew", "Night spruce"]],
    [150, 0.045, 0.86..0.34, ["Lichen", "Lamb mint", "Birch leaf", "Lovage", "Sage", "Fern frond", "Moss bank", "Larch", "Ivy", "Holly", "Fir", "Tarn pine"]],
    [118, 0.060, 0.88..0.38, ["Catkin", "Hazel leaf", "New larch", "Meadow", "Pea pod", "Nettle", "Hill pasture", "Olive", "Dock", "Reed bed", "Marsh", "Wet moss"]],
    [260, 0.006, 0.92..0.20, %w[Snowfield Pebble Scree Gravel Flint Granite Gritstone Coal]]
  ].freeze

  # Hues of the enamels: OKLCH hue, chroma in the middle, names from light to dark.
  LANTERN = {
    "Night" => [280, 0.10, %w[Gloaming Vesper Periwinkle Cobweb Nocturne Zenith Firmament Midnight]], "Blue" => [260, 0.13, %w[Icicle Sky Cornflower Kingfisher Bluebell Cobalt Sapphire Inkwell]],
    "Teal" => [210, 0.09, %w[Spindrift Lagoon Nebula Peacock Teal Petrol Abyss Undersea]], "Green" => [155, 0.12, %w[Mint Celadon Beryl Emerald Bottle Forest Pinewood Thicket]],
    "Leaf" => [125, 0.14, %w[Limelight Sprig Apple Parrot Leaf Cress Clover Olivine]], "Yellow" => [88, 0.15, %w[Taper Canary Lamp Sunflower Saffron Honey Brass Bronze]],
    "Orange" => [62, 0.15, %w[Peach Melon Tangerine Marmalade Amber Flame Copper Russet]], "Coral" => [32, 0.16, %w[Blush Shrimp Brazier Hearth Coral Ember Cinder Firebrick]],
    "Red" => [22, 0.19, %w[Petal Rosebud Geranium Signal Scarlet Ruby Garnet Oxblood]], "Berry" => [355, 0.16, %w[Candyfloss Peony Fuchsia Raspberry Cerise Crimson Burgundy Bordeaux]],
    "Plum" => [325, 0.11, %w[Lilac Heather Orchid Amethyst Mulberry Plum Damson Sloe]], "Smoke" => [270, 0.012, %w[Porcelain Ash Pewter Gunmetal Graphite Soot Lampblack Jet]]
  }.freeze

  # Films: OKLCH of the first and of the last of each name.
  BOTHY = {
    "Snow" => [[0.99, 0.002, 90], [0.92, 0.01, 90]], "Candle" => [[0.95, 0.05, 90], [0.86, 0.10, 85]], "Lantern" => [[0.90, 0.15, 92], [0.80, 0.16, 80]], "Beacon" => [[0.80, 0.14, 70], [0.70, 0.17, 55]],
    "Ember" => [[0.70, 0.14, 38], [0.56, 0.16, 28]], "Rowan" => [[0.62, 0.18, 24], [0.46, 0.16, 22]], "Thrift" => [[0.70, 0.15, 0], [0.52, 0.17, 355]], "Foxglove" => [[0.62, 0.14, 330], [0.42, 0.13, 325]],
    "Dusk" => [[0.56, 0.13, 300], [0.36, 0.12, 292]], "Tarn" => [[0.62, 0.11, 258], [0.38, 0.11, 262]], "Beck" => [[0.68, 0.09, 230], [0.48, 0.09, 235]], "Pool" => [[0.70, 0.09, 200], [0.48, 0.08, 195]],
    "Fern" => [[0.70, 0.13, 150], [0.46, 0.11, 152]], "Moss" => [[0.72, 0.13, 125], [0.50, 0.10, 125]], "Slate" => [[0.62, 0.012, 260], [0.34, 0.012, 260]], "Night" => [[0.26, 0.02, 270], [0.10, 0.005, 270]]
  }.freeze

  module_function

  # @return [Hash{String => String}] bytes by the name of the file
  def files
    {"tarn-and-fell.icc" => written(tarn, "icc"), "lantern-enamel.cxf" => written(lantern, "cxf"), "bothy-cut-film.cgats" => written(bothy, "cgats", "model" => "lab,cmyk"), "css-named-colours.css" => written(css, "css")}
  end

  def written(palette, format, options = {}) = Magpie::Formats::Sending.new(palette, Magpie::Formats.find(format), options).bytes

  # Named colour profiles have one name for each: the code stands before it.
  def tarn
    number = 0
    swatches = TARN.flat_map do |hue, chroma, lightness, names|
      names.each_with_index.map do |name, index|
        l = along(lightness, index, names.size)
        swatch(format("TF %03d %s", number += 1, name), [l, chroma * bell(l), hue - 6 * index / names.size.to_f])
      end
    end
    palette("Tarn & Fell masonry paints", "", swatches)
  end

  # Their colour is what their spectra come to.
  def lantern
    number = 0
    groups = LANTERN.each_with_index.map do |(group, (hue, chroma, names)), page|
      swatches = names.each_with_index.map do |name, index|
        l = along(0.88..0.24, index, names.size)
        spectrum = Smooth.spectrum(color([l, chroma * bell(l), hue]))
        swatch(name, nil, colour: spectrum.color, spectrum:, code: format("LE %02d", number += 1), page: "Tray #{page / 3 + 1}", position: "#{"ABC"[page % 3]}#{index + 1}")
      end
      Magpie::Palette::Group.new(name: group, swatches:)
    end
    Magpie::Palette.new(name: "Lantern enamel colours", condition: "fired on copper", licence: LICENCE, groups:)
  end

  def bothy
    number = 0
    swatches = BOTHY.each_with_index.flat_map do |(name, ends), index|
      count = {0 => 3, 15 => 5}.fetch(index, 4)
      Array.new(count) do |step|
        values = ends.transpose.map { |from, to| from + (to - from) * step / (count - 1.0) }
        color(values).then { |colour| swatch(format("BC %02d %s %d", number += 1, name, step + 1), nil, colour:, inks: colour.in(:cmyk).map { |ink| ink.round(1) }) }
      end
    end
    palette("Bothy cut film", "", swatches)
  end

  def css = palette("CSS named colours", "Names", Magpie::CSS_NAMES.map { |name, rgb| swatch(name.capitalize, nil, colour: Magpie::Color.from_rgb24(rgb)) })

  def palette(name, group, swatches) = Magpie::Palette.new(name:, licence: LICENCE, groups: [Magpie::Palette::Group.new(name: group.empty? ? name : group, swatches:)])

  def swatch(name, oklch, colour: color(oklch), **more) = Magpie::Palette::Swatch.new(name:, colour:, **more)

  # Inside what a screen shows.
  def color(oklch) = Magpie::Gamut.to_srgb(Magpie::Color.new(:oklch, oklch))

  def along(range, index, count) = range.begin + (range.end - range.begin) * index / (count - 1.0)

  # Very light and very dark paints are less colourful than those between.
  def bell(lightness) = 1 - ((lightness - 0.62) / 0.62)**2 * 0.7

  # Smooth reflectances that look like a colour: a bounded curve over a polynomial of the second
  # degree, its three numbers found by Newton's method. Source: W. Jakob, J. Hanika, "A
  # Low-Dimensional Function Space for Efficient Spectral Upsampling", 2019.
  module Smooth
    WAVES = (400..700).step(10).to_a.freeze

    module_function

    # @param color [Magpie::Color]
    # @return [Magpie::Spectrum]
    def spectrum(color)
      target, numbers = Magpie::Color.new(:lab, color.in(:lab)).in(:xyz_d50), [0.0, 0.0, 0.0]
      200.times do
        off = target.zip(seen(numbers)).map { |wanted, is| wanted - is }
        break if off.all? { |by| by.abs < 1e-6 }
        numbers = numbers.zip(solved(slopes(numbers), off)).map { |number, step| number + step.clamp(-1.5, 1.5) }
      end
      Magpie::Spectrum.new(400, 10, curve(numbers).map { |value| value.round(4) })
    end

    def curve((a, b, c)) = WAVES.map { |wave| ((wave - 550) / 150.0).then { |x| a * x * x + b * x + c }.then { |y| 0.5 + y / (2 * Math.sqrt(1 + y * y)) } }

    def seen(numbers) = Magpie::Spectrum.new(400, 10, curve(numbers)).color.in(:xyz_d50)

    def slopes(numbers)
      at = seen(numbers)
      numbers.each_index.map { |index| seen(numbers.dup.tap { |moved| moved[index] += 1e-4 }).zip(at).map { |moved, is| (moved - is) / 1e-4 } }.transpose
    end

    # Cramer's rule; a little is added where the slopes say nothing.
    def solved(rows, values)
      whole = determinant(rows)
      whole = 1e-9 if whole.abs < 1e-9
      Array.new(3) { |column| determinant(rows.zip(values).map { |row, value| row.dup.tap { |copy| copy[column] = value } }) / whole }
    end

    def determinant((a, b, c)) = a[0] * (b[1] * c[2] - b[2] * c[1]) - a[1] * (b[0] * c[2] - b[2] * c[0]) + a[2] * (b[0] * c[1] - b[1] * c[0])
  end
end

DemoLibraries.files.each { |name, bytes| File.binwrite(File.join(ARGV[0] || __dir__, name), bytes) } if $PROGRAM_NAME == __FILE__
