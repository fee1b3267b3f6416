module Magpie
  class Artwork
    # The rules of all style sheets, and which of them hold for an element. They are looked
    # up by what their last compound names, and what depends on type and classes only is
    # put together once for all elements that are alike.
    class Rules
      # A declaration and how it ranks: importance, style attribute, specificity, order.
      # @!attribute declaration [Css::Declaration]
      Ranked = Struct.new(:rank, :declaration)
      Rule = Struct.new(:selector, :declarations)

      SCREEN = ["", "all", "screen"].freeze # the media whose rules hold

      # Of two winners by property, the better ones.
      def self.better(one, two) = one.merge(two) { |_, mine, theirs| ((mine.rank <=> theirs.rank) > 0) ? mine : theirs }

      def initialize(css, grammar, dropped, budget)
        @css, @grammar, @dropped, @budget = css, grammar, dropped, budget
        @plain = Hash.new { |hash, key| hash[key] = [] }
        @others = Hash.new { |hash, key| hash[key] = [] }
        @alike = {}
        @order = 0
      end

      # @param sheet [Nokogiri::XML::Element] a style element
      def add(sheet)
        add_all(@css.rules(sheet.text), sheet) if SCREEN.include?(sheet["media"].to_s.strip.downcase)
      rescue Error => error
        raise error.at("line #{sheet.line}")
      end

      # @param element [Element]
      # @return [Hash{String => Ranked}] what wins of what rules say, by property
      def of(element)
        alike = @alike[[element.name, element.classes]] ||= winners(candidates(@plain, element, [[:type, element.name], [:all, nil]]))
        others = candidates(@others, element, [[:id, element.id], [:type, element.name], [:all, nil]])
        others.empty? ? alike : Rules.better(alike, winners(others))
      end

      # @param declarations [Array<Css::Declaration>]
      # @param specificity [Array<Integer>] of the style attribute or a selector
      # @return [Array<Ranked>] those that can hold, in their order
      def ranked(declarations, specificity, where)
        declarations.flat_map { |declaration| longhands(declaration) }.filter_map do |declaration|
          next unless holds?(declaration, where)
          Ranked.new([declaration.important ? 1 : 0, *specificity, @order += 1], declaration)
        end
      end

      # @param ranked [Array<Ranked>]
      # @return [Hash{String => Ranked}]
      def winners(ranked)
        ranked.each_with_object({}) do |each, best|
          property = each.declaration.property
          best[property] = each if best[property].nil? || (best[property].rank <=> each.rank) < 0
        end
      end

      private

      def add_all(rules, sheet)
        rules.each do |rule|
          case rule[:node]
          when :style_rule then add_rule(rule, sheet)
          when :at_rule then add_at_rule(rule, sheet)
          end
        end
      end

      def add_at_rule(rule, sheet)
        condition = Crass::Parser.stringify(rule[:prelude]).strip.downcase
        return add_all(@css.rules(Crass::Parser.stringify(rule[:block])), sheet) if rule[:name].casecmp?("media") && rule[:block] && SCREEN.include?(condition)
        @dropped.add("@#{Text.name(rule[:name], longest: 40)}", sheet) unless rule[:name] == "charset"
      end

      def add_rule(rule, sheet)
        declarations = @css.of_nodes(rule[:children])
        Css.split(rule[:selector][:tokens]).each do |tokens|
          @budget.spend(:selectors)
          selector = Selector.read(tokens)
          (selector.plain? ? @plain : @others)[selector.key] << ranked(declarations, [0, *selector.specificity], sheet).then { |kept| Rule.new(selector, kept) }
        rescue Selector::Unknown
          @dropped.add("rules for “#{Text.name(Crass::Parser.stringify(tokens), longest: 80)}”", sheet)
        end
      end

      def candidates(rules, element, keys)
        return [] if rules.empty?
        (element.classes.map { |name| [:class, name] } + keys).flat_map { |key| rules.fetch(key, []) }
          .select { |rule| rule.selector.match?(element, @budget) }.flat_map do |rule|
            @budget.spend(:steps_of_work, rule.declarations.size)
            rule.declarations
          end
      end

      def longhands(declaration)
        return [declaration] unless declaration.property == "marker"
        %w[start mid end].map { |side| Css::Declaration.new("marker-#{side}", declaration.values, declaration.important) }
      end

      # A value that its property cannot have is as if it were not there.
      def holds?(declaration, where)
        property = declaration.property
        return @dropped.add("#{property} that points outside the file", where) && false if Grammar.outside?(declaration.values)
        return true if property.start_with?("--")
        return false unless Vocabulary::PROPERTIES[property]
        Variables.any?(declaration.values) || !@grammar.write(property, declaration.values).nil?
      end
    end
  end
end
