module Magpie
  module Formats
    class Css < Format
      # What the value of a property comes to: custom properties put in, colours mixed and
      # made from others, as far as the file says all that it needs. CSS Color 5, CSS
      # Custom Properties 1.
      class Value
        FUNCTIONS = [*Notation::Forms::ALL.keys, "color-mix", "light-dark"].freeze
        MOST = 2_000 # component values that one may come to

        # @param variables [Hash{String => Blocks::Declaration}] custom properties
        # @param budget [Limits::Budget]
        def initialize(variables, budget)
          @variables, @budget = variables, budget
          @made = {}
        end

        # @param nodes [Array<Hash>]
        # @return [Array<Array<Hash>>] what stands between commas, without blanks at the ends
        def self.split(nodes)
          nodes.slice_when { |before, _| before[:node] == :comma }.map { |part| trimmed(part.reject { |node| node[:node] == :comma }) }
        end

        def self.trimmed(nodes) = nodes.drop_while { |node| node[:node] == :whitespace }.reverse.drop_while { |node| node[:node] == :whitespace }.reverse

        # @return [String, nil] the custom property, where the value is nothing else
        def self.variable(nodes)
          node = nodes.first
          node[:value].find { |each| each[:node] == :ident }&.[](:value) if nodes.size == 1 && function?(node, "var")
        end

        def self.function?(node, name) = node[:node] == :function && node[:name].casecmp?(name)

        # With what custom properties hold.
        # @return [Array<Hash>]
        # @raise [Magpie::Error] where one holds itself, or is not in the file
        def whole(nodes, passed = [])
          made = nodes.flat_map do |node|
            next [node] unless node[:value].is_a?(Array)
            @budget.spend(:steps_of_work)
            Value.function?(node, "var") ? held(node, passed) : [node.merge(value: whole(node[:value], passed))]
          end
          raise Error, "it comes to more than #{Text.thousands(MOST)} pieces" if made.size > MOST
          made
        end

        # Is it meant to be a colour?
        # @param nodes [Array<Hash>] whole
        def self.colour?(nodes)
          nodes = trimmed(nodes)
          return false unless nodes.size == 1
          node = nodes[0]
          case node[:node]
          when :hash then node[:value].match?(/\A\h{3,8}\z/)
          when :ident then node[:value].casecmp?("currentcolor") || !Notation.named(node[:value].downcase).nil?
          when :function then FUNCTIONS.include?(node[:name].downcase)
          else false
          end
        end

        # @param nodes [Array<Hash>] whole
        # @return [Array<Color>] one, or that of light pages and that of dark ones
        # @raise [Magpie::Error]
        def colours(nodes)
          node = Value.trimmed(nodes).first
          return [colour(nodes)] unless node && Value.function?(node, "light-dark")
          parts = Value.split(node[:value])
          raise Error, "light-dark() has #{Text.count(parts.size, "colour")}: expected two" unless parts.size == 2
          parts.map { |part| colour(part) }
        end

        # @return [Color]
        # @raise [Magpie::Error]
        def colour(nodes)
          nodes = Value.trimmed(nodes)
          raise Error, "“#{written(nodes)[0, 40]}” is not one colour" unless nodes.size == 1
          node = nodes[0]
          @budget.spend(:steps_of_work)
          case node[:node]
          when :function then function(node)
          when :ident then named(node[:value])
          else Notation.parse(node[:raw].to_s, lenient: true)
          end
        end

        private

        def named(word)
          raise Error, "#{word} depends on where it is used" if word.casecmp?("currentcolor") || %w[inherit initial unset revert].include?(word.downcase)
          Notation.parse(word, lenient: true)
        end

        def function(node)
          case node[:name].downcase
          when "light-dark" then colours([node]).first
          when "color-mix" then Mixing.new(self).mix(node[:value])
          else
            arguments = Value.trimmed(node[:value])
            return Channels.new(self).relative(node[:name].downcase, arguments.drop(1)) if arguments.first&.[](:node) == :ident && arguments.first[:value].casecmp?("from")
            Notation.parse("#{node[:name]}(#{written(arguments)})", lenient: true)
          end
        end

        # As text that Notation reads, calculations done.
        def written(nodes)
          nodes.map do |node|
            next node[:raw].to_s unless node[:value].is_a?(Array)
            (node[:node] == :function && Channels::MATHS.include?(node[:name].downcase)) ? Channels.written(node, {}) : "#{node[:raw]}#{written(node[:value])})"
          end.join
        end

        def held(node, passed)
          name, *fallback = Value.split(node[:value])
          name = name&.first&.[](:value).to_s
          raise Error, "#{name} holds itself" if passed.include?(name)
          value = @variables[name]&.value
          return @made[name] ||= whole(value, [*passed, name]) if value
          raise Error, "#{name.empty? ? "var()" : name} is not in the file" if fallback.empty?
          whole(fallback.flat_map.with_index { |part, index| index.zero? ? part : [{node: :comma, raw: ","}, *part] }, passed)
        end
      end
    end
  end
end
