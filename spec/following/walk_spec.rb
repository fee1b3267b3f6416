require "support/walk"
require "support/walk_watch"

# Other sequences are walked in each run; SEED=… walks the same again, and
# WALK=5000 bin/test spec/following/walk_spec.rb as long as one likes.
RSpec.describe Following, "through any sequence of changes, undo and redo" do
  sequences = Integer(ENV.fetch("WALK", "20"))
  seed = Integer(ENV.fetch("SEED", rand(1_000_000).to_s))

  # What pages were not told adds up: they are looked at now and then.
  def shown(walk, step) = (step % 8 == 7) ? walk.pages : []

  # The sequences lie on four examples, so that cores can share them.
  4.times do |quarter|
    it "keeps every invariant, and changes nothing where it refuses (#{quarter + 1} of 4)" do
      world = Walk.new
      (quarter...sequences).step(4) do |number|
        Record.transaction(requires_new: true) do
          walk = world.from(seed + number)
          watch = WalkWatch.new
          40.times do |step|
            wrong = watch.step { walk.step } + shown(walk, step)
            expect(wrong).to eq([]), -> { "#{wrong.join("; ")}:\n#{walk.story.join("\n")}" }
          rescue RSpec::Expectations::ExpectationNotMetError
            raise
          rescue => error
            raise "#{error.class}: #{error.message}\n#{error.backtrace.grep(/main\/(app|spec)/).first(6).join("\n")}\n#{walk.story.join("\n")}"
          end
          raise ActiveRecord::Rollback
        end
      end
    end
  end
end
