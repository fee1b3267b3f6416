require "support/focus_pixels"
require "support/states"

RSpec.describe "The focus", :screen, demo: :whole do
  include States
  include FocusPixels

  ["Projects: all of them", "Gather: a reading", "Gather: two beside each other", "Palettes: several selected", "Palettes: chart", "Palettes: the health", "Mix: mix", "Dress: a gradient", "Dress: a line's settings", "Match: the nearest",
    "Match: text on grounds", "Match: charts", "Deliver: colours", "Deliver: a library", "Deliver: bringing in"].each_slice(5) do |names|
    it "is seen on every control of #{names.join(", ")}" do
      expect(names.to_h { |name| [name, reach(name).then { unseen }] }.reject { |_, kinds| kinds.empty? }).to eq({})
    end
  end
end
