RSpec.describe "Making colours in a project", :data do
  let(:project) { new_project }
  let(:palette) { project.palettes.first }
  let(:ember) { keep(project, "Ember", "#E46F58") }

  def change(swatch, to) = Changes::ChangeSwatch.perform(project, actor:, swatch:, colour: hex(to), definition: to, before: swatch.hex)

  it "keeps several colours as a group with names of their own, in one change" do
    palette
    before = rows_of_everything
    group = Changes::KeepGroup.perform(project, actor:, palette:, name: " Dusk ", colours: %w[#E46F58 #E2705A #231F55].map { |text| hex(text) }, note: "Ramp")
    expect([group.name, group.note, group.swatches.map(&:hex)]).to eq ["Dusk", "Ramp", %w[#E46F58 #E2705A #231F55]]
    expect(group.swatches.map(&:name).uniq.size).to eq 3
    expect(Changes::KeepGroup.perform(project, actor:, palette:, name: "dusk", colours: [hex("#fff")]).name).to eq "dusk 2"
    2.times { undo(project) }
    expect(rows_of_everything).to eq before
    expect { Changes::KeepGroup.perform(project, actor:, palette:, name: "", colours: []) }.to raise_error(Magpie::Error, "There is no colour to keep")
    expect { Changes::KeepGroup.perform(project, actor:, palette:, name: "", colours: [hex("#fff")] * 101) }.to raise_error(Magpie::Error, /the limit is 100/)
  end

  it "ties a tint to its swatch, and a tint of a tint to that" do
    tint = Changes::KeepTint.perform(project, actor:, parent: ember, percent: 50.0)
    lighter = Changes::KeepTint.perform(project, actor:, parent: tint, percent: 20.0)
    expect([tint.name, lighter.name]).to eq ["Ember 50 %", "Ember 50 % 20 %"]
    before = rows_of_everything
    change(ember, "#2F8FA3")
    half = Magpie::Making::Tints.tint(hex("#2F8FA3"), 50)
    expect(tint.reload.hex).to eq half.hex
    expect(lighter.reload.hex).to eq Magpie::Making::Tints.tint(half, 20).hex
    undo(project)
    expect(rows_of_everything).to eq before
    expect { Changes::KeepTint.perform(project, actor:, parent: ember, percent: 100.0) }.to raise_error(Magpie::Error, /expected 1 to 99/)
  end

  it "leaves a swatch that is no tint of it alone" do
    other = keep(project, "Moor", "#1D2432")
    change(ember, "#2F8FA3")
    expect(other.reload.hex).to eq "#1D2432"
  end
end
