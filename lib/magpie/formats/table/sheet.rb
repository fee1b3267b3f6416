module Magpie
  module Formats
    class Table < Format
      # The cells of a table, and where its headings are.
      class Sheet
        SEPARATORS = [",", ";", "\t", "|"].freeze
        HEADINGS = 20 # lines in which they are looked for
        WIDEST = 500 # columns
        LONGEST = 131_072 # characters of a cell

        # @!attribute line [Integer]
        # @!attribute cells [Array<String>]
        Row = Struct.new(:line, :cells)

        # @return [Array<Row>] those that are not empty, its headings among them
        attr_reader :rows
        # @return [String, nil] what was wrong with its quotation marks
        attr_reader :damage
        attr_reader :separator

        # @param text [String]
        def initialize(text)
          text = text.sub(/\Asep=(.)\n/, "")
          @skipped = $~ ? 1 : 0
          @separator = $~ ? $1 : likely(text)
          @rows = cut(text)
        end

        def width = @width ||= @rows.first(HEADINGS).map { |row| row.cells.size }.tally.max_by(&:last)&.first || 0

        # Are nearly all rows of one width?
        def even? = @rows.count { |row| row.cells.size == width } >= 0.8 * @rows.size

        # The row that has headings, and what they say.
        # @return [[Integer, Columns], nil]
        def told
          return @told if defined?(@told)
          @told = @rows.first(HEADINGS).each_with_index.lazy.filter_map { |row, index| columns(row, index)&.then { |columns| [index, columns] } }.first
        end

        # The row of headings that say nothing to us: words above numbers.
        # @return [Integer, nil]
        def untold = (!told && @rows.size > 1 && heading?(@rows[0]) && !heading?(@rows[1])) ? 0 : nil

        # What columns without headings seem to hold, from what stands in them.
        # @return [Columns, nil]
        def guessed
          return @guessed if defined?(@guessed)
          @guessed = Guessing.new(@rows.first(200).map(&:cells), width).columns
        end

        private

        # @return [Columns, nil] nil where it is no row of headings
        def columns(row, index)
          return unless heading?(row)
          Columns.told(row.cells, @rows[index + 1, HEADINGS].map(&:cells)).then { |columns| columns if columns.colour? }
        end

        # Numbers are no headings.
        def heading?(row) = row.cells.none? { |cell| cell.match?(/\A\s*(-?\d+([.,]\d+)?|#\h{3,8})\s*\z/) }

        # The one that cuts the first lines most evenly.
        def likely(text)
          lines = text.lines(chomp: true).first(40).reject { |line| line.strip.empty? }
          SEPARATORS.max_by.with_index do |separator, index|
            counts = lines.map { |line| line.gsub(/"[^"]*"/, "").count(separator) }
            usual, times = counts.tally.reject { |count, _| count.zero? }.max_by(&:last)
            [usual ? times.to_f / lines.size : 0, usual.to_i.clamp(0, 3), -index]
          end
        end

        def cut(text)
          parsed(text, '"')
        rescue CSV::MalformedCSVError => error
          @damage = "line #{error.line_number}: a quotation mark is left open, so all of them are read as they are"
          parsed(text, nil)
        end

        def parsed(text, quote)
          csv = CSV.new(text, col_sep: @separator, quote_char: quote, liberal_parsing: !quote.nil?, skip_blanks: false, row_sep: "\n")
          rows, before = [], 0
          while (cells = csv.shift)
            line, before = before + 1 + @skipped, csv.lineno
            raise Error.new("line #{line} has #{cells.size} columns: expected #{WIDEST} at most", place: "line #{line}") if cells.size > WIDEST
            rows << Row.new(line, cells.map { |cell| clean(cell) }) unless cells.all? { |cell| cell.nil? || cell.strip.empty? }
          end
          rows
        end

        def clean(cell) = cell ? cell[0, LONGEST].strip.delete_prefix("\uFEFF") : ""

        # Tells what columns hold by what stands in them.
        class Guessing
          MOSTLY = 0.9

          def initialize(rows, width)
            @rows, @width = rows, width
          end

          # @return [Columns, nil]
          def columns
            roles = {}
            hex = column { |cell| cell.match?(/\A#?\h{6}(\h{2})?\z|\A#\h{3}\z/) }
            notation = column { |cell| cell.match?(/[#(]/) && Notation.try(cell) }
            if hex then roles[hex] = "hex"
            elsif (run = numbers) then run.zip(%w[rgb_r rgb_g rgb_b]) { |index, role| roles[index] = role }
            elsif notation then roles[notation] = "colour"
            else return
            end
            name = column(roles.keys) { |cell| cell.match?(/\p{L}/) }
            roles[name] = "name" if name
            Columns.new([], roles)
          end

          private

          def column(taken = [], &block) = (0...@width).find { |index| !taken.include?(index) && mostly?(index, &block) }

          def mostly?(index) = @rows.count { |cells| yield cells[index].to_s } >= MOSTLY * @rows.size

          # Three columns of whole numbers to 255 beside each other.
          def numbers = (0..(@width - 3)).map { |start| [start, start + 1, start + 2] }.find { |run| run.all? { |index| mostly?(index) { |cell| cell.match?(/\A\d{1,3}\z/) && cell.to_i <= 255 } } }
        end
      end
    end
  end
end
