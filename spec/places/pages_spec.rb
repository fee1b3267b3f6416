require "support/desks"

RSpec.describe Places, :data do
  let(:project) { new_project }
  let(:ember) { keep(project, "Ember sky", "#E46F58") }

  def source(name, red) = Changes::BringInSource.perform(project, actor:, name: "#{name}.png", bytes: flat_picture(20, 10, [red, 111, 88]).pngsave_buffer)

  def read(readable, x, y) = Changes::TakeReading.perform(project, actor:, readable:, aim: Aim.new(way: "square", x:, y:, size: 1))

  describe Places::Gather::Page do
    def page(**given) = described_class.new(desk(project), asking(**given))

    it "looks at what is asked for, what the find came from, or the first" do
      one, two = source("dusk", 228), source("moor", 40)
      find = read(two, 3, 4)
      expect([page.looked, page(source: two.id).looked, page(find: find.id).looked, page(source: 0, find: 0).looked]).to eq [one, two, two, one]
      expect([described_class.new(desk(new_project("Empty")), asking).looked, described_class.new(desk(new_project("Bare")), asking).pins]).to eq [nil, []]
    end

    it "holds two others beside it at most, and adds or takes one away" do
      one, two, three, four = %w[a b c d].each_with_index.map { |name, index| source(name, 50 * index) }
      beside = page(source: one.id, with: [one, two, three, four].map(&:id).join(","))
      expect(beside.compared).to eq [two, three]
      expect([beside.with_or_without(two), beside.with_or_without(four)]).to eq [three.id.to_s, "#{three.id},#{four.id}"]
      expect(page(source: one.id, with: two.id).with_or_without(two)).to be_nil
    end

    it "puts a find's pin at the same share of every picture beside" do
      one = source("dusk", 228)
      large = Changes::BringInSource.perform(project, actor:, name: "large.png", bytes: flat_picture(40, 20, [1, 2, 3]).pngsave_buffer)
      find = read(one, 4, 2)
      first, second = page(source: one.id, with: large.id, find: find.id).shown
      expect([first, second].map { |shown| shown.pins.map { |pin| [pin.left, pin.top, pin.own, pin.current, pin.movable] } }).to eq [[[22.5, 25.0, true, true, true]], [[22.5, 25.0, false, true, false]]]
      expect([first.first?, second.first?, first.width, second.width]).to eq [true, false, 20, 40]
      expect(page(source: one.id, with: large.id, find: find.id).reading.beside.map { |other| [other.name, other.colour.hex] }).to eq [["large", "#010203"]]
    end

    it "says what is close to a find, and how even it is" do
      ember
      reading = page(find: read(source("dusk", 228), 3, 4).id).reading
      expect(reading.close.map { |close| [close.swatch.id, close.group, close.difference.round(2)] }).to eq [[ember.id, project.groups.first, 0.0]]
      expect([reading.verdict, reading.spread_share, reading.copied]).to eq ["Even. Safe to keep as one colour.", 0.0, nil]
      choose(project, {"copying" => "on", "favourite" => "rgb"})
      expect(page(find: project.finds.first.id).reading.copied).to eq "rgb(228 111 88)"
    end
  end

  it "says what a part is painted with, or why there is no one colour" do
    poster = bring_in_poster(project)
    expect(PartColour.new(poster, numbers(poster, "ember_band").first, "fill").colour.hex).to eq place(poster, "ember_band").hex
    expect { PartColour.new(poster, numbers(poster, "ember_band").first, "line").colour }.to raise_error(Magpie::Error, /no line of one colour: it is none/)
    expect { PartColour.new(poster, 999, "fill") }.to raise_error(Magpie::Error, "Poster has no such part")
  end

  describe Places::Dress::Page do
    def page(picks: [0, []], **given) = described_class.new(desk(project), asking(**given), picks)

    it "shows an artwork, its strays with the nearest swatch, and the part that is picked" do
      expect([page.artwork, page.picked, page.tool]).to eq [nil, nil, "pick"]
      lamp = keep(project, "Lamp", "#FFCE5D")
      poster = bring_in_poster(project)
      project.reload
      stray = page.colours.strays.find { |each| each.hex == "#FFCE5C" }
      expect([stray.near.id, stray.same?, stray.near?, page.artwork.part_count]).to eq [lamp.id, false, true, poster.parts.where(kind: "part").count]
      fill = page(picks: [poster.id, numbers(poster, "ember_band")]).picked.paints.first
      expect([fill.role, fill.shape, fill.name, fill.opacity, fill.detail]).to eq ["fill", "fill", place(poster, "ember_band").hex, 100, "stray"]
      hold(project, lamp)
      expect([page.tool, page(tool: "pick").tool, page.held.id, page.reach.total]).to eq ["sweep", "pick", lamp.id, 0]
      expect([[poster.id, [999]], [poster.id + 1, [0]], [poster.id, []]].map { |picks| page(picks:).picked }).to eq [nil, nil, nil]
    end

    it "says what several parts have in common, and what is mixed" do
      poster = bring_in_poster(project)
      ember = keep(project, "Ember", "#E46F58")
      share(project, ember)
      place(poster, "moor").update!(opacity: 0.5)
      picked = ->(*keys) { page(picks: [poster.id, numbers(poster, *keys)]).picked.paints.to_h { |paint| [paint.role, [paint.name, paint.detail, paint.opacity, paint.mixed]] } }
      expect(picked.call("ember_band")).to eq "fill" => ["Ember", "shared", 100, false], "line" => ["None", "", nil, false]
      expect(picked.call("ember_band", "moor")["fill"]).to eq ["Mixed", "2 different", nil, true]
      place(poster, "plum_band").update!(place(poster, "moor").slice(:hex, :colour))
      expect(picked.call("plum_band", "moor")["fill"]).to eq ["#121720", "stray", nil, false]
      expect(page(picks: [poster.id, (0..19).to_a]).picked.label).to eq "20 parts"
    end
  end

  describe Places::Mix::Panel do
    def panel(kind, before: "#231F55", **given) = kind.new(hex("#E2705A"), hex(before), desk(project), asking(**given))

    it "mixes with what was before, a find or a swatch, in every way" do
      mixture = panel(Places::Mix::Mixture, other: "swatch-#{ember.id}", share: 100)
      expect([mixture.other.name, mixture.ways.map { |way| way.mixed.hex }.uniq]).to eq ["Ember sky", ["#E46F58"]]
      expect(panel(Places::Mix::Mixture).other.name).to eq "what was before"
      expect([panel(Places::Mix::Mixture).share, panel(Places::Mix::Mixture, share: 400).share]).to eq [50.0, 100.0]
    end

    it "grades contrast at the numbers of WCAG, and finds the nearest of the house" do
      elsewhere = keep(new_project("Star trail"), "Near", "#E2705B")
      checks = Places::Mix::Checks.new(hex("#767676"), hex("#111111"), desk(project), asking)
      expect(checks.contrasts.first(2).map { |on| [on.words, on.ratio.round(2), on.grade] }).to eq [["on white", 4.54, "good for text"], ["on black", 4.62, "good for text"]]
      expect(panel(Places::Mix::Checks).near.map(&:name)).to include elsewhere.name
    end

    it "begins with another swatch while nothing has moved, and counts its steps" do
      keep(project, "Indigo", "#231F55")
      between = panel(Places::Mix::Between, before: "#E2705A", steps: 4)
      expect([between.from.name, between.steps.size]).to eq ["Indigo", 6]
      expect(panel(Places::Mix::Between, from: "before").title).to eq "Between before and now"
      expect(panel(Places::Mix::Harmony, rule: "nonsense").rule).to eq :split
      base = panel(Places::Mix::Harmony).members.find(&:base)
      expect(Math.hypot(base.x, base.y)).to be_within(0.2).of(46)
      expect(panel(Places::Mix::Tints, swatch: ember.id).parent.id).to eq ember.id
    end
  end
end
