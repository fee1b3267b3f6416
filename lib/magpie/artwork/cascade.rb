module Magpie
  class Artwork
    # Resolves style sheets, classes and style attributes into attributes of the
    # elements, as CSS Cascade 4 ranks them: presentation attributes, then rules by
    # specificity and order, then the style attribute, and !important above all. What is
    # written is made from the parsed values, with variables put in, and nothing else.
    class Cascade
      ATTRIBUTE = [1, 0, 0, 0].freeze # how a style attribute ranks

      def initialize(root, dropped, budget)
        @root, @dropped, @budget = root, dropped, budget
        @css, @grammar = Css.new(budget), Grammar.new
        @rules = Rules.new(@css, @grammar, dropped, budget)
        @styles, @written = {}, {}
      end

      def apply
        @root.css("style").each do |sheet|
          @rules.add(sheet)
          sheet.unlink
        end
        variables = {}.compare_by_identity
        Element.all(@root).each do |element|
          variables[element] = settle(element, variables.fetch(element.parent, Variables::NONE))
        rescue Error => error
          raise error.at("line #{element.node.line}")
        end
      end

      private

      # Writes the winning value of each property to the element.
      # @return [Hash{String => Array<Hash>}] its custom properties
      def settle(element, inherited)
        won = winners(element)
        node = element.node
        %w[class style].each { |name| node.attribute(name)&.unlink }
        variables = Variables.of(won.select { |property, _| property.start_with?("--") }.transform_values { |ranked| ranked.declaration.values }, inherited, @budget)
        declared = won.filter_map { |property, ranked| declared(property, ranked.declaration.values, variables) }.to_h
        node.attribute_nodes.each { |attribute| presentation(node, attribute, declared, variables) }
        kept = declared.compact.filter_map { |property, text| write(node, property, text) }
        node["style"] = kept.join(";") unless kept.empty?
        variables
      end

      def winners(element)
        of_rules = @rules.of(element)
        style = element["style"]
        style ? Rules.better(of_rules, of_style(style, element.node)) : of_rules
      end

      # Drawings write the same few styles over and over.
      def of_style(text, node)
        @styles[text] ||= @rules.winners(@rules.ranked(@css.declarations(text), ATTRIBUTE, node))
      end

      # An attribute that is a property too.
      def presentation(node, attribute, declared, variables)
        property = attribute.name
        return unless Vocabulary::PRESENTATION[property]
        return attribute.unlink if declared.key?(property)
        text = attribute_text(property, attribute.value, variables)
        return attribute.value = text if text
        @dropped.add("#{property} that points outside the file", node) if attribute.value.match?(/[(\\]/) && Grammar.outside?(@css.values(attribute.value))
        attribute.unlink
      end

      def attribute_text(property, text, variables)
        return resolved(property, @css.values(text), variables) if text.match?(/var\(/i)
        key = [property, text]
        @written.key?(key) ? @written[key] : @written[key] = @grammar.write(property, @css.values(text))
      end

      # What is not understood is passed over, and what stands below it holds; where a custom
      # property is missing, nothing does.
      # @return [[String, String], nil] property and text
      def declared(property, values, variables)
        return if property.start_with?("--")
        text = resolved(property, values, variables)
        [property, text] if text || Variables.any?(values) && Variables.put_in(values, variables, @budget).nil?
      end

      # @return [String, nil] a declaration that can only stand in style
      def write(node, property, text)
        return "#{property}:#{text}" if Vocabulary::STYLE_ONLY[property]
        node[property] = text
        nil
      end

      # Once more after variables were put in, since only now it is known what it is.
      def resolved(property, values, variables)
        values = Variables.put_in(values, variables, @budget) if Variables.any?(values)
        return if values.nil? || Grammar.outside?(values)
        @grammar.write(property, values)
      end
    end
  end
end
