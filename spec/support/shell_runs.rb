require "json"
require "open3"
require "stringio"
require "tmpdir"

# bin/magpie as it is run, in this process.
module ShellRuns
  # @return [Array(Integer, Array, String)] status, what was printed, what was said
  def run(*arguments, input: "")
    output, errors = StringIO.new, StringIO.new
    status = described_class.new(arguments, input: StringIO.new(input), output:, errors:).run
    [status, output.string.lines.map { |line| JSON.parse(line) }, errors.string]
  end

  # @return [String] where it lies
  def file(name, bytes)
    path = File.join(Dir.mktmpdir, name)
    File.binwrite(path, bytes)
    path
  end
end
