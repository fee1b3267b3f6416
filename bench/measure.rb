# All that bin/bench measures but frames, or the parts that are named.
ENV["HOSTS"] ||= "example.org" # as Rack::Test calls it
require "rack/test"
require_relative "ready"
require_relative "bench"
%w[following pages visitors hostile clicks dress formats libraries pictures shell colours palettes]
  .each { |part| require_relative part }

Bench.part(:following) { Bench::Following.rows }
Bench.part(:pages) { Bench::Pages.rows }
Bench.part(:mix) { Bench::Pages.mix }
Bench.part(:visitors) { Bench::Visitors.new(Bench.demo).rows }
Bench.part(:hostile) { Bench::HostileFiles.new(Bench.demo).rows }
Bench.part(:clicks) { Bench::Clicks.new(Bench.browser, Bench.demo).rows }
Bench.part(:dress) { Bench::Dress.new(Bench.browser).rows }
Bench.part(:formats) { Bench::Formats.rows }
Bench.part(:libraries) { Bench::Libraries.rows }
Bench.part(:matching) { Bench::Libraries.matched }
Bench.part(:pictures) { Bench::Pictures.rows }
Bench.part(:shell) { Bench::Shell.rows }
Bench.part(:colours) { Bench::Colours.rows }
Bench.part(:palettes) { Bench::Palettes.rows }

exit Bench.run(ARGV)
