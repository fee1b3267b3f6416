# What is promised, measured. Medians of many runs; ratios against a baseline that
# is measured in the same run.
require_relative "../config/environment"
require_relative "../config/database"
require_relative "../db/demo/load"
require "rack/test"

Database.migrate
Demo.clear
Demo.load

module Bench
  module_function

  ROWS = []

  # @return [Float] median milliseconds
  def median(times)
    yield
    runs = Array.new(times) do
      start = Process.clock_gettime(Process::CLOCK_MONOTONIC)
      yield
      (Process.clock_gettime(Process::CLOCK_MONOTONIC) - start) * 1000
    end
    runs.sort[times / 2]
  end

  def row(what, milliseconds, promised, ratio = nil) = ROWS << [what, format("%.1f ms", milliseconds), promised, ratio]

  def print_table
    puts "| What | Median | Promised | Ratio |", "| --- | --: | --: | --- |"
    ROWS.each { |cells| puts "| #{cells.join(" | ")} |" }
  end

  # A swatch that is followed in every one of its artworks.
  def swatch_with(places, artworks)
    project = Changes::StartProject.perform(name: "Bench #{places}")
    swatch = Swatch.create!(group: project.groups.first, name: "Ember", colour: Magpie::Color.parse("#E46F58"), shared: true, position: 1)
    each = places / artworks
    shapes = (1..each).map { |n| %(<rect x="#{n}" width="9" height="9" fill="#E46F58"/>) }.join
    artworks.times { |n| Changes::BringInArtwork.perform(project, name: "Card #{n}.svg", bytes: %(<svg xmlns="http://www.w3.org/2000/svg" width="90" height="60">#{shapes}</svg>)) }
    Place.where(artwork_id: project.artworks.select(:id), hex: "#E46F58").update_all(swatch_id: swatch.id, colour: nil, hex: nil)
    raise "expected #{places} places" unless swatch.places.count == places
    [project, swatch]
  end

  def change(project, swatch)
    @turn = !@turn
    colour = Magpie::Color.parse(@turn ? "#52A3CC" : "#E46F58")
    Changes::ChangeSwatch.perform(project, swatch:, colour:, definition: colour.hex, before: swatch.hex)
  end
end

few, many = [[100, 2], [10_000, 200]].map { |places, artworks| Bench.swatch_with(places, artworks) }
# Taken by turns, so that both meet the same moments of the machine.
times = [few, many].to_h { |pair| [pair, []] }
120.times { times.each { |pair, list| list << Bench.median(1) { Bench.change(*pair) } } }
few_ms, many_ms = times.values.map { |list| list.sort[list.size / 2] }
Bench.row "Change of a shared swatch, 100 places", few_ms, "< 50 ms"
Bench.row "Change of a shared swatch, 10,000 places in 200 artworks", many_ms, "< 50 ms", format("%.2f × that of 100 places", many_ms / few_ms)

browser = Rack::Test::Session.new(App)
demo = Project.order(:id).first
demo.artworks.first
health = Bench.median(50) { browser.get("/health") }
%w[gather palettes dress deliver].each do |place|
  median = Bench.median(40) { browser.get("/projects/#{demo.id}/#{place}").then { |response| raise response.body unless response.ok? } }
  Bench.row "Page #{place}, demo data", median, "< 100 ms", format("%.0f × an empty answer", median / health)
end
median = Bench.median(20) { browser.get("/projects/#{many[0].id}/dress?mix=#{many[1].id}") }
Bench.row "Dress with Mix open, 10,000 places in 200 artworks", median, "–", format("%.0f × an empty answer", median / health)
Bench.row "Numbers of a colour while dragging", Bench.median(200) { browser.get("/colour.json?notation=oklch(0.68+0.14+34)") }, "–"

large = (0..2).map { |band| Vips::Image.gaussnoise(4000, 3000, mean: 120, sigma: 40, seed: band) }
bytes = large[0].bandjoin(large[1..]).cast(:uchar).copy(interpretation: :srgb).jpegsave_buffer(Q: 90)
source = nil
brought = Bench.median(1) { source = Changes::BringInSource.perform(demo, name: "Large.jpg", bytes:) }
Bench.row "Bringing in 12 megapixels (JPEG)", brought, "–"
FileUtils.rm_rf(PictureCache.folder)
start = Process.clock_gettime(Process::CLOCK_MONOTONIC)
source.picture
opened = (Process.clock_gettime(Process::CLOCK_MONOTONIC) - start) * 1000
Bench.row "Opening 12 megapixels, first time", opened, "–"
random = Random.new(1)
[5, 31].each do |probe|
  median = Bench.median(60) { Changes::TakeReading.perform(demo, source:, x: random.rand(4000), y: random.rand(3000), probe:) }
  Bench.row "Reading #{probe} × #{probe} px of 12 megapixels, kept as a find", median, (probe == 5) ? "< 60 ms" : "–", format("%.3f × opening it", median / opened)
end
magpie = File.expand_path("../bin/magpie", __dir__)
ruby = Bench.median(10) { system("ruby", "-e", "0") }
shell = Bench.median(10) { system(magpie, "colour", "#E46F58", out: File::NULL) }
Bench.row "bin/magpie colour, from start to end", shell, "< 500 ms", format("%.1f × ruby alone", shell / ruby)

Bench.print_table
