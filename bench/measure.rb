# What is promised, measured. Medians of many runs; ratios against a baseline that
# is measured in the same run.
ENV["HOSTS"] ||= "example.org" # as Rack::Test calls it
require_relative "../config/environment"
require_relative "../config/database"
require_relative "../db/demo/load"
require "rack/test"
require_relative "colours"
require_relative "palettes"
require_relative "clicks"
require_relative "visitors"
require_relative "hostile"
require_relative "dress"
require_relative "formats"
require_relative "libraries"

Database.migrate
Demo.clear
Demo.load(whole: false) # what earlier measurements were made with

module Bench
  module_function

  ROWS = []

  # @param after [Proc] what is done after each run, and not measured
  # @return [Float] median milliseconds
  def median(times, after: -> {})
    runs = Array.new(times + 1) do
      start = Process.clock_gettime(Process::CLOCK_MONOTONIC)
      yield
      ((Process.clock_gettime(Process::CLOCK_MONOTONIC) - start) * 1000).tap { after.call }
    end.drop(1)
    runs.sort[times / 2]
  end

  def row(what, value, promised, ratio = nil, unit: "ms") = ROWS << [what, format("%.1f %s", value, unit), promised, ratio]

  def print_table
    puts "| What | Median | Promised | Ratio |", "| --- | --: | --: | --- |"
    ROWS.each { |cells| puts "| #{cells.join(" | ")} |" }
  end

  # A swatch that is followed in every one of its artworks.
  def swatch_with(places, artworks)
    project = Changes::StartProject.perform(actor: Actor.new, name: "Bench #{places}")
    swatch = Swatch.create!(group: project.groups.first, name: "Ember", colour: Magpie::Notation.parse("#E46F58"), shared: true, position: 1)
    each = places / artworks
    shapes = (1..each).map { |n| %(<rect x="#{n}" width="9" height="9" fill="#E46F58"/>) }.join
    artworks.times { |n| Changes::BringInArtwork.perform(project, actor: Actor.new, name: "Card #{n}.svg", bytes: %(<svg xmlns="http://www.w3.org/2000/svg" width="90" height="60">#{shapes}</svg>)) }
    Demo.link(Place.where(artwork_id: project.artworks.select(:id), hex: "#E46F58"), swatch)
    raise "expected #{places} places" unless swatch.places.count == places
    [project, swatch]
  end

  # Mean ΔE00 of every ninth pixel to what it is painted with: by our main colours,
  # nearest first, and by the palette picture that libvips makes.
  def painted(image, count, bits)
    lab_of = ->(picture) { Magpie::Bulk.linear_to_lab(Magpie::Picture::Pixels.of(picture.subsample(3, 3).copy_memory).linear) }
    lab = lab_of.call(image)
    colours = Magpie::Picture::MainColours.new(Magpie::Picture::Cells.new(Magpie::Picture.new(image)), count:).to_a
    ours = colours.map { |each| Magpie::Bulk.de2000(each.colour.in(:lab), lab) }.reduce { |a, b| Magpie::Bulk.choose(a < b, a, b) }
    palette = Vips::Image.new_from_buffer(image.pngsave_buffer(palette: true, bitdepth: bits, dither: 0, Q: 100), "").extract_band(0, n: 3)
    [ours.mean, Magpie::Bulk.de2000(lab_of.call(palette), lab).mean]
  end

  def change(project, swatch)
    @turn = !@turn
    colour = Magpie::Notation.parse(@turn ? "#52A3CC" : "#E46F58")
    Changes::ChangeSwatch.perform(project, swatch:, colour:, actor: Actor.new, definition: colour.hex, before: swatch.hex)
  end
end

few, many = [[100, 2], [10_000, 200]].map { |places, artworks| Bench.swatch_with(places, artworks) }
# Taken by turns, so that both meet the same moments of the machine.
times = [few, many].to_h { |pair| [pair, []] }
120.times { times.each { |pair, list| list << Bench.median(1) { Bench.change(*pair) } } }
few_ms, many_ms = times.values.map { |list| list.sort[list.size / 2] }
Bench.row "Change of a shared swatch, 100 places", few_ms, "< 50 ms"
Bench.row "Change of a shared swatch, 10,000 places in 200 artworks", many_ms, "< 50 ms", format("%.2f × that of 100 places", many_ms / few_ms)

Record.connection.execute("ANALYZE") # as the database does by itself, a minute later
browser = Rack::Test::Session.new(App)
demo = Project.order(:id).first
demo.artworks.first
health = Bench.median(50) { browser.get("/health") }
%w[gather palettes dress match deliver].each do |place|
  median = Bench.median(40) { browser.get("/projects/#{demo.id}/#{place}").then { |response| raise response.body unless response.ok? } }
  Bench.row "Page #{place}, demo data", median, "< 100 ms", format("%.0f × an empty answer", median / health)
end
Bench::Visitors.new(demo).rows
Bench::HostileFiles.new(demo).rows
Bench::Clicks.new(browser, demo).rows
Bench::Dress.new(browser).rows
Bench::Formats.rows
Bench::Libraries.rows(browser, health)
Bench::Libraries.matched(browser, health)
median = Bench.median(20) { browser.get("/projects/#{many[0].id}/dress?mix=#{many[1].id}") }
Bench.row "Dress with Mix open, 10,000 places in 200 artworks", median, "–", format("%.0f × an empty answer", median / health)
Bench.row "Numbers of a colour while dragging", Bench.median(200) { browser.get("/colour.json?notation=oklch(0.68+0.14+34)") }, "< 50 ms"
Bench.row "A slice of the colour space", Bench.median(20) { browser.get("/slice.png?plane=chroma_lightness&held=#{rand(360)}") }, "< 50 ms"
Frame::Choices::PANELS.keys.without("reach").each do |panel|
  Bench.row "Mix, panel #{panel}", Bench.median(30) { browser.get("/projects/#{demo.id}/mix/panels/#{panel}?notation=%23E2705A&before=%23231F55").then { |response| raise response.body unless response.ok? } }, "< 50 ms"
end

large = (0..2).map { |band| Vips::Image.gaussnoise(4000, 3000, mean: 120, sigma: 40, seed: band) }
bytes = large[0].bandjoin(large[1..]).cast(:uchar).copy(interpretation: :srgb).jpegsave_buffer(Q: 90)
source = nil
decoding = Bench.median(3) { Magpie::Painters.picture(bytes) }
Bench.row "Decoding 12 megapixels of noise (JPEG, #{bytes.bytesize / 1_000_000} MB), without keeping it", decoding, "–"
number = 0
brought = Bench.median(3, after: -> { FileUtils.rm_rf(PictureCache.folder) }) { source = Changes::BringInSource.perform(demo, actor: Actor.new, name: "Large.jpg", bytes: bytes + (number += 1).to_s) }
Bench.row "Bringing them in", brought, "aim: 1.5 ×", format("%.2f × decoding them", brought / decoding)
FileUtils.rm_rf(PictureCache.folder)
opened = Bench.median(3, after: -> { FileUtils.rm_rf(PictureCache.folder) }) { Seen.new(source).picture }
Bench.row "Opening them for the first time", opened, "aim: 1.5 ×", format("%.2f × decoding them", opened / decoding)
Seen.new(source).picture
random = Random.new(1)
[5, 31].each do |probe|
  median = Bench.median(60) { Changes::TakeReading.perform(demo, actor: Actor.new, readable: source, aim: Aim.new(way: "square", x: random.rand(4000), y: random.rand(3000), size: probe)) }
  Bench.row "Reading #{probe} × #{probe} px of 12 megapixels, kept as a find", median, (probe == 5) ? "< 60 ms" : "–", format("%.3f × opening it", median / opened)
end

# The demo's dusk at 12 megapixels, with a camera's grain.
dusk = Vips::Image.new_from_buffer(Demo::Pictures.all["Dusk over the dome"], "").resize(2.9)
grain = (0..2).map { |band| Vips::Image.gaussnoise(dusk.width, dusk.height, mean: 0, sigma: 3, seed: 20 + band) }
dusk = (dusk + grain[0].bandjoin(grain[1..])).cast(:uchar).copy(interpretation: :srgb)
source = Changes::BringInSource.perform(demo, actor: Actor.new, name: "Dusk, large.jpg", bytes: dusk.jpegsave_buffer(Q: 92))
size = "#{(dusk.width * dusk.height / 1e6).round} megapixels"
opening = Bench.median(3) { Magpie::Painters.picture(Blob.bytes(source.sha256)) }
Bench.row "Decoding #{size} (JPEG), without keeping it", opening, "–"
[["a field of the sky", 2000, 1000, 6.0], ["the whole picture", 2000, 1000, 40.0]].each do |what, x, y, tolerance|
  median = Bench.median(7) { Seen.new(source).picture.then { |picture| picture.read(Magpie::Picture::Probe.patch(picture, x, y, tolerance)) } }
  Bench.row "Patch of #{size}, #{what}: grown and read", median, "≤ 400 ms", format("%.2f × decoding it", median / opening)
  outline = Magpie::Picture::Probe.patch(Seen.new(source).picture, x, y, tolerance)
  Bench.row "… and its outline", Bench.median(7) { outline.outline }, "–"
end
main = -> { Magpie::Picture::MainColours.new(Magpie::Picture::Cells.new(Seen.new(source).picture), count: 16).tap(&:to_a) }
quantiser = -> { dusk.pngsave_buffer(palette: true, bitdepth: 4, dither: 0, Q: 100, compression: 0) }
first, theirs = [main, quantiser].map { |run| Bench.median(5, &run) }
Bench.row "Main colours of #{size}, 16 of them with their places", first, "≤ 700 ms", format("%.2f × libvips' quantiser with PNG", first / theirs)
by_itself = Bench.median(5) { Magpie::Picture::MainColours.new(Magpie::Picture::Cells.new(Seen.new(source).picture)).to_a }
Bench.row "Main colours of #{size}, number found by itself", by_itself, "≤ 700 ms", format("%.2f × libvips' quantiser with PNG", by_itself / theirs)
Demo::Pictures.all.each do |name, bytes|
  image = Vips::Image.new_from_buffer(bytes, "").extract_band(0, n: 3)
  [[2, 4], [4, 16]].each do |bits, count|
    ours, theirs = Bench.painted(image, count, bits)
    Bench.row "#{name} painted with #{count} colours, mean ΔE00 to the picture", ours, "≤ 1.05 ×", format("%.2f × libvips' quantiser", ours / theirs), unit: "ΔE"
  end
end
magpie = File.expand_path("../bin/magpie", __dir__)
plain = {"RUBYOPT" => nil} # as a person's shell calls it
ruby = Bench.median(10) { system(plain, "ruby", "-e", "0") }
shell = Bench.median(10) { system(plain, magpie, "colour", "#E46F58", out: File::NULL) }
Bench.row "bin/magpie colour, from start to end", shell, "< 500 ms", format("%.1f × ruby alone", shell / ruby)

Bench::Colours.rows
Bench::Palettes.rows(browser, health)

Bench.print_table
