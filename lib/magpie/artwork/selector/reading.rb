module Magpie
  class Artwork
    class Selector
      # Reads one selector from its tokens. What only a person's doing brings about
      # (:hover) and what is no element (::before) is no matter of a drawing.
      class Reading
        NTH = /\A\s*(?:(odd|even)|([+-]?\d{0,9})n\s*(?:([+-])\s*(\d{1,9}))?|([+-]?\d{1,9}))\s*\z/i
        LONGEST = 60 # characters of it
        ALIKE = {
          "root" => ->(element) { element.parent.nil? }, "empty" => ->(element) { element.node.children.none? { |child| child.element? || child.text? } },
          "first-child" => ->(element) { element.place[0] == 1 }, "last-child" => ->(element) { element.place.uniq.size == 1 },
          "only-child" => ->(element) { element.place[1] == 1 }, "first-of-type" => ->(element) { element.among[0] == 1 },
          "last-of-type" => ->(element) { element.among.uniq.size == 1 }, "only-of-type" => ->(element) { element.among[1] == 1 }
        }.freeze
        # [which of the counts, from the end?]
        COUNTED = {"nth-child" => [:place, false], "nth-last-child" => [:place, true], "nth-of-type" => [:among, false], "nth-last-of-type" => [:among, true]}.freeze
        COMPARED = {
          "=": ->(has, value) { has == value }, include_match: ->(has, value) { has.split.include?(value) }, dash_match: ->(has, value) { has == value || has.start_with?("#{value}-") },
          prefix_match: ->(has, value) { !value.empty? && has.start_with?(value) }, suffix_match: ->(has, value) { !value.empty? && has.end_with?(value) },
          substring_match: ->(has, value) { !value.empty? && has.include?(value) }
        }.freeze

        def initialize(tokens)
          @tokens = tokens.dup
          @specificity = [0, 0, 0]
        end

        # @return [Array<Integer>] of what was read
        attr_reader :specificity

        # @return [Selector]
        # @raise [Unknown]
        def selector
          compounds, ways = [compound], []
          until @tokens.empty?
            ways << (way || break)
            compounds << compound
          end
          Selector.new(compounds.reverse, ways.reverse, @specificity)
        end

        # @return [Compound] all that there is
        # @raise [Unknown]
        def alone
          made = compound
          skip
          raise Unknown unless @tokens.empty?
          made
        end

        private

        def blank? = @tokens.first&.fetch(:node) == :whitespace

        def skip = blank? ? (@tokens.shift while blank?) : nil

        # What stands between two compounds; none at the end.
        def way
          spaced = blank?
          skip
          return if @tokens.empty?
          sign = @tokens.first[:value] if @tokens.first[:node] == :delim
          return (spaced ? " " : raise(Unknown)) unless [">", "+", "~"].include?(sign)
          @tokens.shift
          sign.tap { skip }
        end

        def compound
          skip
          made = Compound.new(nil, nil, [], [])
          read = 0
          read += 1 while simple(made)
          raise Unknown if read.zero?
          made
        end

        # @return [Boolean] was there one?
        def simple(made)
          token = @tokens.first or return false
          case token[:node]
          when :ident then type(made)
          when :hash then id(made)
          when :delim then mark(made)
          when :colon then pseudo(made)
          when :simple_block then attribute(made)
          when :whitespace then false
          else raise Unknown
          end
        end

        def type(made)
          raise Unknown if made.type
          made.type = @tokens.shift[:value]
          @specificity[2] += 1
        end

        def id(made)
          name = @tokens.shift[:value]
          raise Unknown if made.id && made.id != name
          made.id = Identifiers.safe(name)
          @specificity[0] += 1
        end

        # .class, and * which says nothing; combinators end the compound.
        def mark(made)
          case @tokens.first[:value]
          when "*" then @tokens.shift
          when "."
            @tokens.shift
            raise Unknown unless @tokens.first&.fetch(:node) == :ident
            made.classes |= [@tokens.shift[:value]]
            @specificity[1] += 1
          when ">", "+", "~" then false
          else raise Unknown
          end
        end

        def pseudo(made)
          @tokens.shift
          token = @tokens.shift or raise Unknown
          case token[:node]
          when :ident then made.tests << (ALIKE[token[:value].downcase] || raise(Unknown))
          when :function then return function(made, token[:name].downcase, token[:value])
          else raise Unknown
          end
          @specificity[1] += 1
        end

        def function(made, name, inside)
          return among(made, name, inside) if %w[not is where].include?(name)
          counts, from_end = COUNTED[name] || raise(Unknown)
          step, offset = nth(inside.map { |token| token[:raw] }.join)
          made.tests << ->(element) { counted?(element.public_send(counts), from_end, step, offset) }
          @specificity[1] += 1
        end

        def counted?((index, of), from_end, step, offset)
          index = of - index + 1 if from_end
          return index == offset if step.zero?
          ((index - offset) % step).zero? && (index - offset) / step >= 0
        end

        # [a, b] of an + b
        def nth(text)
          raise Unknown if text.size > LONGEST
          match = NTH.match(text) or raise Unknown
          return [2, (match[1].casecmp?("odd") ? 1 : 0)] if match[1]
          return [0, match[5].to_i] if match[5]
          [Integer("#{match[2]}#{"1" unless match[2].match?(/\d/)}", 10), "#{match[3]}#{match[4]}".to_i]
        end

        # Compounds without anything between them.
        def among(made, name, inside)
          readings = Css.split(inside).map { |tokens| Reading.new(tokens) }
          compounds = readings.map(&:alone)
          wanted = name != "not"
          made.tests << ->(element) { compounds.any? { |compound| compound.match?(element) } == wanted }
          @specificity = @specificity.zip(readings.map(&:specificity).max).map(&:sum) unless name == "where"
          true
        end

        def attribute(made)
          block = @tokens.shift
          inside = block[:value].reject { |token| token[:node] == :whitespace }
          name, sign, value, flag = inside
          raise Unknown unless block[:start] == "[" && name&.fetch(:node) == :ident && inside.size <= 4
          made.tests << (sign ? compared(name[:value], sign, value, flag) : ->(element) { !element[name[:value]].nil? })
          @specificity[1] += 1
        end

        def compared(name, sign, value, flag)
          compare = COMPARED[(sign[:node] == :delim) ? sign[:value].to_sym : sign[:node]]
          raise Unknown unless compare && value && %i[ident string].include?(value[:node])
          wanted = value[:value]
          return ->(element) { element[name]&.then { |has| compare.call(has, wanted) } } unless flag && flag[:value].casecmp?("i")
          ->(element) { element[name]&.then { |has| compare.call(has.downcase, wanted.downcase) } }
        end
      end
    end
  end
end
