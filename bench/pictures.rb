module Bench
  # Pictures of 12 megapixels: brought in, opened, read; their patches and main colours.
  module Pictures
    module_function

    def rows
      Bench.try("Noise of 12 megapixels") { noise }
      Bench.try("Dusk of 12 megapixels") { dusk }
      Demo::Pictures.all.first(Bench.many(9, 1)).each { |name, bytes| Bench.try(name) { painted(name, bytes) } }
    end

    def actor = Actor.new

    def noise
      sides = Bench.many([4000, 3000], [400, 300])
      bands = (0..2).map { |band| Vips::Image.gaussnoise(*sides, mean: 120, sigma: 40, seed: band) }
      bytes = bands[0].bandjoin(bands[1..]).cast(:uchar).copy(interpretation: :srgb).jpegsave_buffer(Q: 90)
      decoding = Bench.median(3) { Magpie::Painters.picture(bytes) }
      megabytes = bytes.bytesize / 1_000_000
      Bench.row "Decoding 12 megapixels of noise (JPEG, #{megabytes} MB), without keeping it", decoding, "–"
      number, source = 0, nil
      another = -> { bytes + (number += 1).to_s }
      bring = -> { Changes::BringInSource.perform(Bench.demo, actor:, name: "Large.jpg", bytes: another.call) }
      brought = cold { source = bring.call }
      Bench.row "Bringing them in", brought, "aim: 1.5 ×", format("%.2f × decoding them", brought / decoding)
      opened = cold { Seen.new(source).picture }
      beside = format("%.2f × decoding them", opened / decoding)
      Bench.row "Opening them for the first time", opened, "aim: 1.5 ×", beside
      readings(source, opened)
    end

    # Of pictures that nobody has decoded yet.
    def cold(&)
      forget = -> { FileUtils.rm_rf(PictureCache.folder) }
      forget.call
      Bench.median(3, after: forget, &)
    end

    def readings(source, opened)
      size, random = Seen.new(source).picture, Random.new(1)
      [5, 31].each do |probe|
        taken = Bench.median(60) do
          aim = Aim.new(way: "square", x: random.rand(size.width), y: random.rand(size.height), size: probe)
          Changes::TakeReading.perform(Bench.demo, actor:, readable: source, aim:)
        end
        what, beside = "Reading #{probe} × #{probe} px of 12 megapixels", format("%.3f × opening it", taken / opened)
        Bench.row "#{what}, kept as a find", taken, (probe == 5) ? "< 60 ms" : "–", beside
      end
    end

    # The demo's dusk at 12 megapixels, with a camera's grain.
    def large_dusk
      dusk = Vips::Image.new_from_buffer(Demo::Pictures.all["Dusk over the dome"], "").resize(Bench.many(2.9, 0.2))
      grain = (0..2).map { |band| Vips::Image.gaussnoise(dusk.width, dusk.height, mean: 0, sigma: 3, seed: 20 + band) }
      (dusk + grain[0].bandjoin(grain[1..])).cast(:uchar).copy(interpretation: :srgb)
    end

    def dusk
      image = large_dusk
      bytes = image.jpegsave_buffer(Q: 92)
      source = Changes::BringInSource.perform(Bench.demo, actor:, name: "Dusk, large.jpg", bytes:)
      opening = Bench.median(3) { Magpie::Painters.picture(Blob.bytes(source.sha256)) }
      Bench.row "Decoding #{size(image)} (JPEG), without keeping it", opening, "–"
      patch(source, image, "a field of the sky", 6.0, opening)
      patch(source, image, "the whole picture", 40.0, opening)
      main_colours(source, image)
    end

    def size(image) = "#{(image.width * image.height / 1e6).round} megapixels"

    def patch(source, image, what, tolerance, opening)
      x, y = (image.width * 0.43).round, (image.height * 0.38).round
      outline = nil
      taken = Bench.median(7) do
        picture = Seen.new(source).picture
        picture.read(outline = Magpie::Picture::Probe.patch(picture, x, y, tolerance))
      end
      beside = format("%.2f × decoding it", taken / opening)
      Bench.row "Patch of #{size(image)}, #{what}: grown and read", taken, "≤ 400 ms", beside
      Bench.row "… and its outline", Bench.median(7) { outline.outline }, "–"
    end

    def main_colours(source, image)
      found = ->(**given) { main(Seen.new(source).picture, **given) }
      theirs = Bench.median(5) { image.pngsave_buffer(palette: true, bitdepth: 4, dither: 0, Q: 100, compression: 0) }
      {"16 of them with their places" => {count: 16}, "number found by itself" => {}}.each do |words, given|
        taken = Bench.median(5) { found.call(**given) }
        beside = format("%.2f × libvips' quantiser with PNG", taken / theirs)
        Bench.row "Main colours of #{size(image)}, #{words}", taken, "≤ 700 ms", beside
      end
    end

    def main(picture, **given) = Magpie::Picture::MainColours.new(Magpie::Picture::Cells.new(picture), **given).to_a

    # Mean ΔE00 of every ninth pixel to what it is painted with: by our main colours, nearest
    # first, and by the palette picture that libvips makes.
    def painted(name, bytes)
      image = rgb_of(bytes).then { |all| Bench.small? ? all.subsample(6, 6).copy_memory : all }
      lab = lab_of(image)
      [[2, 4], [4, 16]].each do |bits, count|
        far = main(Magpie::Picture.new(image), count:).map { |each| Magpie::Bulk.de2000(each.colour.in(:lab), lab) }
        ours = far.reduce { |a, b| Magpie::Bulk.choose(a < b, a, b) }.mean
        palette = rgb_of(image.pngsave_buffer(palette: true, bitdepth: bits, dither: 0, Q: 100, compression: 0))
        beside = format("%.2f × libvips' quantiser", ours / Magpie::Bulk.de2000(lab_of(palette), lab).mean)
        what = "#{name} painted with #{count} colours, mean ΔE00 to the picture"
        Bench.row what, ours, "≤ 1.05 ×", beside, unit: "ΔE"
      end
    end

    def rgb_of(bytes) = Vips::Image.new_from_buffer(bytes, "").extract_band(0, n: 3)

    def lab_of(image)
      Magpie::Bulk.linear_to_lab(Magpie::Picture::Pixels.of(image.subsample(3, 3).copy_memory).linear)
    end
  end
end
