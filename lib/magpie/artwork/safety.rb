module Magpie
  class Artwork
    # Leaves nothing in a tree that runs, loads or points outside of it.
    class Safety
      # True when text has no address but #fragments. CSS escapes could hide one.
      def self.local?(value)
        return false if value.match?(/javascript:|expression\s*\(|@import|\\[0-9a-f]/i)
        value.scan(/url\(\s*["']?\s*([^)"']*)/i).all? { |(target)| target.start_with?("#") }
      end

      def initialize(root, dropped)
        @root = root
        @dropped = dropped
      end

      def clean
        @root.document.xpath("//processing-instruction('xml-stylesheet')").each { |sheet| @dropped.add("external style sheet", sheet) }
        @root.document.xpath("//comment() | //processing-instruction()").each(&:unlink)
        remember_titles
        @root.xpath("//*").each { |node| clean_element(node) if node == @root || node.parent }
      end

      private

      # A title is a part's readable name; it shows nothing itself.
      def remember_titles
        @root.xpath("//title").each { |title| title.parent["data-label"] = title.text.strip if title.parent != @root && !title.text.strip.empty? }
      end

      def clean_element(node)
        return drop(node) unless Vocabulary::ELEMENTS.include?(node.name)
        node.attribute_nodes.each { |attribute| clean_attribute(node, attribute.name, attribute.value) }
        settle_switch(node) if node.name == "switch"
        node.name = Vocabulary::TEXTS.include?(node.parent.name) ? "tspan" : "g" if node.name == "a"
      end

      # Only one child of a switch is ever painted: the first that asks for nothing
      # or for English.
      def settle_switch(node)
        chosen = node.element_children.find { |child| child["requiredExtensions"].to_s.empty? && [nil, "en"].include?(child["systemLanguage"]&.[](0, 2)) }
        node.element_children.each { |child| child.unlink unless child == chosen }
        node.name = "g"
      end

      def drop(node)
        @dropped.add("#{node.name} element", node) unless Vocabulary::SILENT.include?(node.name)
        node.unlink
      end

      def clean_attribute(node, name, value)
        return check_reference(node, value) if name == "href"
        if !Vocabulary::ATTRIBUTES[name]
          @dropped.add("event handler #{name}", node) if name.start_with?("on")
          node.delete(name)
        elsif !Safety.local?(value)
          @dropped.add("#{name} that points outside the file", node)
          node.delete(name)
        end
      end

      def check_reference(node, value)
        return if value.start_with?("#") && node.name != "a"
        return if node.name == "image" && value.match?(Vocabulary::EMBEDDED_PICTURE)
        node.delete("href")
        return if node.name == "a"
        @dropped.add((node.name == "image") ? "external image" : "#{node.name} that points outside the file", node)
        node.unlink if %w[image use].include?(node.name)
      end
    end
  end
end
