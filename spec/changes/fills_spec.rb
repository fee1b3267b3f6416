RSpec.describe "Pictures that are dressed", :data do
  let(:project) { new_project }
  let!(:ember) { keep(project, "Ember", "#E46F58").tap { |swatch| share(project, swatch, ticks: []) }.reload }
  let!(:wall) { Changes::BringInArtwork.perform(project, actor:, name: "North wall.png", bytes: wall_picture) }

  # Dusk, a wall in it and an island beyond a gap.
  def wall_picture
    image = Vips::Image.black(120, 80).add([35, 31, 85]).draw_rect([200, 196, 184], 20, 30, 60, 40, fill: true).draw_rect([200, 196, 184], 86, 30, 20, 40, fill: true)
    image.cast(:uchar).copy(interpretation: :srgb).pngsave_buffer
  end

  def fill(*points, artwork: wall, content: Hand::Content.of_swatch(ember), **given)
    Changes::FillPicture.perform(project, actor:, artwork:, points:, aim: {tolerance: 8.0, everywhere: false, gap: 0, soft: 0.0}, content:, **given)
  end

  def template(artwork = wall) = Drawings.of(artwork.reload.template)

  # As it is seen, at a place.
  def seen(x, y, artwork: wall) = Vips::Image.svgload_buffer(Dressing.new(artwork.reload).flat).getpoint(x, y).first(3).then { |rgb| format("#%02X%02X%02X", *rgb.map(&:round)) }

  it "come in as artworks, as they are" do
    expect([wall.name, wall.width, wall.height, wall.part_count, seen(30, 40), seen(1, 1)]).to eq ["North wall", 120, 80, 0, "#C8C4B8", "#231F55"]
    expect { Changes::BringInArtwork.perform(project, actor:, name: "Broken.jpg", bytes: "\xFF\xD8\xFF nothing".b) }.to raise_error Magpie::Error, /Broken.jpg/
    expect { Changes::ReplaceArtwork.perform(project, actor:, artwork: wall, name: "New.svg", bytes: '<svg xmlns="http://www.w3.org/2000/svg"/>') }.to raise_error Magpie::Error, /shows pictures/
  end

  it "are filled by patches that follow, are laid over as is said, and leave the picture what it is" do
    undone { fill([30, 40], settings: {blend: "multiply"}, opacity: 0.5) }
    patch = wall.parts.sole
    expect([patch.label, place(wall, patch.key).swatch_id, place(wall, patch.key).opacity, wall.reload.part_count]).to eq ["Patch 1", ember.id, 0.5, 1]
    expect([seen(1, 1), seen(90, 40)]).to eq ["#231F55", "#C8C4B8"]
    before = seen(30, 40)
    expect(before).not_to eq "#C8C4B8"
    Changes::ChangeSwatch.perform(project, actor:, swatch: ember, colour: hex("#2F8FA3"), definition: "", before: ember.hex)
    expect(seen(30, 40)).not_to eq before
    Changes::SetSettings.perform(project, actor:, artwork: wall, numbers: [patch.position], settings: {blend: "normal"})
    Changes::SetOpacity.perform(project, actor:, artwork: wall, numbers: [patch.position], role: "fill", opacity: 1.0)
    expect(seen(30, 40)).to eq "#2F8FA3"
    expect(Blob.bytes(Magpie::Artwork::Layers.all(template).first.sha256)).to eq wall_picture
    expect(Following::Invariants.broken).to eq []
  end

  it "have the same drawing and name in all colourways, whenever these were begun or came back and whatever is undone" do
    removed = Changes::AddColourway.perform(project, actor:, artwork: wall)
    Changes::RemoveColourway.perform(project, actor:, artwork: removed)
    fill([30, 40])
    Changes::RenameArtwork.perform(project, actor:, artwork: wall, name: "South wall")
    filled, renamed = RecordedChange.order(:id).last(2)
    begun = Changes::AddColourway.perform(project, actor:, artwork: wall.reload)
    undo_only = ->(change) { Changes::History.undo(project, change.id, actor:) }
    undo_only.call(RecordedChange.all.find { |each| each.words.start_with?("Removed the colourway") })
    in_all = -> { [wall, begun, removed].map { |each| each.reload.then { |one| [one[:name], one.template, one.part_count] } }.uniq }
    expect(in_all.call).to eq [["South wall", wall.reload.template, 1]]
    expect(seen(30, 40, artwork: removed)).to eq "#E46F58"
    [filled, renamed].each(&undo_only)
    expect(in_all.call).to eq [["North wall", wall.reload.template, 0]]
    expect([begun, removed].map { |each| seen(30, 40, artwork: each) }).to eq %w[#C8C4B8 #C8C4B8]
  end

  it "are filled at several places at once, each patch once" do
    made = fill([30, 40], [40, 50], [90, 40], [5000, 1])
    expect([made.parts.map(&:label), RecordedChange.order(:id).last.words]).to eq [["Patch 1", "Patch 2"], "Filled 2 patches of North wall with Ember"]
    expect { fill([5000, 1]) }.to raise_error Magpie::Error, /No picture lies there/
    expect { fill([30, 40], settings: {blend: "glow"}) }.to raise_error Magpie::Error, /no way to blend/
  end

  it "pass over what is transparent in a sweep, and say so to a click; and take so many patches at once" do
    image = Vips::Image.black(120, 80).add([35, 31, 85, 0])
    15.times { |step| image = image.draw_rect([200, 196, 40 + step * 14, 255], step * 8, 10, 5, 60, fill: true) }
    sheet = Changes::BringInArtwork.perform(project, actor:, name: "Sheet.png", bytes: image.cast(:uchar).copy(interpretation: :srgb).pngsave_buffer)
    expect { fill([6, 20], artwork: sheet) }.to raise_error Magpie::Error, /transparent/
    strips = (0...15).map { |step| [step * 8 + 2, 20] }
    made = fill([6, 20], *strips, artwork: sheet)
    expect(made.parts.size).to eq Changes::FillPicture::PATCHES
    expect { fill([6, 20], [14, 20], artwork: sheet) }.to raise_error Magpie::Error, /No picture lies there/
  end

  it "have patches that are looked for anew, painted otherwise, and removed" do
    fill([30, 40], settings: {blend: "normal"})
    patch = wall.parts.sole
    undone { Changes::AdjustFill.perform(project, actor:, artwork: wall, number: patch.position, aim: {gap: 6}) }
    expect([seen(90, 40), seen(83, 40), Magpie::Artwork::Layers.fills(template).sole.aim["gap"]]).to eq ["#E46F58", "#231F55", 6]
    Changes::SwitchPaints.perform(project, actor:, artwork: wall, numbers: [patch.position], role: "fill", kind: "pattern")
    expect(Dressing.new(wall.reload).paints.fetch([patch.key, "fill"]).compound.form).to eq "stripes"
    undone { Changes::RemoveFills.perform(project, actor:, artwork: wall, numbers: [patch.position]) }
    expect([seen(90, 40), wall.parts.count, wall.reload.part_count]).to eq ["#C8C4B8", 0, 0]
    expect { Changes::RemoveFills.perform(project, actor:, artwork: wall, numbers: [0]) }.to raise_error Magpie::Error, /is a patch/
    expect { Changes::AdjustFill.perform(project, actor:, artwork: wall, number: 0, aim: {}) }.to raise_error Magpie::Error, /no such part/
  end

  it "are shown by colourways and copies, with their patches" do
    winter = Changes::AddColourway.perform(project, actor:, artwork: wall)
    fill([30, 40], settings: {blend: "normal"})
    expect(seen(30, 40, artwork: winter)).to eq "#E46F58"
    Changes::DressParts.perform(project, actor:, artwork: winter.reload, numbers: wall.parts.pluck(:position), role: "fill", content: Hand::Content.new(name: "x", colour: hex("#FFCE5C")))
    expect([seen(30, 40, artwork: winter), seen(30, 40)]).to eq %w[#FFCE5C #E46F58]
    copy = Changes::DuplicateArtwork.perform(project, actor:, artwork: wall.reload)
    expect([seen(30, 40, artwork: copy), copy.part_count]).to eq ["#E46F58", 1]
  end

  it "lie beneath or above a drawing, whose parts stay what they are" do
    poster = bring_in_poster(project)
    parts = poster.part_count
    undone { Changes::AddLayer.perform(project, actor:, artwork: poster, name: "Wall.png", bytes: wall_picture, at: "above") }
    expect([poster.reload.part_count, seen(384, 500, artwork: poster)]).to eq [parts, "#C8C4B8"]
    fill([384, 500], artwork: poster, settings: {blend: "normal"})
    expect([seen(384, 500, artwork: poster), poster.parts.last.label]).to eq ["#E46F58", "Patch 1"]
    2.times { undo(project) }
    expect(Magpie::Artwork::Layers.all(template(poster))).to eq []
    Changes::AddLayer.perform(project, actor:, artwork: poster, name: "Wall.png", bytes: wall_picture, at: "beneath")
    expect(seen(384, 500, artwork: poster)).not_to eq "#C8C4B8"
    expect { Changes::AddLayer.perform(project, actor:, artwork: poster, name: "Again.png", bytes: wall_picture, at: "above") }.to raise_error Magpie::Error, "Poster shows that picture already"
    expect { Changes::AddLayer.perform(project, actor:, artwork: poster, name: "Wall.png", bytes: wall_picture, at: "beside") }.to raise_error Magpie::Error, /beneath or above/
    expect { Changes::AddLayer.perform(project, actor:, artwork: poster, name: "a.txt", bytes: "a", at: "above") }.to raise_error Magpie::Error, /a.txt/
  end

  it "are taken out of a drawing again, where nothing of them is filled" do
    poster = bring_in_poster(project)
    plain = template(poster)
    Changes::AddLayer.perform(project, actor:, artwork: poster, name: "Wall.png", bytes: wall_picture, at: "above")
    sha256 = Magpie::Artwork::Layers.all(template(poster)).sole.sha256
    fill([384, 500], artwork: poster)
    expect { Changes::RemoveLayer.perform(project, actor:, artwork: poster, sha256:) }.to raise_error Magpie::Error, /1 patch of the picture is filled/
    undo(project)
    undone { Changes::RemoveLayer.perform(project, actor:, artwork: poster.reload, sha256:) }
    expect(template(poster)).to eq plain
    expect { Changes::RemoveLayer.perform(project, actor:, artwork: wall, sha256:) }.to raise_error Magpie::Error, /shows nothing else/
    expect { Changes::RemoveLayer.perform(project, actor:, artwork: poster, sha256:) }.to raise_error Magpie::Error, /no such picture/
  end

  it "are told what was taken away meanwhile" do
    filling = Changes::FillPicture.new(project, artwork: wall, points: [[30.0, 40.0]], aim: {}, content: Hand::Content.of_swatch(ember)).tap { |change| change.actor = actor }
    filling.send(:prepare)
    wall.update!(template: DrawnPicture.keep(Magpie::Artwork::Layers.without_layer(template, Magpie::Artwork::Layers.all(template).sole.sha256), {}))
    expect { filling.send(:make) }.to raise_error Magpie::Error, /taken away meanwhile/
  end

  it "have patches with a fill and no line, which is said to whoever wants one of them" do
    fill([30, 40], settings: {blend: "normal"})
    poster = bring_in_poster(project)
    patch = {actor:, artwork: wall, numbers: wall.parts.pluck(:position)}
    moor = {actor:, artwork: poster, numbers: numbers(poster, "moor")}
    outfit = Changes::KeepOutfit.perform(project, **moor, palette: project.palettes.first, name: "Night")
    [
      -> { Changes::ExchangePaints.perform(project, **patch) }, -> { Changes::KeepOutfit.perform(project, **patch, palette: project.palettes.first, name: "Wall") }, -> { Changes::DressParts.perform(project, **patch, role: "line", content: nil) },
      -> { Changes::SetSettings.perform(project, **patch, settings: {width: 3.0}) }, -> { Changes::CarryDress.perform(project, **moor, from: [wall, patch[:numbers].first], what: %w[line]) }
    ].each do |change|
      before = [rows_of_everything, RecordedChange.count]
      expect(&change).to raise_error Magpie::Error, "Patch 1 is a patch of a picture: it has a fill, and no line"
      expect([rows_of_everything, RecordedChange.count]).to eq before
    end
    Changes::WearOutfit.perform(project, **patch, outfit:)
    expect([seen(30, 40), Following::Invariants.misworn]).to eq ["#121720", []]
  end

  it "keep their files as long as something shows them, undo among it" do
    fill([30, 40])
    Changes::RemoveFills.perform(project, actor:, artwork: wall, numbers: wall.parts.pluck(:position))
    Blob.update_all(kept_at: Time.now - 30 * 86_400)
    Setting.write("kept_house_at", "0")
    Changes::Housekeeping.perform
    undo(project)
    expect(seen(30, 40)).not_to eq "#C8C4B8"
  end
end
