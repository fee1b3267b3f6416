require "support/desks"

RSpec.describe Frame, :data do
  let(:project) { new_project }
  let(:ember) { keep(project, "Ember sky", "#E46F58") }

  describe Frame::Desk do
    it "shows what the project uses, and what is opened beside it" do
      other = new_project("Star trail").palettes.first
      ember
      own = desk(project)
      expect([own.palettes, own.shown_palettes, own.used_chips.map(&:name).first]).to eq [project.palettes.to_a, project.palettes.to_a, "Ember sky"]
      both = desk(project, opened: [other.id, project.palettes.first.id, 0])
      expect(both.shown_palettes).to eq [*project.palettes, other]
      expect(both.shown_chips.size).to be > both.used_chips.size
      expect(both.used_index.nearest(ember.colour).first.id).to eq ember.id
      expect(both.values).to start_with("--swatch-#{ember.id}:#E46F58")
    end

    it "keeps new groups where was kept last, and says when there is no palette" do
      second = Changes::AddPalette.perform(project, actor:, name: "Night")
      expect(desk(project.reload).palette_for_groups).to eq project.palettes.first
      desk(project).tap { |each| each.keep_in(second.groups.first) }.hand.settle
      expect([desk(project).kept_in, desk(project).palette_for_groups]).to eq [second.groups.first.id, second]
      expect(desk(project, visitor: "two").kept_in).to eq 0
      expect { desk(Project.create!(name: "Bare")).palette_for_groups }.to raise_error(Magpie::Error, /no palette/)
    end

    it "mixes a swatch, or what is in hand, and nothing that is not there" do
      hold(project, ember)
      expect([desk(project).mixing(nil), desk(project).mixing("")]).to eq [nil, nil]
      expect(desk(project).mixing(ember.id.to_s).swatch_id).to eq ember.id
      expect([desk(project).mixing("hand").swatch_id, desk(project).mixing("hand").hex]).to eq [nil, "#E46F58"]
      expect([desk(project).mixing("0"), desk(project).mixing("999999")]).to eq [nil, nil]
    end
  end

  describe Frame::Sheet do
    def sheet(swatch) = described_class.new(desk(project).mixing(swatch.id.to_s), desk(project))

    it "tells what follows a shared swatch, and which places hold a loose one's value" do
      bring_in_poster(project)
      lamp = keep(project, "Lamp", "#FFCE5C")
      loose = sheet(lamp)
      expect([loose.shared?, loose.fixed?, loose.held, loose.reach.total, loose.variable]).to match [false, be_falsey, 8, 0, "--swatch-#{lamp.id}"]
      share(project, lamp)
      Changes::LockSwatches.perform(project, actor:, swatches: [lamp.reload], locked: true)
      shared = sheet(lamp)
      expect([shared.shared?, shared.fixed?, shared.held, shared.reach.total, shared.reach.words, shared.reach.more]).to eq [true, true, 0, 8, "8 places in 1 artwork", 0]
    end

    it "stands its sliders where the colour is, those of wide models beyond the screen too" do
      vivid = keep(project, "Vivid", "oklch(0.7 0.35 150)")
      choose(project, {"models" => "rgb,oklch"})
      models = sheet(vivid).models
      expect(models.keys).to eq %i[rgb oklch]
      expect(models[:oklch].map(&:value)).to eq [0.7, 0.35, 150.0]
      expect(models[:rgb].map(&:value)).to all(be_between(0, 255))
      expect([models[:rgb], models[:oklch]].map { |channels| channels.map(&:wide).uniq }).to eq [[false], [true]]
      expect(sheet(vivid).typed).to start_with("oklch(")
      expect(sheet(keep(project, "Half", "rgb(228 111 88 / 0.5)")).opacity).to eq 50
    end
  end

  describe Frame::FindList do
    it "lists all finds, or those of the picture that is looked at" do
      one, two = %w[dusk moor].map { |name| Changes::BringInSource.perform(project, actor:, name: "#{name}.png", bytes: flat_picture(9, 9, [228, 111, 88]).pngsave_buffer) }
      [one, two].each { |source| Changes::TakeReading.perform(project, actor:, readable: source, aim: Aim.new(way: "square", x: 4, y: 4, size: 5)) }
      all = described_class.new(desk(project), one)
      expect([all.shown.size, all.source, all.choice?]).to eq [2, nil, true]
      choose(project, {"listed" => "here"})
      here = described_class.new(desk(project), two)
      expect([here.shown.map(&:readable), here.source]).to eq [[two], two]
      expect(here.card(here.shown.first)).to include("5 × 5 px at 4, 4 of moor")
      expect([described_class.new(desk(project), nil).choice?, described_class.new(desk(project), bring_in_poster(project)).nothing]).to match [false, /Nothing has been read/]
    end
  end

  describe Frame::Head do
    it "says what undo and redo would do, and for whom the job is" do
      head = -> { described_class.new(project, "one") }
      expect([head.call.undo, head.call.redo]).to eq [nil, nil]
      ember
      expect([head.call.undo.words, head.call.redo]).to eq ["Kept Ember sky in First colours", nil]
      undo(project)
      expect([head.call.undo, head.call.redo.words]).to eq [nil, "Kept Ember sky in First colours"]
      expect([head.call.job, head.call.title]).to eq [["Quillmere Observatory", "night open house"], "Quillmere Observatory, Night open house"]
      expect(described_class.new(Project.create!(name: "Moor fair"), "one").job).to eq ["Moor fair", nil]
    end
  end
end
