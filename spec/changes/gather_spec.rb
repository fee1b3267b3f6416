RSpec.describe "Gathering", :data do
  let(:project) { new_project }
  let(:halves) { flat_picture(40, 20, [226, 112, 90]).draw_rect([35, 31, 85], 0, 0, 20, 20, fill: true) }
  let(:source) { bring_in(halves, "dusk_halves.png") }

  def bring_in(image, name = "plate.png", **given) = Changes::BringInSource.perform(project, actor:, name:, bytes: image.pngsave_buffer, **given)

  def square(x, y, size = 5) = Aim.new(way: "square", x:, y:, size:)

  def take(aim, readable = source) = Changes::TakeReading.perform(project, actor:, readable:, aim:)

  def better_copy(image) = Import.create!(project:, name: "better.png", sha256: Blob.keep(image.pngsave_buffer, "image/png"), created_at: Time.now)

  describe "sources" do
    it "know what they are" do
      expect(source.name).to eq "dusk halves"
      expect(source.facts_in_words).to match(/\APNG, 8 bit, sRGB, \d kB\z/)
      expect(Seen.new(source).tone.words).to be_a String
      expect(Seen.new(bring_in(flat_picture(9, 9, [9, 9, 9]).bandjoin(Vips::Image.black(9, 9)))).tone).to be_nil
    end

    it "are renamed, noted, moved and removed, and all of it is undone" do
      find = take(square(5, 5))
      others = Array.new(2) { |n| bring_in(flat_picture(9, 9, [n, 90, 9]), "plate #{n}.png") }
      before = rows_of_everything
      Changes::EditSource.perform(project, actor:, source:, name: "  Halves ", note: "From the east\ndoor")
      Changes::MoveSource.perform(project, actor:, source: others[1], before: source.id)
      expect(project.sources.reload.map(&:name)).to eq ["plate 1", "Halves", "plate 0"]
      expect(source.reload.note).to eq "From the east door"
      Changes::RemoveSource.perform(project, actor:, source:)
      expect(project.sources.reload.map(&:name)).to eq ["plate 1", "plate 0"]
      expect(project.finds.reload).to eq [find]
      3.times { undo(project) }
      expect(rows_of_everything).to eq before
      expect { Changes::EditSource.perform(project, actor:, source:, name: " ") }.to raise_error(Magpie::Error, "A source needs a name")
    end

    it "move to the end when told too far, and nowhere when told to stay" do
      others = Array.new(2) { |n| bring_in(flat_picture(9, 9, [n, 90, 9]), "plate #{n}.png") }
      Changes::MoveSource.perform(project, actor:, source: others[0], by: 99)
      expect(project.sources.reload.map(&:name)).to eq ["plate 1", "plate 0"]
      expect { Changes::MoveSource.perform(project, actor:, source: others[0].reload, before: 0) }.not_to change(RecordedChange, :count)
    end
  end

  describe "finds" do
    it "are read as a square, drawn round, or grown, and say so" do
      expect(take(square(30, 10)).origin).to eq "5 × 5 px at 30, 10 of dusk halves"
      round = take(Aim.of_corners("2,2 12,2 12,12 2,12"))
      expect([round.hex, round.pixels, round.origin]).to eq ["#231F55", 100, "100 px drawn round, about 7, 7 of dusk halves"]
      patch = take(Aim.new(way: "patch", x: 3, y: 3, tolerance: 4.0))
      expect([patch.hex, patch.origin]).to eq ["#231F55", "patch of 400 px from 3, 3 of dusk halves, tolerance 4"]
    end

    it "of a picture that shows nothing there are not taken" do
      clear = bring_in(flat_picture(9, 9, [9, 9, 9]).bandjoin(Vips::Image.black(9, 9)))
      expect { take(square(4, 4), clear) }.to raise_error(Magpie::Error, "4, 4 is transparent in plate: there is no colour to read")
      expect(Find.where(project:)).to be_empty
    end

    it "are read again at another place, keeping a name that a person gave" do
      find = take(square(5, 5))
      Changes::ReadAgain.perform(project, actor:, find:, aim: Aim.of_find(find).moved(30, 10))
      expect([find.hex, find.x, find.y, find.name]).to eq ["#E2705A", 30, 10, "Tomato"]
      Changes::ChangeFind.perform(project, actor:, find:, name: "Ember")
      Changes::ReadAgain.perform(project, actor:, find:, aim: Aim.of_find(find).moved(5, 5))
      expect([find.hex, find.name]).to eq ["#231F55", "Ember"]
      3.times { undo(project) }
      expect([find.reload.hex, find.x]).to eq ["#231F55", 5]
    end

    it "move their outline along" do
      find = take(Aim.of_corners("2,2 12,2 12,12 2,12"))
      Changes::ReadAgain.perform(project, actor:, find:, aim: Aim.of_find(find).moved(find.x + 22, find.y))
      expect(find.reload.corners).to eq [[24, 2], [34, 2], [34, 12], [24, 12]]
      expect(find.hex).to eq "#E2705A"
    end

    it "are held as the average or as the most common colour" do
      find = take(square(21, 10, 5))
      expect(find.hex).not_to eq "#E2705A"
      Changes::ChangeFind.perform(project, actor:, find:, chosen: "most_common")
      expect([find.reload.hex, Hand::Content.of_find(find).hex]).to eq ["#E2705A"] * 2
    end

    it "are cleared but for those that are pinned; swatches stay" do
      one, two = [5, 30].map { |x| take(square(x, 5)) }
      swatch = Changes::KeepColour.perform(project, actor:, group: project.groups.first, name: "Night", colour: one.colour, find: one)
      Changes::ChangeFind.perform(project, actor:, find: two, pinned: true)
      Changes::ClearFinds.perform(project, actor:, finds: project.finds.reorder(nil).where(pinned: false))
      expect(project.finds.reload).to eq [two]
      expect(swatch.reload.find).to eq one
      undo(project)
      expect(project.finds.reload).to eq [two, one]
      expect { Changes::ClearFinds.perform(project, actor:, finds: Find.none) }.to raise_error(Magpie::Error, /no find to clear/)
    end

    it "are found again by redo though they were taken before later columns came" do
      find = take(square(5, 5))
      undo(project)
      change = RecordedChange.order(:id).last
      change.update!(rows: change.rows.map { |row| row.merge("after" => row["after"].map { |each| each.except("pinned", "named", "chosen", "way") }) })
      redo_change(project)
      expect([project.finds.reload.first.id, project.finds.first.chosen, project.finds.first.pinned]).to eq [find.id, "average", false]
    end

    it "come from screens, too" do
      find = Changes::TakeColour.perform(project, actor:, colour: hex("#2F8FA3"), way: "screen")
      expect([find.origin, find.readable, find.pixels?]).to eq ["sampled from the screen", nil, false]
      expect { Changes::ReadAgain.perform(project, actor:, find:, aim: square(1, 1)) }.to raise_error(Magpie::Error, /nothing to read again/)
    end
  end

  describe "an artwork" do
    let(:artwork) { bring_in_poster(project) }

    it "is read as it is seen, and a change of it is seen at once" do
      expect(take(square(1200, 100), artwork).origin).to end_with "of Poster, as seen"
      before = Seen.new(artwork).key
      artwork.places.each { |place| place.update!(kind: "colour", colour: hex("#2F8FA3"), hex: "#2F8FA3") }
      again = Artwork.find(artwork.id)
      expect(Seen.new(again).key).not_to eq before
      expect(take(square(100, 100), again).hex).to eq "#2F8FA3"
    end
  end

  describe "main colours" do
    it "are kept as a group in one change, each with its find" do
      colours = MainColours.new(Seen.new(source), {count: nil, accents: 1.0, leave_out: false}).to_a
      palette = project.palettes.first
      group = Changes::KeepMainColours.perform(project, actor:, palette:, readable: source, colours:)
      expect(group.swatches.map(&:hex)).to match_array %w[#231F55 #E2705A]
      expect(group.swatches.map { |swatch| swatch.find.origin }).to all(eq "main colour of dusk halves, 50.0 % of it")
      expect(Changes::KeepMainColours.perform(project, actor:, palette:, readable: source, colours:).name).to eq "dusk halves 2"
      2.times { undo(project) }
      expect(palette.groups.reload.map(&:name)).to eq ["First colours", "Every job"]
      expect(project.finds.reload).to be_empty
    end

    it "are kept beside the picture, and shown where they are" do
      FileUtils.rm_rf(PictureCache.folder)
      main = MainColours.new(Seen.new(source), {count: 2, accents: 1.0, leave_out: false})
      expect(main.found?).to be false
      shares = main.to_a.map(&:share)
      expect([main.found?, shares]).to eq [true, [0.5, 0.5]]
      # What another edition of the core found is not taken for what this one finds.
      edition = Magpie.edition
      allow(Magpie).to receive(:edition).and_return("another")
      expect(MainColours.new(Seen.new(source), {count: 2, accents: 1.0, leave_out: false})).not_to be_found
      allow(Magpie).to receive(:edition).and_return(edition)
      dark = Vips::Image.pngload_buffer(main.highlight(0))
      expect(dark.extract_band(1).avg).to be_within(1).of(92)
    end
  end

  describe "a better copy" do
    let(:better) { flat_picture(400, 200, [220, 100, 80]).draw_rect([30, 30, 90], 0, 0, 200, 200, fill: true) }

    it "shows what each find would become, then reads them all again in one change" do
      left, right = [5, 30].map { |x| take(square(x, 5)) }
      round = take(Aim.of_corners("2,2 12,2 12,12 2,12"))
      rereads = Changes::ReplacePicture.preview(source, Magpie::Picture.new(better))
      expect(rereads.map { |each| each.colour.hex }).to eq %w[#1E1E5A #DC6450 #1E1E5A]
      expect(rereads.map(&:difference)).to all(be > 0.5)
      expect(left.reload.hex).to eq "#231F55"
      before = rows_of_everything
      Changes::ReplacePicture.perform(project, actor:, source:, file: better_copy(better))
      expect([left, right, round].map { |find| find.reload.hex }).to eq %w[#1E1E5A #DC6450 #1E1E5A]
      expect([right.x, right.y, round.corners.first, source.reload.width]).to eq [300, 50, [20, 20], 400]
      undo(project)
      expect(rows_of_everything).to eq before
    end

    it "leaves finds whose place shows nothing there as they are" do
      find = take(square(30, 5))
      Changes::ReplacePicture.perform(project, actor:, source:, file: better_copy(better.bandjoin(Vips::Image.xyz(400, 200)[0] < 200)))
      expect([find.reload.hex, find.x, find.y]).to eq ["#E2705A", 300, 50]
      expect(Changes::ReplacePicture.preview(source, Magpie::Picture.new(better.bandjoin(Vips::Image.xyz(400, 200)[0] < 100))).map(&:problem)).to eq ["transparent there now"]
    end
  end

  describe Frame::Choices do
    let(:hand) { Hand.create!(project:, visitor: "one") }
    let(:choices) { described_class.new(hand) }

    it "takes what is allowed and leaves the rest" do
      choices.take("probe" => "31", "release" => "throw", "colours" => "1", "tolerance" => "12.5", "accents" => "abc", "visitor" => "two", "favourite" => "oklch", "grounds" => "out")
      expect(%i[probe release colours accents favourite grounds].map { |name| choices[name] }).to eq %w[31 hold auto 100 oklch out]
      expect([choices.tolerance, choices.main_colours]).to eq [12.5, {count: nil, accents: 1.0, leave_out: true}]
    end

    it "keeps what another window chose meanwhile" do
      choices
      choices.take("probe" => "31")
      Hand.where(visitor: "one").sole.tap { |hand| hand.choose("view" => "grid", "group" => "7") }.settle
      hand.settle
      expect(%i[probe view group].map { |name| described_class.new(Hand.find_by!(visitor: "one"))[name] }).to eq %w[31 grid 7]
    end
  end

  describe Aim do
    it "refuses a request that is none" do
      expect { described_class.of_request(Frame::Asked.new("probe" => "5", "x" => "a", "y" => "2")) }.to raise_error(Magpie::Error, /x is "a": expected a whole number/)
      expect { described_class.of_corners("1,2 3") }.to raise_error(Magpie::Error, /outline is damaged/)
      expect { described_class.of_corners("1,2 NaN,3 4,5") }.to raise_error(Magpie::Error, /outline is damaged/)
    end
  end

  describe Consistency do
    def remarks = described_class.new(project, project.groups.to_h { |group| [group, Chip.of_groups([group.id])[group.id]] }, OnDesk.new(project).all_sources).remarks.map(&:words)

    let(:bright) { Array.new(2) { |n| bring_in(noise_picture(60, 40, [200, 190, 180], 4 + n), "noon #{n}.png") } }
    let(:dark) { bring_in(noise_picture(60, 40, [60, 40, 90], 4), "midnight.png") }

    it "says when finds of one name differ, and how their pictures do" do
      one, two = take(square(5, 5), bright[0]), take(square(5, 5), dark)
      expect(remarks).to be_empty
      [one, two].each { |find| Changes::ChangeFind.perform(project, actor:, find:, name: "Dome stone") }
      expect(remarks).to match [/\ATwo finds called “Dome stone” differ by ΔE \d+\.\d: midnight is dark, leans \w+; noon 0 is light/]
    end

    it "says when a swatch's picture was darker than those of its siblings" do
      group = project.groups.first
      [*bright, dark].each_with_index { |each, n| Changes::KeepColour.perform(project, actor:, group:, name: "Stone #{n}", colour: hex("#808080"), find: take(square(5, 5), each)) }
      expect(remarks).to eq ["Stone 2 came from midnight, a picture that is darker and more tinted than those of the others in First colours"]
    end

    it "compares a few of many finds of one name, and still finds the two that differ most" do
      finds = Array.new(60) { |n| Changes::TakeColour.perform(project, actor:, colour: Magpie::Color.new(:oklch, [0.4 + n * 0.005, 0.1, 40]), way: "screen") }
      finds.each { |find| find.update!(name: "Dome stone", named: true) }
      compared = 0
      allow(Magpie::Difference::Ciede2000).to receive(:of).and_wrap_original { |formula, *pair| (compared += 1) && formula.call(*pair) }
      widest = Magpie::Difference.de2000(finds.first.colour, finds.last.colour)
      compared = 0
      expect(remarks).to match [/differ by ΔE #{format("%.1f", widest)}/]
      expect(compared).to be <= 15
    end

    it "has nothing to say of pictures that are alike" do
      group = project.groups.first
      bright.each_with_index { |each, n| Changes::KeepColour.perform(project, actor:, group:, name: "Stone #{n}", colour: hex("#808080"), find: take(square(5, 5), each)) }
      expect(remarks).to be_empty
    end
  end
end
