require "strscan"

module Magpie
  module Formats
    class Cgats < Format
      # Cuts a file into tables: their keywords, fields and sets of data.
      class Blocks
        WORD = /"((?:[^"]|"")*)"|[^\s"]\S*/
        MOST_FIELDS = 2_000

        # @!attribute keywords [Hash{String => String}]
        # @!attribute fields [Array<String>]
        # @!attribute sets [Array<[Integer, Array<String>]>] line and cells
        Table = Struct.new(:keywords, :fields, :sets)

        # @return [Array<[Integer, String]>] line, and what is wrong there
        attr_reader :problems

        # @param text [String]
        # @param budget [Limits::Budget]
        def initialize(text, budget)
          @text, @budget = text, budget
          @tables, @problems = [], []
        end

        # @return [Array<Table>]
        def tables
          @keywords, @fields, @inside, @waiting = {}, [], nil, []
          @text.each_line(chomp: true).with_index(1) do |line, number|
            @budget.spend(:lines)
            words = words(line)
            step(words, number) unless words.empty?
          end
          @problems << [@text.count("\n") + 1, "the data has no end: END_DATA is missing"] if @inside == :data
          @tables
        end

        private

        # Without remarks, which begin with #.
        def words(line)
          line.include?('"') ? quoted(line) : line.sub(/(\A|\s)#.*/, "").split
        end

        def quoted(line)
          scanner, words = StringScanner.new(line), []
          until scanner.skip(/\s*/) && scanner.eos?
            break if scanner.match?(/#/)
            word = scanner.scan(WORD) or break words << scanner.rest
            words << (word.start_with?('"') ? word[1..-2].gsub('""', '"') : word)
          end
          words
        end

        def step(words, line)
          case words.first
          when "BEGIN_DATA_FORMAT" then @fields, @inside = words.drop(1), :format
          when "END_DATA_FORMAT" then @inside = nil
          when "BEGIN_DATA" then begin_data(line)
          when "END_DATA" then end_data(line)
          else
            case @inside
            when :format then fields(words)
            when :data then data(words, line)
            else keyword(words)
            end
          end
        end

        def fields(words)
          @fields.concat(words)
          raise Error, "it has more than #{MOST_FIELDS} fields" if @fields.size > MOST_FIELDS
        end

        def begin_data(line)
          @problems << [line, "data without fields: BEGIN_DATA_FORMAT is missing"] if @fields.empty?
          @tables << Table.new(@keywords, @fields, [])
          @keywords, @inside, @waiting = {}, :data, []
        end

        # A set may go on over several lines.
        def data(words, line)
          return if @fields.empty?
          @started = line if @waiting.empty?
          @waiting.concat(words)
          return if @waiting.size < @fields.size
          if @waiting.size > @fields.size && words.size >= @fields.size then @problems << [line, "#{@waiting.size} values for #{@fields.size} fields: left out"]
          else @tables.last.sets << [@started, @waiting.first(@fields.size)]
          end
          @waiting = []
        end

        def end_data(line)
          @problems << [line, "the last set has #{@waiting.size} values for #{@fields.size} fields: left out"] if @waiting.any?
          @inside, @waiting = nil, []
        end

        def keyword(words) = (@keywords[words.first] = words.drop(1).join(" ") if @keywords.size < 1000)
      end
    end
  end
end
