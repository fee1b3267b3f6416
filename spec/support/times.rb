require "json"

# Notes how long each example took and how it ended, a line each, for whoever runs the specs
# of several processes (config/suite).
class Times
  # @param path [String] of the file, which is begun anew
  def initialize(path)
    @file = File.open(path, "w")
    @file.sync = true
    @begun = now
  end

  def example_finished(notification)
    example = notification.example
    file = example.metadata[:file_path].delete_prefix("./")
    result = example.execution_result
    note(id: example.id, file:, words: example.full_description, seconds: result.run_time.round(3), status: result.status)
  end

  # What failed while no example ran is no example that failed.
  def dump_summary(summary) = note(took: (now - @begun).round(1), outside: summary.errors_outside_of_examples_count)

  private

  def now = Process.clock_gettime(Process::CLOCK_MONOTONIC)

  def note(**values) = @file.puts(JSON.generate(values))
end
