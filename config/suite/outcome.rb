require "json"

module Suite
  # What the processes of one run noted of their examples (spec/support/times.rb).
  class Outcome
    # @!attribute seconds [Float]
    # @!attribute status [String] "passed", "failed" or "pending"
    Example = Struct.new(:id, :file, :words, :seconds, :status, keyword_init: true) do
      def failed? = status == "failed"

      # Pointer, keys and time: what may fail by chance on a machine that is busy.
      def screen? = file.start_with?("spec/screens/", "spec/server/")

      def kind = file[%r{\Aspec/(\w+)/}, 1]
    end

    # @param paths [Array<String>] a file for each process
    def self.read(paths)
      new(paths.map { |path| File.exist?(path) ? File.readlines(path).map { |line| note(line) } : [] })
    end

    def self.note(line) = JSON.parse(line, symbolize_names: true)
    private_class_method :note

    attr_reader :examples

    # @param notes [Array<Array<Hash>>] of each process
    def initialize(notes)
      @examples = notes.flatten.select { |note| note[:id] }.map { |note| Example.new(**note) }
      @ends = notes.map { |process| process.find { |note| note.key?(:took) } }
    end

    def failed = examples.select(&:failed?)

    # Did something go wrong that is no example: a file that cannot be loaded, a process that is gone?
    def broken? = @ends.any?(&:nil?) || @ends.sum { |each| each[:outside] } > 0

    # @return [Array<Float>] seconds that each process worked
    def cores = @ends.compact.map { |each| each[:took] }

    # @return [Hash{String => Float}] seconds by file, the slowest first
    def files = grouped(:file)

    def kinds = grouped(:kind)

    def slowest(count) = examples.max_by(count, &:seconds)

    private

    def grouped(by)
      examples.group_by(&by).transform_values { |some| some.sum(&:seconds) }.sort_by { |_, seconds| -seconds }.to_h
    end
  end
end
