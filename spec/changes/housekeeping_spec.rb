RSpec.describe Changes::Housekeeping do
  let(:project) { new_project }
  let(:day) { 86_400 }
  let(:later) { Time.now + 500 * day }

  def keep_house(now = later)
    Setting.where(key: "kept_house_at").delete_all
    described_class.perform(now:)
  end

  def picture(number) = noise_picture(20, 10, [90 + number, 60, 120], 8).pngsave_buffer

  it "happens once a day" do
    Setting.where(key: "kept_house_at").delete_all
    expect(described_class.perform).to have_key(:blobs)
    expect(described_class.perform).to eq({})
    expect(described_class.perform(now: Time.now + day + 1)).to have_key(:blobs)
  end

  it "throws away what was looked at and not brought in, and nothing that somebody needs" do
    source = Changes::BringInSource.perform(project, actor:, name: "Dusk.png", bytes: picture(1))
    removed = Changes::BringInSource.perform(project, actor:, name: "Moor.png", bytes: picture(2))
    Changes::RemoveSource.perform(project, actor:, source: removed)
    better = Changes::OpenFile.picture(project, actor:, source:, name: "Better.png", bytes: noise_picture(40, 20, [91, 60, 120], 8).pngsave_buffer)
    was = source.sha256
    Changes::ReplacePicture.perform(project, actor:, source:, file: better)
    opened = Changes::OpenFile.picture(project, actor:, source:, name: "Looked at.png", bytes: picture(3))
    bring_in_poster(project)
    keep_house(Time.now + 8 * day)
    expect(Import.count).to eq 0
    expect(Blob.exists?(opened.sha256)).to be false
    expect(Blob.where(sha256: [was, better.sha256, removed.sha256]).count).to eq 3 # undo needs the first
    undo(project)
    undo(project)
    expect([source.reload.sha256, removed.reload.removed_at]).to eq [was, removed.removed_at]
  end

  it "leaves what was kept a moment ago, though nothing refers to it yet" do
    sha256 = Blob.keep(picture(4), "image/png")
    keep_house(Time.now)
    expect(Blob.exists?(sha256)).to be true
    keep_house(Time.now + 8 * day)
    expect(Blob.exists?(sha256)).to be false
  end

  it "forgets browsers that have not come for longer than their session lasts" do
    Hand.of(project, "gone").tap { |hand| hand.choose("view" => "grid") }.settle
    Visitor.name!("gone", "Wren")
    expect(keep_house(Time.now + 300 * day).values_at(:hands, :visitors)).to eq [0, 0]
    expect(keep_house.values_at(:hands, :visitors)).to eq [1, 1]
  end

  it "leaves no hand of a browser that only looks" do
    desk = Frame::Desk.new(actor, project, visitor: "robot")
    expect([desk.hand.content, desk.choices[:view], desk.hand.tap(&:settle).persisted?]).to eq [nil, "rows", false]
    expect(Hand.where(visitor: "robot")).to be_empty
  end

  it "tells old changes for ever, with the values that they gave, and undoes those of late" do
    stub_const("#{described_class}::NEWEST", 2)
    ember = keep(project, "Ember", "#E46F58")
    %w[#2F8FA3 #52A3CC #FFCE5C].each { |text| Changes::ChangeSwatch.perform(project, actor:, swatch: ember.reload, colour: hex(text), definition: "", before: ember.hex) }
    expect(keep_house(Time.now + 300 * day)[:changes]).to eq 0
    expect(keep_house[:changes]).to eq 2
    old = RecordedChange.where(project:).order(:id).second
    expect([old.sealed, old.rows, old.words]).to eq [true, [], "Changed Ember from #E46F58 to #2F8FA3"]
    expect(PastValues.of(ember).map(&:hex)).to eq %w[#FFCE5C #52A3CC #2F8FA3 #E46F58]
    expect(PastValues.colour(ember, old.id).hex).to eq "#2F8FA3"
    2.times { undo(project) }
    expect(ember.reload.hex).to eq "#2F8FA3"
    expect { undo(project) }.to raise_error(Magpie::Error, "There is nothing to undo")
  end
end
