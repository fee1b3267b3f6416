require_relative "../../config/suite/run"

RSpec.describe Suite do
  def note(id, seconds, status = "passed") = {id: "./#{id}[1:1]", file: id, words: "it does", seconds:, status:}

  def ended(took, outside: 0) = {took:, outside:}

  describe Suite::Outcome do
    let(:notes) { [[note("spec/core/color_spec.rb", 1.5), note("spec/screens/mix_spec.rb", 4.0, "failed"), ended(60.0)], [note("spec/core/color_spec.rb", 0.5), note("spec/server/kill_spec.rb", 9.0, "failed"), ended(66.0)]] }
    let(:outcome) { described_class.new(notes) }

    it "adds up what took how long, by file and kind, over all processes" do
      expect(outcome.files).to eq("spec/server/kill_spec.rb" => 9.0, "spec/screens/mix_spec.rb" => 4.0, "spec/core/color_spec.rb" => 2.0)
      expect(outcome.kinds).to eq("server" => 9.0, "screens" => 4.0, "core" => 2.0)
      expect([outcome.slowest(1).map(&:seconds), outcome.cores]).to eq [[9.0], [60.0, 66.0]]
    end

    it "knows which of those that failed are of a screen" do
      expect(outcome.failed.map(&:screen?)).to eq [true, true]
      expect(described_class.new([[note("spec/pages/deliver_spec.rb", 1, "failed"), ended(1)]]).failed.map(&:screen?)).to eq [false]
    end

    it "knows what failed and is no example: a file that cannot be loaded, a process that is gone" do
      expect(outcome).not_to be_broken
      expect(described_class.new([notes[0], [ended(3.0, outside: 1)]])).to be_broken
      expect(described_class.new([notes[0], []])).to be_broken
    end

    it "reads what the processes wrote" do
      folder = Dir.mktmpdir
      File.write(File.join(folder, "one"), notes[0].map { |each| "#{JSON.generate(each)}\n" }.join)
      read = described_class.read([File.join(folder, "one"), File.join(folder, "none")])
      expect([read.examples.map(&:file), read.broken?]).to eq [notes[0].first(2).map { |each| each[:file] }, true]
    end
  end

  describe Suite::Report do
    let(:outcome) { Suite::Outcome.new([[*(1..12).map { |n| note("spec/core/n#{n}_spec.rb", n) }, ended(62.0)], [ended(185.4)]]) }

    it "prints the ten slowest, how the processes ended, and what was unsteady" do
      unsteady = [Suite::Outcome::Example.new(id: "./spec/screens/mix_spec.rb[1:2]", words: "Mix is dragged")]
      lines = described_class.new(outcome, unsteady:, seconds: 190.2).lines
      expect(lines.grep(/spec\/core\/n\d+_spec.rb\z/).size).to eq 10
      expect(lines.join("\n")).to include("   12.0 s  spec/core/n12_spec.rb", "Done in 3:10; the specs of each process took 1:02, 3:05.", "./spec/screens/mix_spec.rb[1:2]  Mix is dragged")
      expect(described_class.new(outcome, unsteady: [], seconds: 1).lines.join).not_to include "Unsteady"
    end

    it "tells the runner how long each file took" do
      expect(described_class.new(outcome, unsteady: [], seconds: 1).runtimes.lines.first(2)).to eq ["spec/core/n10_spec.rb:10\n", "spec/core/n11_spec.rb:11\n"]
    end
  end

  describe Suite::Processor do
    def ticks(numbers) = described_class.read("cpu  #{numbers} 0 0")

    it "tells what the cores did, and what went to other machines" do
      before, after = ticks("100 10 50 1000 20 0 5 30"), ticks("700 20 140 1090 30 0 5 230")
      expect(described_class.new(before).words(after)).to eq "The cores were 70 % busy and 10 % idle; 20 % went to other machines."
      expect([described_class.new(before).words(before), described_class.new(nil).words(after)]).to eq [nil, nil]
      expect(Suite::Report.new(Suite::Outcome.new([[ended(1)]]), unsteady: [], seconds: 1, processor: "The cores were busy.").lines).to end_with "The cores were busy."
    end

    it "knows what this system calls them" do
      expect(described_class.ticks.keys).to eq described_class::FIELDS
      expect(described_class.ticks.values).to all be >= 0
    end
  end

  describe Suite::Changed do
    let(:specs) do
      {"spec/core/gamut_spec.rb" => "describe Magpie::Gamut", "spec/changes/gather_spec.rb" => "Changes::KeepColour.perform",
       "spec/routes/match_spec.rb" => "get", "spec/screens/match_table_spec.rb" => %(require "support/files_of_a_person"),
       "spec/pages/boards_spec.rb" => "", "spec/screens/windows_spec.rb" => "", "spec/support/data.rb" => "",
       "spec/scripts/queue.test.mjs" => ""}
    end

    def found(*files) = described_class.new(files, specs)

    it "finds specs themselves, those that name what a file defines, those of a place, those that use support" do
      expect(found("spec/core/gamut_spec.rb").specs).to eq ["spec/core/gamut_spec.rb"]
      expect(found("lib/magpie/color/gamut.rb").specs).to eq ["spec/core/gamut_spec.rb"]
      expect(found("app/changes/keep_colour.rb").specs).to eq ["spec/changes/gather_spec.rb"]
      expect(found("app/places/match/views/table.erb").specs).to eq ["spec/routes/match_spec.rb", "spec/screens/match_table_spec.rb"]
      expect(found("spec/support/files_of_a_person.rb").specs).to eq ["spec/screens/match_table_spec.rb"]
      expect(found("app/views/shared/hand.erb").specs).to eq ["spec/pages/boards_spec.rb"]
      expect(found("assets/css/focus.css").specs).to eq ["spec/screens/windows_spec.rb"]
    end

    it "runs all scripts where one changed, and nothing for what no spec knows" do
      expect(found("assets/js/queue.js").scripts).to eq ["spec/scripts/queue.test.mjs"]
      expect([found("README.md").specs, found("README.md").scripts, found("spec/gone_spec.rb").specs]).to eq [[], [], []]
    end
  end

  # Files are shared among the cores by how long they took.
  it "has a measure of nearly every file of specs" do
    root = File.expand_path("../..", __dir__)
    measured = File.readlines(File.join(root, Suite::Run::SECONDS)).map { |line| line[/\A[^:]+/] }
    there = Dir.glob("spec/**/*_spec.rb", base: root)
    expect((there - measured).size).to be <= there.size / 10
  end
end
