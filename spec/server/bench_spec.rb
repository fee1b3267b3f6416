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
  def measured(script, *parts)
    with_database do |url|
      env = {"DATABASE_URL" => url, "SMALL" => "1", "APP_ENV" => "production", "TIMES" => nil, "SPEC_OPTS" => nil, "CACHE_DIR" => "#{ENV["CACHE_DIR"]}-bench", "CHROMIUM" => ENV["CHROMIUM"] || "/usr/bin/chromium-headless-shell"}
      told, status = Open3.capture2e(env, "bundle", "exec", "ruby", script, *parts, chdir: File.expand_path("../..", __dir__))
      [told, status.success?]
    end
  end

  it "measures every part that is promised" do
    told, well = measured("bench/measure.rb")
    expect(told.lines.grep(/failed/).join).to eq ""
    expect([well, told.lines.grep(/\A\| .* (ms|second|ΔE) \|/).size]).to match [true, be > 100]
  end

  it "measures frames" do
    told, well = measured("bench/frames.rb")
    expect(told.lines.grep(/failed/).join).to eq ""
    expect([well, told.lines.grep(/frame to frame|dragged|shifted|scrolled|carried/).size]).to match [true, be > 12]
  end

  it "goes on where a row fails, says so, and says which parts there are" do
    told, status = Open3.capture2e("ruby", "-r./bench/bench", "-e", 'Bench.part(:one) { raise "moor" }; Bench.part(:two) { Bench.row("Tarn", 2, "–") }; exit Bench.run(ARGV)', chdir: root)
    expect([status.success?, told]).to match [false, /\| one \| failed \| +\| RuntimeError: moor .*\n\| Tarn \| 2\.0 ms \|/]
    told, = Open3.capture2e("ruby", "-r./bench/bench", "-e", "Bench.part(:one) {}; Bench.run(ARGV)", "three", chdir: root)
    expect(told).to include "There is no three: one"
  end
end
