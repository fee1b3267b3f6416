module Magpie
  module Formats
    class Table < Format
      # Reads one table. Places in notes are lines.
      class Reader
        SAMPLES = 5
        # What a spreadsheet would take for a formula is written with ’ before it.
        GUARDED = /\A'+[=+\-@]/

        # @param source [Source]
        # @param roles [Hash{Integer => String}, nil] by hand
        def initialize(source, roles = nil, budget = Limits.palette)
          @builder = Builder.new(source, budget)
          @sheet = Sheet.new(source.text)
          @heading, told = @sheet.told || [@sheet.untold, nil]
          @columns = roles ? by_hand(roles, told) : told || @sheet.guessed || Columns.new(headings, {})
          @body = @sheet.rows.drop((@heading || -1) + 1)
          @columns.samples = @body.first(SAMPLES).map(&:cells)
        end

        # @return [Result]
        def result
          @builder.budget.spend(:lines, @body.size)
          @builder.note(nil, @sheet.damage) if @sheet.damage
          before = @sheet.rows.first(@heading || 0)
          @builder.note("line #{before[0].line}", "no colour, read as a title", before[0].cells.join(" ")) if before.any?
          return unknown unless @columns.colour?
          @rows = Rows.new(@columns, @body.map(&:cells))
          @body.each { |row| @builder.trying("line #{row.line}", row.cells.join(@sheet.separator)) { read(row) } }
          note_columns unless @by_hand
          how = if @by_hand
            "with columns as assigned"
          else
            (@sheet.told ? "recognised by its headings" : "without headings, told by what stands in it")
          end
          @builder.result(words: ["A table in #{@builder.source.encoding}, #{how}", *@rows.units].join("; "), columns: @columns)
        end

        private

        # Columns that something stands in, and that nobody knows.
        def note_columns
          left = headings.each_with_index.reject { |_, index| @columns.roles.key?(index) || @body.all? { |row| row.cells[index].to_s.empty? } }.map { |heading, _| "“#{heading[0, 40]}”" }
          return if left.empty?
          @builder.note(nil, (left.size == 1) ? "the column #{left[0]} is left out" : "the columns #{Text.list(left.first(12))}#{" …" if left.size > 12} are left out")
        end

        def by_hand(roles, told)
          @by_hand = true
          known = roles.select { |_, role| Columns.roles.key?(role) && !role.empty? }
          raise Error, "two columns are “#{Columns.roles[known.values.tally.find { |_, times| times > 1 }.first]}”: expected one of each" if known.values.uniq.size < known.size
          Columns.new(headings, known, told ? told.units : {})
        end

        def headings = @heading ? @sheet.rows[@heading].cells : []

        def unknown
          @builder.note(nil, "what its columns hold cannot be told: say which is which")
          @builder.result(words: "A table in #{@builder.source.encoding}, whose columns are not recognised", columns: @columns)
        end

        def read(row)
          colour = @rows.colour(row.cells) or return @builder.note("line #{row.line}", "no colour, left out", row.cells.join(@sheet.separator))
          name = cell(row, "name")
          name = suggested(row, colour) if name.empty? && @columns["name"]
          inks = @rows.inks(row.cells) unless colour.model == :cmyk
          group = cell(row, "group")
          @builder.add(group.empty? ? @builder.source.stem : group, name:, colour:, inks:, note: cell(row, "note"), code: cell(row, "code"), library: cell(row, "library"), kind: (cell(row, "kind").match?(/spot/i) ? "spot" : nil),
            page: presence(cell(row, "page")), position: presence(cell(row, "position")))
        end

        def suggested(row, colour)
          ColorName.suggest(colour).tap { |name| @builder.note("line #{row.line}", "no name: called “#{name}”", row.cells.join(@sheet.separator)) }
        end

        def cell(row, role)
          index = @columns[role] or return ""
          text = row.cells[index].to_s
          Text.name(text.match?(GUARDED) ? text[1..] : text, longest: 2000)
        end

        def presence(text) = text.empty? ? nil : text[0, 40]
      end
    end
  end
end
