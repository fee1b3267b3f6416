require "etc"
require_relative "../database_cluster"
require_relative "changed"
require_relative "outcome"
require_relative "processor"
require_relative "report"

# What bin/test runs.
module Suite
  # Without arguments all of it: the scripts by node, then all specs over all cores, with a
  # database for each; what failed on a screen once more, alone; what took how long.
  # `--changed` runs what a change may touch. Any other arguments go to RSpec, or to node
  # where they are its files.
  class Run
    ROOT = File.expand_path("../..", __dir__)
    DATABASE = "magpie_test"
    SECONDS = "spec/seconds.txt" # how long each file takes, so that the cores end together
    MOST = 8 # screens that are tried again: more is no chance

    def initialize(arguments)
      @arguments = arguments
      @folder = File.join(ROOT, "var/test")
      FileUtils.mkdir_p(@folder)
      @cluster = DatabaseCluster.new(File.join(@folder, "database"), durable: false)
      @cores = ENV["TEST_DATABASE_URL"] ? 1 : Integer(ENV.fetch("CORES") { Etc.nprocessors })
    end

    # @return [Integer] exit status
    def call
      Dir.chdir(ROOT)
      return all if @arguments.empty?
      return changed if @arguments == ["--changed"]
      files = @arguments.grep(/\.mjs\z/)
      return scripts(files) if files.any?
      (with_databases(1) { |url| ran?(url, "rspec", *@arguments) }) ? 0 : 1
    ensure
      @cluster.stop
    end

    private

    def all
      return 1 unless scripts(Dir["spec/scripts/*.test.mjs"].sort).zero?
      with_databases(@cores) do |url|
        begun, processor = now, Processor.begin
        @cores.times { |number| FileUtils.rm_f(times(number)) }
        passed = ran?(url, *parallel)
        settle(url, passed, begun, processor.words)
      end
    end

    def settle(url, passed, begun, processor)
      outcome = Outcome.read(Array.new(@cores) { |number| times(number) })
      failed = outcome.failed
      unsteady = chance(url, failed)
      File.write(Report::UNSTEADY, unsteady.map { |example| "#{example.id} #{example.words}\n" }.join)
      report = Report.new(outcome, unsteady:, seconds: now - begun, processor:)
      puts "", report.lines
      File.write(SECONDS, report.runtimes) if ENV["MEASURE"]
      (passed || failed.any? && (failed - unsteady).empty? && !outcome.broken?) ? 0 : 1
    end

    # Those that fail only beside others, and are of a screen.
    def chance(url, failed)
      return [] if failed.size > MOST
      failed.select(&:screen?).select { |example| alone?(url, example) }
    end

    # Once more, with nothing beside it.
    def alone?(url, example)
      puts "", "Once more, alone: #{example.id}"
      ran?(url, "rspec", example.id)
    end

    def changed
      texts = Dir["spec/**/*.{rb,mjs}"].to_h { |path| [path, File.read(path)] }
      found = Changed.new(Changed.files(ROOT), texts)
      return puts("Nothing that a spec knows was changed").to_i if found.specs.empty? && found.scripts.empty?
      puts "#{found.specs.size} files of specs and #{found.scripts.size} of scripts:", found.specs
      status = found.scripts.empty? ? 0 : scripts(found.scripts)
      return status if found.specs.empty? || !status.zero?
      (with_databases(1) { |url| ran?(url, "rspec", "--fail-fast=5", *found.specs) }) ? 0 : 1
    end

    # @return [Integer]
    def scripts(files)
      reporter = File.join(ROOT, "config/suite/reporter.mjs")
      system({"NODE_NO_WARNINGS" => "1"}, "node", "--test", "--test-reporter=#{reporter}", *files) ? 0 : 1
    end

    # @yieldparam url [String] of the first; the specs of each further process add its number
    def with_databases(count)
      return yield(ENV["TEST_DATABASE_URL"]) if ENV["TEST_DATABASE_URL"]
      url = @cluster.start(DATABASE)
      (2..count).each { |number| @cluster.start("#{DATABASE}#{number}") }
      yield url
    end

    def parallel
      ["parallel_rspec", "spec", "-n", @cores.to_s, "--combine-stderr", "--test-options", "--format progress",
        "--group-by", "runtime", "--runtime-log", SECONDS, "--unknown-runtime", "5"]
    end

    def times(number) = File.join(@folder, "times#{number + 1 if number > 0}.jsonl")

    def ran?(url, *command)
      pid = spawn({"DATABASE_URL" => url, "TIMES" => File.join(@folder, "times")}, "bundle", "exec", *command)
      before = trap("INT") { Process.kill("INT", pid) }
      Process.wait2(pid).last.success?
    ensure
      trap("INT", before || "DEFAULT")
    end

    def now = Process.clock_gettime(Process::CLOCK_MONOTONIC)
  end
end
