# Conversions and CIEDE2000 per second: one by one, in bulk, and by an independent
# library under node in the same run (it is fetched for this alone).
module Bench
  module Colours
    CULORI = "culori@4.0.2"

    module_function

    def rows
      theirs = culori
      random = Random.new(1)
      rgb = Array.new(1000) { Array.new(3) { random.rand } }
      colours = rgb.map { |each| Magpie::Color.new(:srgb, each) }
      labs = colours.map { |each| each.in(:lab) }
      columns = Magpie::Bulk.columns(rgb * 100)
      lab_columns = Magpie::Bulk.linear_to_lab(Magpie::Bulk.srgb_to_linear(columns))
      row "sRGB to OKLCH, one by one", per_second(1000) { colours.each { |each| each.in(:oklch) } }, theirs&.fetch("oklch")
      row "sRGB to OKLab, in bulk", per_second(100_000) { Magpie::Bulk.linear_to_oklab(Magpie::Bulk.srgb_to_linear(columns)) }, theirs&.fetch("oklch")
      row "CIEDE2000, one by one", per_second(1000) { labs.each_cons(2) { |a, b| Magpie::Difference::Ciede2000.of(a, b) } }, theirs&.fetch("de2000")
      library(theirs)
      row "CIEDE2000, in bulk", per_second(100_000) { Magpie::Bulk.de2000([50, 20, 10], lab_columns) }, theirs&.fetch("de2000")
    end

    # The five nearest of 100,000, and how long it takes until they can be asked for.
    def library(theirs)
      entries = Array.new(Bench.many(100_000, 2_000)) { |n| [Magpie::Color.new(:srgb, [0.8191725134, 0.6710436067, 0.5497004779].map { |share| n * share % 1 }), n] }
      index = nil
      Bench.row "Index of a library of 100,000", Bench.median(3) { index = Magpie::Library::Nearest.new(entries) }, "≤ 1 s"
      asked = Array.new(45) { |n| Magpie::Color.new(:srgb, [(n * 7 % 101) / 100.0, (n * 13 % 97) / 96.0, (n * 29 % 89) / 88.0]) }
      shown = Bench.median(9) { asked.drop(5).each { |colour| index.to(colour, most: 5) } } / 40
      Bench.row "Five nearest of 100,000", shown, "≤ 0.05 ×", theirs ? format("%.3f × a scan with culori under node (%.1f ms)", shown / theirs["scan"], theirs["scan"]) : "culori is not here"
    end

    def row(what, count, theirs)
      Bench.row what, count / 1e6, "–", theirs ? format("%.2f × culori under node (%.2f million a second)", count / theirs, theirs / 1e6) : "culori is not here", unit: "million a second"
    end

    def per_second(count)
      yield
      start = Process.clock_gettime(Process::CLOCK_MONOTONIC)
      runs = 0
      while (passed = Process.clock_gettime(Process::CLOCK_MONOTONIC) - start) < Bench.many(1, 0.01)
        yield
        runs += 1
      end
      runs * count / passed
    end

    # @return [Hash, nil] nil where it cannot be fetched
    def culori
      return if Bench.small? # nothing is fetched in the suite
      folder = File.expand_path("../var/bench/node", __dir__)
      FileUtils.mkdir_p(folder)
      FileUtils.cp(File.join(__dir__, "culori.mjs"), folder)
      installed = File.directory?(File.join(folder, "node_modules/culori")) ||
        system("npm", "install", "--prefix", folder, "--no-save", "--no-audit", "--no-fund", CULORI, out: File::NULL, err: File::NULL)
      JSON.parse(IO.popen(["node", "culori.mjs"], chdir: folder, &:read)) if installed
    end
  end
end
