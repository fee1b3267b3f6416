require "support/every_state"

# What holds of everything that can be seen, in every state of every place.
RSpec.describe "Every state", :screen, demo: :whole do
  include States
  include EveryState

  States.places.each do |place|
    it "of #{place} can be used by everybody, in any window" do
      wrong = States.of(place).flat_map { |name| reach(name).then { violations + too_many_stops(place) + measured + unseen_focus + moving }.map { |words| "#{name}: #{words}" } }
      expect(wrong.join("\n")).to eq ""
    end
  end
end
