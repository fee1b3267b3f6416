# A library of 50,000 entries: brought in, met with a newer version, looked through.
module Bench
  module Libraries
    module_function

    def rows(browser, health)
      project = Changes::StartProject.perform(actor: Actor.new, name: "Bench, library")
      value = Formats.palette(Formats::COUNT)
      library = nil
      came = once { library = bring_in(project, value) }
      inserted = once { plain(library) }
      Bench.row "A library of 50,000 entries brought in", came, "–", format("%.1f × copying its rows", came / inserted)
      Bench.row "Its newer version, which changes half of them", once { bring_in(project, newer(value), into: library, before: value) }, "–"
      Bench.row "Undoing that", once { Changes::History.undo(project, actor: Actor.new) }, "–"
      Record.connection.execute("ANALYZE")
      at = "/projects/#{project.id}/deliver/libraries/#{library.id}"
      {"first page" => at, "last page" => "#{at}?page=500", "searched" => "#{at}?search=4999"}.each do |words, path|
        shown = Bench.median(9) { Palettes.page(browser, path) }
        Bench.row "A library of 50,000, #{words}", shown, "< 100 ms", format("%.0f × an empty answer", shown / health)
      end
    end

    # What can be done once only.
    # @return [Float] milliseconds
    def once
      start = Process.clock_gettime(Process::CLOCK_MONOTONIC)
      yield
      (Process.clock_gettime(Process::CLOCK_MONOTONIC) - start) * 1000
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
