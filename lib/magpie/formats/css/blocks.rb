require "strscan"

module Magpie
  module Formats
    class Css < Format
      # Cuts a style sheet into declarations, at any depth of rules in rules (CSS Syntax 3,
      # CSS Nesting 1): comments, strings, escapes and brackets are passed over whole. What
      # stands in a value is looked at by Crass, and only where it is more than a colour.
      class Blocks
        DEEPEST = 32
        CHARACTERS = 8_000_000
        COMMENT = %r{/\*(.*?)(?:\*/|\z)}m
        PLAIN = /[^"'\/{};()\[\]\\\n]+/
        STRING = /"(?:[^"\\\n]|\\.)*"?|'(?:[^'\\\n]|\\.)*'?/m
        ESCAPE = /\\(?:(\h{1,6})[ \t\n]?|(.))/m
        DECLARATION = /\A\s*((?:[\w-]|[^\x00-\x7F]|\\(?:\h{1,6}[ \t\n]?|[^\n]))+)\s*:(.*)\z/m
        QUOTED = /\A“(.*?)”(?:: (.*))?\z/
        LONGEST_HEADING = 60

        # @!attribute name [String] of the property
        # @!attribute text [String] its value
        # @!attribute way [Array<String>] selectors and at-rules that it stands in
        # @!attribute section [String, nil] of the comment that stands above it
        # @!attribute line [Integer]
        # @!attribute comment [String, nil] that stands behind it
        Declaration = Struct.new(:name, :text, :way, :section, :line, :comment) do
          # @return [Array<Hash>] component values, see Nodes
          # @raise [Magpie::Error]
          def value = @value ||= Nodes.of(text)
        end

        # @return [String, nil] the first comment, before anything else
        attr_reader :header

        # @param text [String]
        # @param budget [Limits::Budget]
        def initialize(text, budget)
          raise Error, "it has #{Text.thousands(text.size)} characters: expected #{Text.thousands(CHARACTERS)} at most" if text.size > CHARACTERS
          @scanner, @budget = StringScanner.new(text), budget
          @found, @way, @sections = [], [], [nil]
          @line, @prelude, @depth, @bare = 1, +"", 0, true
        end

        # @return [Array<Declaration>]
        def declarations
          step until @scanner.eos?
          finish
          @found
        end

        # CSS Syntax 3, 4.3.7.
        def self.unescaped(text)
          return text unless text.include?("\\")
          text.gsub(ESCAPE) { ($1) ? character($1.hex) : $2 }
        end

        def self.character(code) = (code.zero? || code > 0x10FFFF || code.between?(0xD800, 0xDFFF)) ? "\uFFFD" : [code].pack("U")

        private

        def step
          @budget.spend(:elements)
          if (piece = @scanner.scan(PLAIN)) then plain(piece)
          elsif @scanner.skip(/\n/) then new_line
          elsif @scanner.scan(COMMENT) then comment(@scanner[1])
          elsif (piece = @scanner.scan(STRING) || @scanner.scan(ESCAPE)) then add(piece)
          else sign(@scanner.getch)
          end
        end

        def plain(piece)
          @bare &&= piece.match?(/\A\s*\z/)
          begin_prelude unless @bare
          @prelude << piece
        end

        def add(piece)
          begin_prelude
          @bare = false
          @prelude << piece
          @line += piece.count("\n")
        end

        # Declarations lie at the line where they begin.
        def begin_prelude = (@begun = @line if nothing_begun?)

        def nothing_begun? = @prelude.match?(/\A\s*\z/)

        def new_line
          @line += 1
          @bare = true
          @prelude << "\n"
        end

        def sign(sign)
          return bracket(sign) if "()[]".include?(sign)
          return add(sign) if @depth > 0 || sign == "/" || sign == "\\"
          @bare = false
          case sign
          when "{" then open_block
          when "}" then close_block
          else finish
          end
        end

        def bracket(sign)
          @depth = [@depth + ("([".include?(sign) ? 1 : -1), 0].max
          raise Error, "it has brackets nested deeper than #{DEEPEST}" if @depth > DEEPEST
          add(sign)
        end

        def open_block
          raise Error, "its rules are nested deeper than #{DEEPEST}" if @way.size >= DEEPEST
          @way << Text.name(Blocks.unescaped(@prelude), longest: 200)
          @sections << @sections.last
          @prelude = +""
        end

        def close_block
          finish
          @way.pop
          @sections.pop if @sections.size > 1
        end

        # One declaration is whole.
        def finish
          prelude, @prelude, @depth = @prelude, +"", 0
          name, text = DECLARATION.match(prelude)&.captures
          return unless name
          @last = Declaration.new(Blocks.unescaped(name), text.sub(/!\s*important\s*\z/i, "").strip, @way.dup, @sections.last, @begun || @line, nil)
          @found << @last
          @ended = @line
        end

        # Behind a declaration on its line it is of that; on a line of its own a heading.
        def comment(text)
          words = ornamented(text)
          if @bare
            @header ||= words if @found.empty? && @way.empty?
            @sections[-1] = words if heading?(words)
          elsif @last && @ended == @line && nothing_begun? then @last.comment ||= words
          end
          @line += text.count("\n")
        end

        # What is in “ ” and stands before all rules is how the palette is called.
        def heading?(words) = nothing_begun? && (words.match?(QUOTED) ? @way.any? : words.size.between?(1, LONGEST_HEADING))

        # Without the ornaments that people put around headings.
        def ornamented(comment)
          words = comment.strip
          words = words.gsub(/^\s*\*+(?=\s|$)/, "").strip.gsub(/\A[-=*#~_!─━═–—\s]+|[-=*#~_─━═–—\s]{2,}\z/, "") unless words.start_with?("“")
          Text.name(words, longest: 2300)
        end
      end
    end
  end
end
