module Suite
  # What is printed at the end of a run.
  class Report
    MANY = 10
    UNSTEADY = "var/test/unsteady.txt" # empty where all is well

    # @param outcome [Outcome]
    # @param unsteady [Array<Outcome::Example>] failed beside others and passed alone
    # @param seconds [Float] of all
    # @param processor [String, nil] what the cores did meanwhile
    def initialize(outcome, unsteady:, seconds:, processor: nil)
      @outcome, @unsteady, @seconds, @processor = outcome, unsteady, seconds, processor
    end

    # @return [Array<String>]
    def lines = [*kinds, "", *files, "", *examples, "", cores, *@processor, *unsteady]

    # As parallel_tests reads it.
    # @return [String] "spec/core/color_spec.rb:3.214" a line
    def runtimes = @outcome.files.sort.map { |file, seconds| "#{file}:#{seconds.round(2)}\n" }.join

    private

    def kinds
      counts = @outcome.examples.map(&:kind).tally
      told = @outcome.kinds.map { |kind, seconds| format("  %7.1f s in %4d examples  %s", seconds, counts[kind], kind) }
      ["By kind:", *told]
    end

    def files
      told = @outcome.files.first(MANY).map { |file, seconds| format("  %6.1f s  %s", seconds, file) }
      ["The slowest files:", *told]
    end

    def examples
      told = @outcome.slowest(MANY).map do |example|
        format("  %6.1f s  %s  %s", example.seconds, example.id.delete_prefix("./"), example.words[0, 90])
      end
      ["The slowest examples:", *told]
    end

    def cores
      took = @outcome.cores.map { |seconds| clock(seconds) }
      "Done in #{clock(@seconds)}; the specs of each process took #{took.join(", ")}."
    end

    def unsteady
      return [] if @unsteady.empty?
      told = @unsteady.map { |example| "  #{example.id}  #{example.words}" }
      ["", "Unsteady: failed beside others, and passed alone (#{UNSTEADY})", *told]
    end

    def clock(seconds) = format("%d:%02d", *seconds.round.divmod(60))
  end
end
