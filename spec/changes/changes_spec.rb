RSpec.describe Changes do
  let(:project) { new_project }
  let(:poster) { bring_in_poster(project) }

  def dress(key, swatch, role: "fill", artwork: poster)
    Changes::DressParts.perform(project, actor:, artwork:, numbers: numbers(artwork, *key), role:, content: Hand::Content.of_swatch(swatch))
  end

  describe Changes::KeepColour do
    it "keeps a colour exactly, under the name given or a suggested one that is free" do
      colour = Magpie::Color.new(:oklch, [1 / 3.0, 0.1, 34.5], 0.25)
      group = project.groups.first
      described_class.perform(project, actor:, group:, name: "  Heather \n dusk ", colour:)
      named = described_class.perform(project, actor:, group:, name: "", colour: hex("rebeccapurple"))
      again = described_class.perform(project, actor:, group:, name: "", colour: hex("rebeccapurple"))
      expect(group.swatches.reload.map(&:name)).to eq ["Heather dusk", "Rebecca purple", "Rebecca purple 2"]
      expect(Swatch.find_by(name: "Heather dusk").colour).to eq colour
      expect([named.position, again.position]).to eq [2, 3]
    end

    it "refuses a name that the group has, and keeps nothing" do
      keep(project, "Ember", "#E46F58")
      expect { keep(project, "ember", "#000") }.to raise_error(Magpie::Error, "First colours already has a swatch called ember. Give this one another name")
      expect(Swatch.where("lower(name) = 'ember'").count).to eq 1
    end
  end

  describe Changes::DressParts do
    it "follows a shared swatch and copies a loose one" do
      loose = keep(project, "Ember", "#E46F58")
      dress("plum_band", loose)
      expect(place(poster, "plum_band")).to have_attributes(swatch_id: nil, hex: "#E46F58")
      share(project, loose, ticks: [])
      dress(%w[rosehip_band moor], loose.reload)
      expect(poster.places.following(loose).count).to eq 2
      expect(RecordedChange.last.words).to eq "Dressed 2 parts with Ember"
    end

    it "dresses the line, clears, and says which part" do
      swatch = keep(project, "Brass", "#B88A33")
      dress("plum_band", swatch, role: "line")
      expect(place(poster, "plum_band", "line").hex).to eq "#B88A33"
      expect(RecordedChange.last.words).to eq "Dressed the line of Plum band with Brass"
      described_class.perform(project, actor:, artwork: poster, numbers: numbers(poster, "plum_band"), role: "fill", content: nil)
      expect(place(poster, "plum_band")).to have_attributes(kind: "none", hex: nil, swatch_id: nil)
      expect { dress("nothing", swatch) }.to raise_error(Magpie::Error, "Poster has no such part")
    end
  end

  describe Changes::ShareSwatches do
    it "links the places that are ticked and leaves the others" do
      swatch = keep(project, "Lamp", "#FFCE5C")
      poster
      stars = Candidates.of(actor, [swatch]).exact_ids
      expect(stars.size).to eq 8
      ticked = stars.first(3)
      described_class.perform(project, actor:, swatches: [swatch], ticks: ticked.map { |id| "p#{id}" })
      expect(Place.following(swatch).ids).to match_array ticked
      expect(Reach.of(actor, [swatch.id])).to eq(swatch.id => 3)
      undo(project)
      expect([swatch.reload.shared, Place.following(swatch).count, Candidates.of(actor, [swatch]).total]).to eq [false, 0, 8]
    end

    it "refuses a place that holds another colour by now" do
      swatch = keep(project, "Lamp", "#FFCE5C")
      other = place(poster, "moor")
      expect { described_class.perform(project, actor:, swatches: [swatch], ticks: ["p#{other.id}"]) }.to raise_error(Magpie::Error, /1 place no longer holds that colour/)
      expect(swatch.reload.shared).to be false
    end
  end

  describe Changes::ChangeSwatch do
    it "writes one swatch, however many places follow it" do
      swatch = keep(project, "Lamp", "#FFCE5C")
      poster
      expect(RecordedChange.last.words).to eq "Brought in Poster, #{poster.parts.where(kind: "part").count} parts"
      share(project, swatch)
      statements = []
      subscriber = ActiveSupport::Notifications.subscribe("sql.active_record") { |*, payload| statements << payload[:sql] if payload[:sql].match?(/\A\s*(UPDATE|INSERT|DELETE)/) }
      described_class.perform(project, actor:, swatch:, colour: hex("hsb 200 60 80"), definition: "hsb 200 60 80", before: "#FFCE5C")
      ActiveSupport::Notifications.unsubscribe(subscriber)
      expect(statements.size).to eq 3 # the swatch, what undoes it, the turn of the project
      expect(Dressing.new(poster).flat.scan("#52A3CC").size).to eq 8
      expect(Dressing.new(poster).linked).to include("--lamp:#52A3CC")
    end

    it "is refused when somebody changed the swatch meanwhile" do
      swatch = keep(project, "Lamp", "#FFCE5C")
      described_class.perform(project, actor:, swatch:, colour: hex("#111"), definition: "#111", before: "#FFCE5C")
      expect { described_class.perform(project, actor:, swatch: Swatch.find(swatch.id), colour: hex("#222"), definition: "#222", before: "#FFCE5C") }
        .to raise_error(Changes::Conflict, "Lamp was changed meanwhile: its colour was #FFCE5C when you looked, and is #111111 now. You wanted #222222")
    end
  end

  describe Changes::BringInPalette do
    def value(colours) = Magpie::Palette.new(name: "Star trail", groups: [Magpie::Palette::Group.new(name: "Trail", swatches: colours.map { |name, colour| Magpie::Palette::Swatch.new(name:, colour: hex(colour), shared: true) })])

    it "makes a new palette that equals the file" do
      file = value("Peat" => "#121720", "Mist" => "lab(70 0 -5)")
      expect(described_class.perform(project, actor:, value: file).value).to eq file
      expect(project.palettes.reload.map(&:name)).to eq ["Night open house palette", "Star trail"]
    end

    it "settles each name that exists as chosen, in one undo" do
      into = described_class.perform(project, actor:, value: value("Peat" => "#121720", "Mist" => "#A9ADB8", "Lamp" => "#FFCE5C"))
      before = rows_of_everything
      described_class.perform(project, actor:, value: value("Peat" => "#000", "mist" => "#FFF", "Lamp" => "#FF0", "Moor" => "#1D2432"), into:, choices: {"0.0" => "ours", "0.1" => "theirs", "0.2" => "both"})
      expect(into.reload.value.groups[0].swatches.map { |swatch| [swatch.name, swatch.colour.hex] })
        .to eq [["Peat", "#121720"], ["Mist", "#FFFFFF"], ["Lamp", "#FFCE5C"], ["Lamp 2", "#FFFF00"], ["Moor", "#1D2432"]]
      undo(project)
      expect(rows_of_everything).to eq before
    end
  end

  describe "bad input" do
    it "leaves nothing behind" do
      before = [project.id, rows_of_everything, RecordedChange.count, Blob.count]
      expect { Changes::BringInSource.perform(project, actor:, name: "notes.png", bytes: "just words") }.to raise_error(Magpie::Error, /notes.png is not a picture/)
      expect { Changes::BringInArtwork.perform(project, actor:, name: "a.svg", bytes: "<svg><g></svg>") }.to raise_error(Magpie::Error, /a.svg is damaged/)
      expect { Changes::AddGroup.perform(project, actor:, palette: project.palettes.first, name: "every JOB") }.to raise_error(Magpie::Error, /already has a group called every JOB/)
      expect { new_project(" ") }.to raise_error(Magpie::Error, "A project needs a name")
      expect([project.id, rows_of_everything, RecordedChange.count, Blob.count]).to eq before
    end
  end
end
