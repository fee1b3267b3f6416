module Suite
  # What the cores did while the suite ran. Where several machines share one, each may have to
  # wait: that is told, since minutes are compared.
  class Processor
    FILE = "/proc/stat"
    # Its first line, in ticks since the machine began (proc(5)).
    FIELDS = %i[user nice system idle iowait irq softirq steal].freeze
    IDLE = %i[idle iowait].freeze

    # @return [Processor] from now on
    def self.begin = new(ticks)

    # @return [Hash{Symbol => Integer}, nil] nil where the system does not tell
    def self.ticks = (read(File.foreach(FILE).first) if File.readable?(FILE))

    def self.read(line) = FIELDS.zip(line.split.drop(1).map(&:to_i)).to_h

    def initialize(before)
      @before = before
    end

    # @return [String, nil] "The cores were 71 % busy and 9 % idle; 20 % went to other machines."
    def words(after = Processor.ticks)
      return unless @before && after
      spent = after.to_h { |field, ticks| [field, ticks - @before[field]] }
      all = spent.values.sum
      return unless all.positive?
      idle, others = [spent.values_at(*IDLE).sum, spent[:steal]].map { |ticks| (100.0 * ticks / all).round }
      "The cores were #{100 - idle - others} % busy and #{idle} % idle; #{others} % went to other machines."
    end
  end
end
