require "support/mutations"

# FILES and SEED: see bin/fuzz.
RSpec.describe "Damaged files" do
  batch = 1000
  count, seed = Integer(ENV.fetch("FILES", "300")), Integer(ENV.fetch("SEED") { rand(1_000_000) })

  # Read here, so that anything that is not ours to say comes out: a cell would only die of
  # it. What libvips and librsvg do to a process is left to the cells.
  def read(kind, bytes)
    case kind
    when :artwork then Magpie::Painters::Outgoing.checked(Magpie::Painters::Flat.of(Magpie::Artwork.read(bytes, name: "moor.svg")))
    when :palette then Magpie::Formats.read(bytes, name: "moor.tokens.json")
    when :drawn then Magpie::Walls.palette(bytes, name: "moor.png")
    else Magpie::Walls.picture(bytes, name: "moor.png")
    end
  end

  def time = Process.clock_gettime(Process::CLOCK_THREAD_CPUTIME_ID)

  # The most memory that this process had since it was asked last, in MB.
  def memory = File.read("/proc/self/status")[/VmHWM:\s+(\d+)/, 1].to_i / 1024

  def forget_memory = File.write("/proc/self/clear_refs", "5")

  (0...count).step(batch).each do |first|
    it "are read or refused in our own words, #{[batch, count - first].min} of SEED=#{seed + first}" do
      mutations = Mutations.new(Random.new(seed + first))
      kinds, slowest = Hash.new(0), 0
      [batch, count - first].min.times do |number|
        kind, bytes = mutations.one
        forget_memory if ENV["FILES"]
        before = memory
        start = time
        begin
          read(kind, bytes)
          kinds[:"#{kind} read"] += 1
        rescue Magpie::Error => error
          kinds[:"#{kind} #{error.is_a?(Magpie::Walls::Broken) ? "stopped" : "refused"}"] += 1
          expect(error.message).to match(/\Amoor/)
          expect(error.mistake).to be_nil if error.is_a?(Magpie::Walls::Broken)
        rescue SystemStackError, StandardError => error
          File.binwrite("var/test/fuzz-#{seed + first}-#{number}", bytes)
          raise "#{kind} number #{number} of SEED=#{seed + first}: #{error.class} #{error.message[0, 300]} #{error.backtrace.grep(/magpie/).first(3)}"
        end
        took = time - start
        slowest = [slowest, took].max
        next unless ENV["FILES"]
        expect([number, took, memory - before]).to match [number, be < 2, be < 200]
      end
      RSpec.configuration.reporter.message("#{kinds.sort.map { |kind, times| "#{times} × #{kind}" }.join(", ")}; slowest #{(slowest * 1000).round} ms") if ENV["FILES"]
    end
  end
end
