module Magpie
  module Formats
    class Css < Format
      # Colours made from another by its channels (CSS Color 5, relative colours), and the
      # calculations in them (CSS Values 4), which are constant in a file of colours.
      class Channels
        MATHS = %w[calc min max clamp].freeze
        # What the channels are called in each function, and what the model's are multiplied
        # by to be what CSS says.
        NAMES = {
          "rgb" => [:srgb, %w[r g b], 255], "hsl" => [:hsl, %w[h s l], 1], "hwb" => [:hwb, %w[h w b], 1], "lab" => [:lab, %w[l a b], 1],
          "lch" => [:lch, %w[l c h], 1], "oklab" => [:oklab, %w[l a b], 1], "oklch" => [:oklch, %w[l c h], 1]
        }.freeze
        CONSTANTS = {"pi" => Math::PI, "e" => Math::E}.freeze
        DEEPEST = 20

        # @param value [Value]
        def initialize(value) = @value = value

        # @param name [String] of the function
        # @param nodes [Array<Hash>] what follows "from"
        # @return [Color]
        # @raise [Magpie::Error]
        def relative(name, nodes)
          origin, *rest = nodes.reject { |node| node[:node] == :whitespace }
          raise Error, "#{name}(from …) names no colour" unless origin
          origin = @value.colour([origin])
          model, names, scale, space = form(name, rest)
          keywords = names.zip(origin.in(model).map { |number| number * scale }).to_h.merge("alpha" => origin.alpha)
          split = rest.index { |node| node[:node] == :delim && node[:value] == "/" }
          numbers = rest.first(split || rest.size).map { |node| Channels.written(node, keywords) }
          alpha = split ? rest.drop(split + 1).map { |node| Channels.written(node, keywords) }.join(" ") : Notation::Forms.short(origin.alpha, 6)
          Notation.parse("#{name}(#{[space, *numbers].compact.join(" ")} / #{alpha})", lenient: true)
        end

        # A number with its unit, as text.
        # @param keywords [Hash{String => Float}]
        def self.written(node, keywords)
          return "none" if node[:node] == :ident && node[:value].casecmp?("none")
          number, unit = evaluate([node], keywords)
          raise Error, "a calculation comes to no number" unless number.finite?
          "#{format("%.9f", number)}#{unit}"
        end

        # @return [[Float, String]] a number and its unit
        def self.evaluate(nodes, keywords, depth = 0)
          raise Error, "its calculations are nested deeper than #{DEEPEST}" if depth > DEEPEST
          left = nodes.reject { |node| node[:node] == :whitespace }
          sum = product(left, keywords, depth)
          until left.empty?
            sign = left.shift
            raise Error, "a calculation has #{sign[:raw].to_s[0, 20].inspect} where + or − is expected" unless sign[:node] == :delim && %w[+ -].include?(sign[:value])
            other = product(left, keywords, depth)
            raise Error, "a calculation adds what has different units" unless other[1] == sum[1]
            sum = [sum[0].public_send(sign[:value], other[0]), sum[1]]
          end
          sum
        end

        def self.product(left, keywords, depth)
          made = operand(left.shift, keywords, depth)
          while left.first && left.first[:node] == :delim && %w[* /].include?(left.first[:value])
            by = left.shift[:value]
            other = operand(left.shift, keywords, depth)
            raise Error, "a calculation divides by nothing" if by == "/" && other[0].zero?
            raise Error, "a calculation multiplies two units" if !other[1].empty? && (by == "/" || !made[1].empty?)
            made = [made[0].public_send(by, other[0]), made[1].empty? ? other[1] : made[1]]
          end
          made
        end

        def self.operand(node, keywords, depth)
          case node&.[](:node)
          when :number then [node[:value].to_f, ""]
          when :percentage then [node[:value].to_f, "%"]
          when :dimension then angle(node)
          when :ident then keyword(node[:value].downcase, keywords)
          when :block then evaluate(node[:value], keywords, depth + 1)
          when :function then function(node, keywords, depth + 1)
          else raise Error, "a calculation lacks a number"
          end
        end

        def self.angle(node)
          factor = Notation::Arguments::ANGLES[node[:unit].to_s.downcase] or raise Error, "a calculation has the unit #{node[:unit].to_s[0, 20]}: expected an angle"
          [node[:value] * factor, ""]
        end

        def self.keyword(word, keywords)
          number = keywords[word] || CONSTANTS[word] or raise Error, "“#{word[0, 20]}” is no channel here#{": expected #{Text.list(keywords.keys)}" if keywords.any?}"
          [number, ""]
        end

        def self.function(node, keywords, depth)
          name = node[:name].downcase
          raise Error, "#{name[0, 20]}() is not calculated: expected #{Text.list(MATHS)}" unless MATHS.include?(name)
          return evaluate(node[:value], keywords, depth) if name == "calc"
          parts = Value.split(node[:value]).map { |part| evaluate(part, keywords, depth) }
          raise Error, "#{name}() compares what has different units" if parts.map(&:last).uniq.size != 1
          raise Error, "clamp() has #{Text.count(parts.size, "number")}: expected three" if name == "clamp" && parts.size != 3
          numbers = parts.map(&:first)
          numbers = [numbers[0], numbers.drop(1).min] if name == "clamp" # the lower end wins over the upper
          [(name == "min") ? numbers.min : numbers.max, parts[0][1]]
        end

        private

        def form(name, rest)
          known = NAMES[name.delete_suffix("a").then { |short| NAMES.key?(short) ? short : name }]
          return known if known
          space = rest.shift&.[](:value).to_s.downcase if name == "color"
          model = Notation::Forms::Spaces::NAMES[space] or raise Error, "#{name}(from …) is nothing that I know#{" in #{space[0, 20]}" if space}"
          [model, space.start_with?("xyz") ? %w[x y z] : %w[r g b], 1, space]
        end
      end
    end
  end
end
