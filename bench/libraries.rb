# A library of 50,000 entries: brought in, met with a newer version, looked through.
module Bench
  module Libraries
    module_function

    def rows
      project = Changes::StartProject.perform(actor: Actor.new, name: "Bench, library")
      value = Formats.palette(Formats::COUNT)
      library = nil
      came = Bench.once { library = bring_in(project, value) }
      inserted = Bench.once { plain(library) }
      Bench.row "A library of 50,000 entries brought in", came, "–", format("%.1f × copying its rows", came / inserted)
      again = Bench.once { bring_in(project, newer(value), into: library, before: value) }
      Bench.row "Its newer version, which changes half of them", again, "–"
      Bench.row "Undoing that", Bench.once { Changes::History.undo(project, actor: Actor.new) }, "–"
      Bench.analyze
      at = "/projects/#{project.id}/deliver/libraries/#{library.id}"
      last = "#{at}?page=#{Bench.many(500, 2)}"
      {"first page" => at, "last page" => last, "searched" => "#{at}?search=4999"}.each do |words, path|
        shown = Bench.median(9) { Bench.page(path) }
        Bench.row "A library of 50,000, #{words}", shown, "< 100 ms", Bench.times_health(shown)
      end
    end

    NAMES = %w[Ember Tarn Moor Lantern Peat Gorse Heather Slate Fathom Beacon Rowan Thrift Kestrel Curlew Bracken].freeze

    # Matched against 100,000 entries, of which many are called alike.
    def matched
      project = Changes::StartProject.perform(actor: Actor.new, name: "Bench, matching")
      share = ->(n, by) { n * by % 1 }
      swatches = Array.new(Bench.many(100_000, 500)) do |n|
        name = "#{NAMES[n % 15]} #{NAMES[n / 15 % 15].downcase} #{n / 225}"
        Magpie::Palette::Swatch.new(name:, code: format("WC %05d", n), colour: Magpie::Color.new(:srgb, [0.8191725134, 0.6710436067, 0.5497004779].map { |by| share.call(n, by) }))
      end
      library = bring_in(project, Magpie::Palette.new(name: "Wide chart", groups: [Magpie::Palette::Group.new(name: "Wide chart", swatches:)]))
      Bench.analyze
      at = "/projects/#{project.id}/match"
      first = Bench.once { Bench.page("#{at}?search=%23E46F58") }
      Bench.row "Match among 100,000 entries, asked the first time", first, "–"
      {"nearest" => "#{at}?search=%23E46F58", "searched" => "#{at}?search=kestrel", "browsed" => "#{at}/browse?library=#{library.id}"}.each do |words, path|
        shown = Bench.median(9) { Bench.page(path) }
        Bench.row "Match among 100,000 entries, #{words}", shown, "< 100 ms", Bench.times_health(shown)
      end
      sought([library.reload])
    end

    def sought(libraries)
      {"a code" => "WC 00420", "a number" => "420", "a name" => "kestrel", "two letters that nothing has" => "xq", "a name spelt roughly" => "kestrl", "another" => "brakken"}.each do |words, text|
        Bench.row "Search among 100,000 entries, #{words}", Bench.median(9) { SoughtEntries.new(libraries, text).ids }, "≤ 50 ms"
      end
    end

    def bring_in(project, value, **given) = Changes::BringInLibrary.perform(project, actor: Actor.new, value:, **given)

    # The same rows once more, by the database alone.
    def plain(library)
      columns = Changes::BringInLibrary::COLUMNS.split(", ")
      Record.connection.execute("CREATE TEMP TABLE copied AS SELECT #{columns.join(", ")} FROM entries WHERE library_id = #{library.id}")
    end

    def newer(value)
      swatches = value.swatches.each_with_index.map { |swatch, index| index.even? ? swatch : swatch.dup.tap { |copy| copy.colour = Magpie::Notation.parse("#808080") } }
      Magpie::Palette.new(name: value.name, groups: [Magpie::Palette::Group.new(name: value.name, swatches:)])
    end
  end
end
