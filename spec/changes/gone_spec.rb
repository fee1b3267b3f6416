RSpec.describe Changes, "of what somebody else changes or removes meanwhile" do
  let(:project) { new_project }
  let!(:ember) { keep(project, "Ember", "#E46F58") }
  let!(:gone) { keep(project, "Coral", "#E2705A") }
  let!(:moor) { keep(project, "Moor", "#121720") }

  {
    "MergeSwatches" => -> { {kept: ember, others: [gone], blend: false} }, "MergeSwatches, the one that stays" => -> { {kept: gone, others: [ember], blend: true} },
    "RemoveSwatches" => -> { {swatches: [gone, moor], replacements: {}} }, "RemoveSwatches, for another" => -> { {swatches: [moor], replacements: {moor => gone}} },
    "MoveSwatches" => -> { {swatches: [gone], group: moor.group, slot: 1} }, "ShareSwatches" => -> { {swatches: [gone], ticks: []} }, "LockSwatches" => -> { {swatches: [gone], locked: true} },
    "ChangeSwatches" => -> { {colours: {gone => hex("#fff")}, saw: {gone => "#E2705A"}, what: "Changed"} }, "KeepTint" => -> { {parent: gone, percent: 30.0} },
    "EditSwatch" => -> { {swatch: gone, fields: {name: "Sand"}, saw: {}} }, "OrderSwatches" => -> { {swatches: [gone, ember], key: "name"} }, "RenameSwatches" => -> { {swatches: [gone], pattern: "Sand"} },
    "NudgeSwatches" => -> { {swatches: [gone], way: "left", grid: false} }, "FillGaps" => -> { {swatches: [ember, gone], steps: 2} }
  }.each do |what, given|
    it "is refused in words, with nothing done: #{what}" do
      Changes::RemoveSwatches.perform(project, actor:, swatches: [gone], replacements: {})
      before = rows_of_everything
      change = Changes.const_get(what[/\w+/])
      expect { change.perform(project, actor:, **instance_exec(&given)) }.to raise_error(Magpie::Error, /removed (something of this at the same moment|meanwhile)/)
      expect(rows_of_everything).to eq before
    end
  end

  # Both have found it before either has written.
  def both(change, *givens) = givens.map { |given| change.new(project, **given).tap { |each| each.actor = actor } }.each(&:perform)

  it "keeps what two people write of one thing at the same moment, side by side" do
    poster = bring_in_poster(project)
    both(Changes::RenamePart, *{"drawing/g2" => "Stars", "drawing/g3" => "Sky"}.map { |group, name| {artwork: poster, group:, name:} })
    expect(poster.reload.group_labels).to eq "drawing/g2" => "Stars", "drawing/g3" => "Sky"
    palette = project.palettes.first
    both(Changes::EditPalette, *{"twins" => 3.0, "confusable" => 9.0}.map { |check, limit| {palette: Palette.find(palette.id), limits: {check => limit}} })
    expect(palette.reload.limits).to eq "twins" => 3.0, "confusable" => 9.0
    2.times { undo(project) }
    expect(palette.reload.limits).to eq({})
  end
end
