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
    note(id: example.id, file:, words: example.full_description, seconds: example.execution_result.run_time.round(3), status: example.execution_result.status)
  end

  # What failed while no example ran is no example that failed.
  def stop(notification) = note(ended: now.round(1), took: (now - @begun).round(1), failed: notification.failed_examples.size, outside: RSpec.world.reporter.instance_variable_get(:@non_example_exception_count).to_i)

  private

  def now = Process.clock_gettime(Process::CLOCK_MONOTONIC)

  def note(**values) = @file.puts(JSON.generate(values))
end
