module Bench
  # Changes of a swatch that is followed in every one of its artworks.
  module Following
    module_function

    def rows
      few, many = swatch_with(100, 2), swatch_with(Bench.many(10_000, 200), Bench.many(200, 4))
      few_ms, many_ms = by_turns(few, many)
      Bench.row "Change of a shared swatch, 100 places", few_ms, "< 50 ms"
      beside = format("%.2f × that of 100 places", many_ms / few_ms)
      Bench.row "Change of a shared swatch, 10,000 places in 200 artworks", many_ms, "< 50 ms", beside
      Bench.analyze
      project, swatch = many
      open = Bench.median(20) { Bench.page("/projects/#{project.id}/dress?mix=#{swatch.id}") }
      Bench.row "Dress with Mix open, 10,000 places in 200 artworks", open, "–", Bench.times_health(open)
    end

    # Taken by turns, so that both meet the same moments of the machine.
    def by_turns(*pairs)
      times = pairs.to_h { |pair| [pair, []] }
      Bench.many(120, 1).times { times.each { |pair, list| list << Bench.median(1) { change(*pair) } } }
      times.values.map { |list| list.sort[list.size / 2] }
    end

    def swatch_with(places, artworks)
      project = Changes::StartProject.perform(actor: Actor.new, name: "Bench #{places}")
      colour = Magpie::Notation.parse("#E46F58")
      swatch = Swatch.create!(group: project.groups.first, name: "Ember", colour:, shared: true, position: 1)
      shapes = (1..places / artworks).map { |n| %(<rect x="#{n}" width="9" height="9" fill="#E46F58"/>) }.join
      svg = %(<svg xmlns="http://www.w3.org/2000/svg" width="90" height="60">#{shapes}</svg>)
      bring = ->(name) { Changes::BringInArtwork.perform(project, actor: Actor.new, name:, bytes: svg) }
      artworks.times { |n| bring.call("Card #{n}.svg") }
      Demo.link(Place.where(artwork_id: project.artworks.select(:id), hex: "#E46F58"), swatch)
      raise "expected #{places} places" unless swatch.places.count == places
      [project, swatch]
    end

    def change(project, swatch)
      @turn = !@turn
      colour = Magpie::Notation.parse(@turn ? "#52A3CC" : "#E46F58")
      given = {swatch:, colour:, definition: colour.hex, before: swatch.hex}
      Changes::ChangeSwatch.perform(project, actor: Actor.new, **given)
    end
  end
end
