require "open3"
require "support/data"

# What is measured must not rot: each part is gone through once, with little of everything. No
# figure is looked at.
RSpec.describe "bin/bench, in small" do
  root = File.expand_path("../..", __dir__)

  # On a database of its own, which is gone afterwards.
  def with_database
    name = "bench_#{SecureRandom.hex(4)}"
    Record.connection.execute("CREATE DATABASE #{name}")
    yield ENV["DATABASE_URL"].sub(%r{/[^/]+\z}, "/#{name}")
  ensure
    Record.connection.execute("DROP DATABASE IF EXISTS #{name} WITH (FORCE)")
  end

  # @return [Array(String, Boolean)] what it printed, and whether all went well
  def measured
    with_database do |url|
      env = {"DATABASE_URL" => url, "SMALL" => "1", "APP_ENV" => "production", "TIMES" => nil, "SPEC_OPTS" => nil,
             "CACHE_DIR" => "#{ENV["CACHE_DIR"]}-bench", "CHROMIUM" => ENV["CHROMIUM"] || "/usr/bin/chromium-headless-shell"}
      told, status = Open3.capture2e(env, "bundle", "exec", "ruby", "bench/small.rb", chdir: File.expand_path("../..", __dir__))
      [told, status.success?]
    end
  end

  it "measures every part that is promised, and frames" do
    told, well = measured
    expect(told.lines.grep(/failed/).join).to eq ""
    expect(well).to be true
    expect(told.lines.grep(/\A\| .* (ms|second|ΔE) \|/).size).to be > 100
    expect(told.lines.grep(/frame to frame|dragged|shifted|scrolled|carried/).size).to be > 12
  end

  it "goes on where a row fails, says so, and says which parts there are" do
    told, status = Open3.capture2e("ruby", "-r./bench/bench", "-e", 'Bench.part(:one) { raise "moor" }; Bench.part(:two) { Bench.row("Tarn", 2, "–") }; exit Bench.run(ARGV)', chdir: root)
    expect([status.success?, told]).to match [false, /\| one \| failed \| +\| RuntimeError: moor .*\n\| Tarn \| 2\.0 ms \|/]
    told, = Open3.capture2e("ruby", "-r./bench/bench", "-e", "Bench.part(:one) {}; Bench.run(ARGV)", "three", chdir: root)
    expect(told).to include "There is no three: one"
  end
end
