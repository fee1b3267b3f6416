require "support/every_state"

# What holds of everything that can be seen, in every state of every place.
RSpec.describe "Every state", :screen do
  include States
  include EveryState

  before do
    Demo.clear
    Demo.load(whole: true)
  end

  # How often Tab is pressed at most until one is through a page; Mix lies over another one.
  most_stops = {"Gather" => 55, "Dress" => 80, "Mix" => 105}.freeze

  States.places.each do |place|
    it "of #{place} can be used by everybody" do
      wrong = States.of(place).flat_map do |name|
        reach name
        count = stops
        violations.push(*("Tab stops #{count} times, more than #{most_stops.fetch(place, 60)}" if count > most_stops.fetch(place, 60))).map { |words| "#{name}: #{words}" }
      end
      expect(wrong).to eq []
    end
  end
end
