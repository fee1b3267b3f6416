# What is promised, measured: parts by name, each of some rows, printed as they come. Medians of
# many runs; ratios against a baseline that is measured in the same run.
module Bench
  PARTS = {}
  FAILED = []

  module_function

  # @param name [Symbol] as bin/bench is asked for it
  def part(name, &rows) = PARTS[name] = rows

  # All of them, or those of these names. What fails says so, and the rest goes on.
  # @return [Boolean] did none fail?
  def run(names, heading: ["What", "Median", "Promised", "Ratio"])
    unknown = names.map(&:to_sym) - PARTS.keys
    abort "There is no #{unknown.join(", ")}: #{PARTS.keys.join(", ")}" if unknown.any?
    say(*heading)
    say(*heading.map { "---" })
    PARTS.each { |name, rows| try(name, &rows) if names.empty? || names.include?(name.to_s) }
    PARTS.clear # those of another script may follow
    FAILED.empty?
  end

  # Rows that fail do so by themselves.
  def try(what)
    yield
  rescue => error
    FAILED << what
    where = error.backtrace.grep(/bench|app|lib/).first.to_s[/[\w.]+:\d+/]
    say what, "failed", "", "#{error.class}: #{error.message.lines.first.to_s.strip[0, 160]} (#{where})"
  end

  # In the suite each part is gone through, and nothing is measured: it must not rot.
  def small? = ENV["SMALL"] == "1"

  # @return [Integer] how many there are of something, where there may be fewer
  def many(usual, small) = small? ? small : usual

  # @param after [Proc] what is done after each run, and not measured
  # @return [Float] median milliseconds
  def median(times, after: -> {}, &run)
    times = 1 if small?
    runs = Array.new(small? ? 1 : times + 1) { once(&run).tap { after.call } }
    (small? ? runs : runs.drop(1)).sort[times / 2]
  end

  # What can be done once only.
  # @return [Float] milliseconds
  def once
    start = Process.clock_gettime(Process::CLOCK_MONOTONIC)
    yield
    (Process.clock_gettime(Process::CLOCK_MONOTONIC) - start) * 1000
  end

  def row(what, value, promised, ratio = nil, unit: "ms") = say(what, format("%.1f %s", value, unit), promised, ratio)

  def say(*cells)
    puts "| #{cells.join(" | ")} |"
    $stdout.flush
  end

  def browser = @browser ||= Rack::Test::Session.new(App)

  # @return [Rack::MockResponse]
  def page(path) = browser.get(path).tap { |response| raise response.body[0, 300] unless response.ok? }

  def demo = @demo ||= Project.order(:id).first

  # Milliseconds of an empty answer.
  def health = @health ||= median(50) { browser.get("/health") }

  def times_health(taken) = format("%.0f × an empty answer", taken / health)

  # As the database does by itself, a minute later.
  def analyze = Record.connection.execute("ANALYZE")
end
