require "support/walk_watch"

RSpec.describe WalkWatch do
  let(:project) { new_project }
  let(:ember) { keep(project, "Ember", "#E46F58") }
  let!(:watch) { share(project, ember).then { described_class.new } }

  it "tells what was left behind by what was refused" do
    expect(watch.step { :refused }).to eq []
    expect(watch.step { ember.update!(note: "for the poster") && :refused }).to eq ["it refused and changed swatches"]
    expect(ember.reload.note).to be_nil
    expect(watch.step { :refused }).to eq []
  end

  it "passes over what was taken back by whoever refused" do
    expect(watch.step { Record.transaction(requires_new: true) { ember.update!(note: "for the poster") && raise(ActiveRecord::Rollback) } || :refused }).to eq []
  end

  it "tells what is wrong in what was written to, though no row says so" do
    expect(watch.step { ember.update_columns(hex: "#121720") && :done }).to eq ["swatch #{ember.id} is kept as #121720, and is #E46F58"]
    expect(watch.step { ember.update_columns(hex: "#E46F58", locked: true) && :done }).to eq []
    moor = hex("#121720")
    expect(watch.step { ember.update_columns(hex: moor.hex, colour: moor.to_h) && :done }).to eq ["locked swatch #{ember.id} moved"]
  end
end
