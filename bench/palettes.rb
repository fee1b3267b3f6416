require_relative "../spec/support/chains"

# Large palettes: pages, twins, sharing, chains of tints.
module Bench
  module Palettes
    module_function

    def rows
      Bench.try("Pages of a large palette") { pages }
      Bench.try("Sharing among many places") { sharing }
      Bench.try("Chains") { chains }
    end

    def pages
      project = palette_of(Bench.many(2000, 100))
      Frame::Choices::VIEWS.each_key do |view|
        choose(project, view)
        taken = Bench.median(9) { Bench.page("/projects/#{project.id}/palettes") }
        promised = (view == "rows") ? "< 200 ms" : "–"
        Bench.row "Palette of 2,000 swatches, #{view}", taken, promised, Bench.times_health(taken)
      end
      twins(project)
      path = "/projects/#{project.id}/palettes/#{project.palettes.first.id}/health"
      Bench.row "Health of 2,000 swatches, all six checks", Bench.median(3) { Bench.page(path) }, "–"
    end

    # 1,000 swatches that follow one another in chains of five, 10,000 places.
    def chains
      project = Changes::StartProject.perform(actor: Actor.new, name: "Bench, chains")
      root = Chains.new(project, **Bench.many({}, {chains: 4, places: 40})).root
      Bench.analyze
      held = ::Following::Held.of(::Following::Graph.below([root.id]).followers).values.map(&:row)
      written = Bench.median(21) { Swatch.write(held) }
      changed = Bench.median(21) { Following.change(project, root.reload) }
      Bench.row "Change at the root of 1,000 swatches in chains of five, 10,000 places", changed, "≤ 100 ms", format("%.1f × writing a thousand values", changed / written)
    end

    def choose(project, view)
      token = Bench.browser.get("/projects/#{project.id}/palettes").body[/name="authenticity_token" value="([^"]+)"/, 1]
      Bench.browser.post("/projects/#{project.id}/choices", authenticity_token: token, view:)
    end

    def palette_of(count)
      project = Changes::StartProject.perform(actor: Actor.new, name: "Bench, #{count} swatches")
      random = Random.new(7)
      (count / 100).times do |number|
        colours = Array.new(100) { Magpie::Color.new(:srgb, Array.new(3) { random.rand }) }
        Changes::KeepGroup.perform(project, actor: Actor.new, palette: project.palettes.first, name: "Tray #{number + 1}", colours:)
      end
      project
    end

    def twins(project)
      colours = project.swatches.map(&:colour)
      some = Bench.median(1) { colours.first(100).combination(2) { |a, b| Magpie::Difference.de2000(a, b) } }
      plain = some * (colours.size / 100.0)**2
      found = Bench.median(9) { Magpie::Palette::Twins.pairs(colours) }
      Bench.row "Twins of 2,000 swatches", found, "≤ 300 ms", format("%.4f × one by one, from 100", found / plain)
    end

    # 10,000 places of 500 colours in 100 artworks, every twentieth the swatch's.
    def sharing
      project = Changes::StartProject.perform(actor: Actor.new, name: "Bench, strays")
      random = Random.new(11)
      hexes = Array.new(500) { format("#%06X", random.rand(0x1000000)) }
      hexes[0] = "#E46F58"
      Bench.many(100, 2).times do |number|
        shapes = (1..100).map { |n| %(<rect x="#{n}" width="9" height="9" fill="#{(n % 20 == 0) ? hexes[0] : hexes.sample(random:)}"/>) }.join
        Changes::BringInArtwork.perform(project, actor: Actor.new, name: "Card #{number}.svg", bytes: %(<svg xmlns="http://www.w3.org/2000/svg" width="90" height="60">#{shapes}</svg>))
      end
      swatch = Changes::KeepColour.perform(project, actor: Actor.new, group: project.groups.first, name: "Ember", colour: Magpie::Notation.parse("#E46F58"))
      actor = Actor.new
      Bench.row "Candidates of one swatch over 10,000 places, exact and near", Bench.median(9) { Candidates.of(actor, [swatch], limit: 5.0).by_artwork }, "–"
      ticks = Candidates.of(actor, [swatch], limit: 5.0).by_artwork.values.flatten.select(&:exact?).map(&:tick)
      linked = nil
      shared = Bench.median(9, after: -> { Changes::LoosenSwatches.perform(project, actor: Actor.new, swatches: [swatch.reload]) }) do
        linked = Changes::ShareSwatches.perform(project, actor: Actor.new, swatches: [swatch.reload], ticks:, limit: 5.0).linked
      end
      Bench.row "Sharing it among those 10,000 places, #{linked} of them linked", shared, "≤ 300 ms"
    end
  end
end
