module Bench
  # Pictures of 12 megapixels: brought in, opened, read; their patches and main colours.
  module Pictures
    module_function

    def rows
      Bench.try("Noise of 12 megapixels") { noise }
      Bench.try("Dusk of 12 megapixels") { dusk }
      Bench.try("Main colours beside a quantiser") { Demo::Pictures.all.first(Bench.many(9, 1)).each { |name, bytes| painted(name, Vips::Image.new_from_buffer(bytes, "").extract_band(0, n: 3)) } }
    end

    def noise
      bands = (0..2).map { |band| Vips::Image.gaussnoise(Bench.many(4000, 400), Bench.many(3000, 300), mean: 120, sigma: 40, seed: band) }
      bytes = bands[0].bandjoin(bands[1..]).cast(:uchar).copy(interpretation: :srgb).jpegsave_buffer(Q: 90)
      decoding = Bench.median(3) { Magpie::Painters.picture(bytes) }
      Bench.row "Decoding 12 megapixels of noise (JPEG, #{bytes.bytesize / 1_000_000} MB), without keeping it", decoding, "–"
      number, source = 0, nil
      brought = cold { source = Changes::BringInSource.perform(Bench.demo, actor: Actor.new, name: "Large.jpg", bytes: bytes + (number += 1).to_s) }
      Bench.row "Bringing them in", brought, "aim: 1.5 ×", format("%.2f × decoding them", brought / decoding)
      opened = cold { Seen.new(source).picture }
      Bench.row "Opening them for the first time", opened, "aim: 1.5 ×", format("%.2f × decoding them", opened / decoding)
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
        aim = -> { Aim.new(way: "square", x: random.rand(size.width), y: random.rand(size.height), size: probe) }
        taken = Bench.median(60) { Changes::TakeReading.perform(Bench.demo, actor: Actor.new, readable: source, aim: aim.call) }
        Bench.row "Reading #{probe} × #{probe} px of 12 megapixels, kept as a find", taken, (probe == 5) ? "< 60 ms" : "–", format("%.3f × opening it", taken / opened)
      end
    end

    # The demo's dusk at 12 megapixels, with a camera's grain.
    def large_dusk
      dusk = Vips::Image.new_from_buffer(Demo::Pictures.all["Dusk over the dome"], "").resize(Bench.many(2.9, 0.5))
      grain = (0..2).map { |band| Vips::Image.gaussnoise(dusk.width, dusk.height, mean: 0, sigma: 3, seed: 20 + band) }
      (dusk + grain[0].bandjoin(grain[1..])).cast(:uchar).copy(interpretation: :srgb)
    end

    def dusk
      image = large_dusk
      source = Changes::BringInSource.perform(Bench.demo, actor: Actor.new, name: "Dusk, large.jpg", bytes: image.jpegsave_buffer(Q: 92))
      opening = Bench.median(3) { Magpie::Painters.picture(Blob.bytes(source.sha256)) }
      Bench.row "Decoding #{size(image)} (JPEG), without keeping it", opening, "–"
      [["a field of the sky", 6.0], ["the whole picture", 40.0]].each { |what, tolerance| patch(source, image, what, tolerance, opening) }
      main_colours(source, image)
    end

    def size(image) = "#{(image.width * image.height / 1e6).round} megapixels"

    def patch(source, image, what, tolerance, opening)
      x, y = (image.width * 0.43).round, (image.height * 0.38).round
      grown = -> { Seen.new(source).picture.then { |picture| [picture, Magpie::Picture::Probe.patch(picture, x, y, tolerance)] } }
      taken = Bench.median(7) { grown.call.then { |picture, probe| picture.read(probe) } }
      Bench.row "Patch of #{size(image)}, #{what}: grown and read", taken, "≤ 400 ms", format("%.2f × decoding it", taken / opening)
      _, outline = grown.call
      Bench.row "… and its outline", Bench.median(7) { outline.outline }, "–"
    end

    def main_colours(source, image)
      found = ->(**given) { Magpie::Picture::MainColours.new(Magpie::Picture::Cells.new(Seen.new(source).picture), **given).to_a }
      theirs = Bench.median(5) { image.pngsave_buffer(palette: true, bitdepth: 4, dither: 0, Q: 100, compression: 0) }
      {"16 of them with their places" => {count: 16}, "number found by itself" => {}}.each do |words, given|
        taken = Bench.median(5) { found.call(**given) }
        Bench.row "Main colours of #{size(image)}, #{words}", taken, "≤ 700 ms", format("%.2f × libvips' quantiser with PNG", taken / theirs)
      end
    end

    # Mean ΔE00 of every ninth pixel to what it is painted with: by our main colours, nearest
    # first, and by the palette picture that libvips makes.
    def painted(name, image)
      [[2, 4], [4, 16]].each do |bits, count|
        lab = lab_of(image)
        colours = Magpie::Picture::MainColours.new(Magpie::Picture::Cells.new(Magpie::Picture.new(image)), count:).to_a
        ours = colours.map { |each| Magpie::Bulk.de2000(each.colour.in(:lab), lab) }.reduce { |a, b| Magpie::Bulk.choose(a < b, a, b) }.mean
        palette = Vips::Image.new_from_buffer(image.pngsave_buffer(palette: true, bitdepth: bits, dither: 0, Q: 100, compression: 0), "").extract_band(0, n: 3)
        theirs = Magpie::Bulk.de2000(lab_of(palette), lab).mean
        Bench.row "#{name} painted with #{count} colours, mean ΔE00 to the picture", ours, "≤ 1.05 ×", format("%.2f × libvips' quantiser", ours / theirs), unit: "ΔE"
      end
    end

    def lab_of(image) = Magpie::Bulk.linear_to_lab(Magpie::Picture::Pixels.of(image.subsample(3, 3).copy_memory).linear)
  end
end
