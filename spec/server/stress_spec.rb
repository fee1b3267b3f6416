require "support/screens"
require "support/servers"
require "support/stress"

# A short run of a longer one: STRESS=60 PEOPLE=8 bin/test spec/server/stress_spec.rb
RSpec.describe "Many people at once, and a server that is killed", :screen do
  include ServerSupport

  let(:seconds) { Float(ENV.fetch("STRESS", "5")) }
  let(:people) do
    swatches = Swatch.joins(group: :palette).where(palettes: {starter: false}).ids
    Array.new(Integer(ENV.fetch("PEOPLE", "4"))) { |number| BusyPerson.new(port, "/projects/#{demo.id}", swatches:, groups: demo.groups.map(&:id), seed: number + 1) }
  end

  def now = Process.clock_gettime(Process::CLOCK_MONOTONIC)

  # Kills it whenever so many more answers have come, and starts it again.
  def trouble(pid, workers, often)
    killed = 0
    until workers.none?(&:alive?)
      workers.find(&:alive?)&.join(0.05)
      next if people.sum { |person| person.told.size } < (killed + 1) * often || workers.none?(&:alive?)
      killed += 1
      kill_server(pid)
      pid = start_server(workers: 2)
    end
    pid
  end

  it "loses nothing that was confirmed, does nothing twice, and tells nobody of locks" do
    pid = start_server(workers: 2)
    over = now + seconds
    # A slow machine takes longer to be told as much, so that there is something to look at.
    enough = -> { people.sum { |person| person.told.size } > 20 || now > over + 60 }
    workers = people.map { |person| Thread.new { person.work { now < over || !enough.call } } }
    pid = trouble(pid, workers, 60)
    workers.each(&:value)

    words = people.flat_map(&:told)
    expect(people.flat_map(&:odd)).to be_empty
    expect(words.map(&:first).grep(/deadlock|went wrong|PG::|the same things/i)).to be_empty
    expect(words.size).to be > 20
    recorded = RecordedChange.where(project: demo).pluck(:words).filter_map { |text| text[/\AKept (W\d+-\d+) in/, 1] }
    expect(people.flat_map(&:kept) - recorded).to be_empty
    expect(recorded.tally.reject { |_, times| times == 1 }).to be_empty
    expect(Following::Invariants.broken(Swatch.ids)).to be_empty
    puts "#{words.size} answers, #{RecordedChange.where(project: demo).count} changes, #{recorded.size} kept" if ENV["STRESS"]
  ensure
    kill_server(pid) if pid
  end
end
