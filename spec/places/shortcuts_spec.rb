RSpec.describe Frame::Shortcuts do
  subject(:usual) { described_class.new({}) }

  it "gives no key twice in one place" do
    Frame::Answering::PLACES.each_key do |place|
      given = usual.of(place, true).map(&:key)
      expect(given.tally.select { |_, times| times > 1 }).to eq({}), place
    end
  end

  it "gives another key, or none, and refuses what is another's or no key" do
    kept = usual.give("dress", "y")
    expect(described_class.new(kept).keys).to include("y" => [:dress]).and(satisfy { |keys| !keys.key?("d") })
    expect(described_class.new(kept).give("dress", "")).to eq({"dress" => ""})
    expect(described_class.new({"dress" => ""}).key(:dress)).to be_nil
    expect { usual.give("dress", "g") }.to raise_error(Magpie::Error, "G is the key for “Go to Gather”. Give that another one first")
    expect { usual.give("dress", "ab") }.to raise_error(Magpie::Error, /"ab" is no single key/)
    expect { usual.give("fly", "a") }.to raise_error(Magpie::Error, /no shortcut called "fly"/)
  end

  it "lets places that never meet use the same key" do
    expect(usual.give("copy", "x")).to eq({"copy" => "x"})
  end

  it "does nothing when it is off" do
    expect(described_class.new({"off" => true}).keys).to eq({})
  end

  it "writes a capital as with Shift" do
    expect(%w[w W ? 1].map { |key| described_class.written(key) }).to eq ["W", "Shift W", "?", "1"]
  end
end
