module Suite
  # What is printed at the end of a run.
  class Report
    MANY = 10

    # @param outcome [Outcome]
    # @param unsteady [Array<Outcome::Example>] failed beside others and passed alone
    # @param seconds [Float] of all
    def initialize(outcome, unsteady:, seconds:)
      @outcome, @unsteady, @seconds = outcome, unsteady, seconds
    end

    # @return [Array<String>]
    def lines = [*kinds, "", *files, "", *examples, "", cores, *unsteady]

    # As parallel_tests reads it.
    # @return [String] "spec/core/color_spec.rb:3.214" a line
    def runtimes = @outcome.files.sort.map { |file, seconds| "#{file}:#{seconds.round(2)}\n" }.join

    private

    def kinds = ["By kind:"] + @outcome.kinds.map { |kind, seconds| format("  %7.1f s in %4d examples  %s", seconds, @outcome.examples.count { |example| example.kind == kind }, kind) }

    def files = ["The slowest files:"] + @outcome.files.first(MANY).map { |file, seconds| format("  %6.1f s  %s", seconds, file) }

    def examples = ["The slowest examples:"] + @outcome.slowest(MANY).map { |example| format("  %6.1f s  %s  %s", example.seconds, example.id.delete_prefix("./"), example.words[0, 90]) }

    def cores = "Done in #{clock(@seconds)}; the specs of each process took #{@outcome.cores.map { |took| clock(took) }.join(", ")}."

    def unsteady
      return [] if @unsteady.empty?
      ["", "Unsteady: failed beside others, and passed alone (#{Run::UNSTEADY})"] + @unsteady.map { |example| "  #{example.id}  #{example.words}" }
    end

    def clock(seconds) = format("%d:%02d", *seconds.round.divmod(60))
  end
end
