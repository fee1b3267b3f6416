require "crass"

module Magpie
  class Artwork
    # Resolves style sheets, classes and style attributes into attributes of the
    # elements, as CSS Cascade 4 ranks them: presentation attributes, then rules by
    # specificity and order, then the style attribute, and !important above all.
    class Cascade
      Declaration = Struct.new(:property, :value, :rank)
      IDS, CLASSES, TYPES = /#[\w-]+/, /\.[\w-]+|\[[^\]]*\]|:(?!:)[\w-]+/, /(?:^|[\s>+~])[a-zA-Z][\w-]*/

      MOST_SELECTORS = 5_000
      # A selector that is not simple walks through all elements: so many steps in all.
      MOST_STEPS = 20_000_000
      SECONDS = 30
      # Custom properties may name each other, and grow with every step.
      LONGEST_VALUE = 2_000
      ROUNDS = 4
      VARIABLE = /var\(\s*(--[\w-]+)\s*(?:,((?:[^()]|\([^()]*\))*))?\)/
      SIMPLE = /\A([a-zA-Z][\w-]*)?([.#][\w-]+)?\z/
      SCREEN = ["", "all", "screen"].freeze # the media whose rules hold

      def initialize(root, dropped)
        @root = root
        @dropped = dropped
        @declared = Hash.new { |hash, node| hash[node] = [] }
        @order = 0
        @selectors = 0
        @elements = root.xpath("count(//*)").to_i
        @budget = Limits::Budget.new(steps: MOST_STEPS, seconds: SECONDS, what: "steps of matching its style sheets to its elements")
      end

      def apply
        @root.css("style").each do |sheet|
          add_rules(Crass.parse(sheet.text), sheet) if SCREEN.include?(sheet["media"].to_s.strip.downcase)
          sheet.unlink
        end
        @root.xpath("//*[@style]").each { |node| add(node, Crass.parse_properties(node["style"]), [1, 0, 0, 0], node) }
        @root.xpath("//*").each { |node| settle(node) }
        @root.xpath("//*").each { |node| resolve_variables(node) }
      end

      private

      def add_rules(rules, sheet)
        rules.each do |rule|
          case rule[:node]
          when :style_rule then add_rule(rule, sheet)
          when :at_rule then add_at_rule(rule, sheet)
          end
        end
      end

      def add_at_rule(rule, sheet)
        condition = Crass::Parser.stringify(rule[:prelude]).strip.downcase
        return add_rules(Crass.parse(Crass::Parser.stringify(rule[:block])), sheet) if rule[:name] == "media" && SCREEN.include?(condition)
        @dropped.add("@#{rule[:name]}", sheet) unless rule[:name] == "charset"
      end

      def add_rule(rule, sheet)
        rule[:selector][:value].split(",").map(&:strip).each do |selector|
          raise Error, "its style sheets have more than #{MOST_SELECTORS} selectors" if (@selectors += 1) > MOST_SELECTORS
          matches(selector).each { |node| add(node, rule[:children], specificity(selector), sheet) }
        rescue Nokogiri::CSS::SyntaxError, Nokogiri::XML::XPath::SyntaxError
          @dropped.add("rules for “#{selector}”", sheet)
        end
      end

      def matches(selector)
        return [@root] if selector == ":root"
        simple = SIMPLE.match(selector)
        @budget.spend(simple ? 1 : @elements)
        return @root.document.css(selector) unless simple
        type, mark = simple.captures
        nodes = index.fetch(mark || type, [])
        (mark && type) ? nodes.select { |node| node.name == type } : nodes
      end

      # Elements by type, ".class" and "#id": nearly all rules of real drawings are as
      # simple as that, and a walk through the tree for each would take seconds.
      def index
        @index ||= @root.xpath("//*").each_with_object(Hash.new { |hash, key| hash[key] = [] }) do |node, found|
          [node.name, *node["class"].to_s.split.uniq.map { |name| ".#{name}" }, *node["id"]&.then { |id| "##{id}" }].each { |key| found[key] << node }
        end
      end

      def specificity(selector)
        [0, selector.scan(IDS).size, selector.scan(CLASSES).size, selector.scan(TYPES).size]
      end

      def add(node, properties, specificity, where)
        properties.each do |property|
          next unless property[:node] == :property
          name, value = property[:name].downcase, property[:value].strip
          name = property[:name] if name.start_with?("--")
          unless Safety.local?(value)
            @dropped.add("#{name} that points outside the file", where)
            next
          end
          longhands(name).each { |longhand| @declared[node] << Declaration.new(longhand, value, [property[:important] ? 1 : 0, *specificity, @order += 1]) }
        end
      end

      def longhands(name) = (name == "marker") ? %w[marker-start marker-mid marker-end] : [name]

      # Writes the winning value of each property to the element.
      def settle(node)
        node.delete("style")
        node.delete("class")
        kept = []
        @declared[node].group_by(&:property).each do |property, declarations|
          value = declarations.max_by(&:rank).value
          if Vocabulary::PRESENTATION.include?(property)
            node[property] = value
          elsif Vocabulary::STYLE_ONLY.include?(property) || property.start_with?("--")
            kept << "#{property}:#{value}"
          end
        end
        node["style"] = kept.join(";") unless kept.empty?
      end

      # var(--name, fallback), CSS Custom Properties 1; the custom properties
      # themselves are not needed afterwards.
      def resolve_variables(node)
        node.attribute_nodes.each do |attribute|
          next unless attribute.value.include?("var(")
          value = resolved(node, attribute.value)
          value.empty? ? attribute.unlink : attribute.value = value
        end
        style = node["style"].to_s.split(";").reject { |declaration| declaration.start_with?("--") }.join(";")
        style.empty? ? node.delete("style") : node["style"] = style
      end

      # Empty where it cannot be resolved.
      def resolved(node, value)
        ROUNDS.times do
          return "" if value.size > LONGEST_VALUE
          value = value.gsub(VARIABLE) { custom(node, $1)&.then { |found| found if found.size <= LONGEST_VALUE } || $2&.strip || "" }
        end
        value.include?("var(") ? "" : value
      end

      def custom(node, name)
        while node.respond_to?(:name) && node.element?
          found = @declared.fetch(node, []).select { |declaration| declaration.property == name }.max_by(&:rank)
          return found.value if found
          node = node.parent
        end
      end
    end
  end
end
