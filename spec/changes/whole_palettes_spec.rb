RSpec.describe Changes, "of whole palettes", :data do
  let(:project) { new_project }
  let(:poster) { bring_in_poster(project) }
  let(:group) { project.groups.first }
  let!(:ember) { keep(project, "Ember sky", "#E46F58") }

  describe "whole palettes" do
    let!(:palette) { group.palette }

    it "are added, edited, used, ordered, archived; what is wrong is said" do
      undone { Changes::AddPalette.perform(project, actor:, name: "Star trail", tags: "Children, enamel, children") }
      trail = Palette.find_by!(name: "Star trail")
      expect(trail.tags).to eq %w[children enamel]
      undone { Changes::UsePalette.perform(project, actor:, palette: trail, how: "earlier") }
      expect(project.palettes.reload.map(&:name)).to eq ["Star trail", palette.name]
      undone { Changes::EditPalette.perform(project, actor:, palette: trail, name: "Star path", note: "For small hands", limits: {"twins" => 3.5}, columns: 9) }
      expect(trail.reload).to have_attributes(name: "Star path", note: "For small hands", columns: 9)
      expect([trail.limit("twins"), trail.limit("contrast")]).to eq [3.5, 4.5]
      undone { Changes::ArchivePalette.perform(project, actor:, palette: trail, archived: true) }
      undone { Changes::UsePalette.perform(project, actor:, palette: trail, how: "leave") }
      expect { Changes::EditPalette.perform(project, actor:, palette: trail, columns: 400) }.to raise_error(Magpie::Error, "400 columns: expected 1 to 60")
      expect { Changes::EditPalette.perform(project, actor:, palette: trail, limits: {"twins" => 0.0}) }.to raise_error(Magpie::Error, /A limit of 0.0/)
      expect { Changes::RemovePalette.perform(project, actor:, palette: Palette.starter) }.to raise_error(Magpie::Error, /comes with each new project/)
    end

    it "give a new project copies of the starter groups, edited in one place" do
      starter = Palette.starter
      starter.groups.first.swatches.first.update!(name: "Ink black")
      later = new_project("Star trail")
      expect(later.groups.last.swatches.first.name).to eq "Ink black"
      expect(project.groups.last.swatches.first.name).to eq "Black"
    end

    it "are duplicated with tints and inks that follow the copies" do
      Changes::KeepTint.perform(project, actor:, parent: ember, percent: 50)
      undone { Changes::CopyGroups.perform(project, actor:, groups: palette.groups.to_a) }
      copy = Palette.find_by!(name: "#{palette.name} copy")
      tint = copy.swatches.find { |swatch| swatch.tint }
      expect(tint.tint_of.group.palette).to eq copy
      expect(copy.groups.map { |each| each.swatches.map(&:hex) }).to eq palette.groups.reload.map { |each| each.swatches.map(&:hex) }
    end

    it "let groups be renamed, moved and removed" do
      undone { Changes::EditGroup.perform(project, actor:, group:, name: "Dusk sky", note: "Ramp") }
      undone { Changes::EditGroup.perform(project, actor:, group: group.reload, by: 1) }
      expect(palette.groups.reload.map(&:name)).to eq ["Every job", "Dusk sky"]
      expect { Changes::EditGroup.perform(project, actor:, group:, name: "every job") }.to raise_error(Magpie::Error, /already has a group called/)
      undone { Changes::RemovePalette.perform(project, actor:, palette:, groups: [group.reload]) }
      expect(palette.groups.reload.map(&:name)).to eq ["Every job"]
    end
  end

  # Random palettes on random artworks: whatever is shared, replaced, merged or removed,
  # each place shows afterwards what was intended, and undo brings back every row.
  [11, 47, 803, 4096].each do |seed|
    it "leaves every place with what was intended, and undo restores every row (seed #{seed})" do
      @random = Random.new(seed)
      2.times { |number| bring_in_poster(project, name: "random #{number}.svg", bytes: random_artwork) }
      other = Changes::AddPalette.perform(project, actor:, name: "Star trail")
      10.times { |number| Changes::KeepColour.perform(project, actor:, group: [group, other.groups.first].sample(random: @random), name: "Swatch #{number}", colour: hex(random_hex)) }
      states = [rows_of_everything]
      12.times { states << rows_of_everything if step_as_intended(other) }
      expect(states.size).to be > 4
      states[0..-2].reverse_each do |state|
        undo(project)
        expect(rows_of_everything).to eq state
      end
    end
  end

  def random_hex = %w[#E46F58 #E2705A #E26F59 #231F55 #24205A #FFCE5C #808080].sample(random: @random)

  def random_artwork
    parts = Array.new(12) { |n| %(<rect id="p#{n}" x="#{n * 8}" width="8" height="8" fill="#{random_hex}" stroke="#{random_hex}"/>) }
    %(<svg xmlns="http://www.w3.org/2000/svg" width="100" height="8">#{parts.join}</svg>)
  end

  def step_as_intended(other)
    swatches = Swatch.where(group: Group.where(palette: project.palettes.reload)).order(:id).to_a
    one, two, three = swatches.sample(3, random: @random)
    return if three.nil?
    changes = RecordedChange.count
    before, following = shown_at_places, Follow.of_places.pluck(:place_id, :swatch_id).to_h
    expected = before.dup
    case @random.rand(5)
    when 0
      rows = Candidates.of(actor, [one], limit: 3.0).by_artwork.values.flatten.select { @random.rand < 0.7 }
      rows.each { |row| row.places.each { |place| expected[place.id] = one.hex } }
      Changes::ShareSwatches.perform(project, actor:, swatches: [one], ticks: rows.map(&:tick), limit: 3.0)
    when 1
      following.each { |place, swatch| expected[place] = two.hex if swatch == one.id }
      Changes::RemoveSwatches.perform(project, actor:, swatches: [one, three].compact, replacements: {one => two})
    when 2
      following.each { |place, swatch| expected[place] = two.hex if [one.id, three.id].include?(swatch) }
      Changes::MergeSwatches.perform(project, actor:, kept: two, others: [one, three])
    when 3
      return if one.shared == false
      Changes::LoosenSwatches.perform(project, actor:, swatches: [one])
    when 4
      return unless Palette.exists?(other.id)
      into = project.palettes.reload.without(other).first
      Changes::MergePalettes.preview(other, into, 2.0).each { |gone, kept, _| following.each { |place, swatch| expected[place] = kept.hex if kept && swatch == gone.id } }
      Changes::MergePalettes.perform(project, actor:, from: other, into:, limit: 2.0)
    end
    expect(shown_at_places).to eq expected
    RecordedChange.count > changes # sharing what is shared with nothing ticked changes nothing
  end
end
