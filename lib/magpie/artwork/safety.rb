module Magpie
  class Artwork
    # Leaves nothing in a tree that runs, loads or points outside of it: only known
    # elements with known attributes stay, and what these may hold is written by Geometry.
    # Properties are left to Cascade.
    class Safety
      FORGOTTEN = (Vocabulary::READ - %w[style href data-label]).freeze

      # Takes away what was only there to be read. Groups keep their names.
      def self.forget(root)
        root.xpath("//*").each { |node| FORGOTTEN.each { |name| node.delete(name) if node[name] } }
      end

      def initialize(root, dropped, budget)
        @root, @dropped, @budget = root, dropped, budget
      end

      # @raise [Magpie::Error]
      def clean
        @root.document.children.each { |node| note(node) unless node == @root }
        @root.xpath("//text()[contains(., '#{Identifiers::MARK}')]").each { |text| text.content = text.content.delete(Identifiers::MARK) }
        remember_titles
        clean_element(@root)
      end

      private

      # What is no element, and tells nobody anything.
      def note(node)
        @dropped.add("external style sheet", node) if node.processing_instruction? && node.name == "xml-stylesheet"
        node.unlink
      end

      # A page is HTML, which has other rules for what is written as CDATA.
      def clean_text(node)
        return note(node) if node.comment? || node.processing_instruction?
        node.replace(node.document.create_text_node(node.content)) if node.cdata?
      end

      # A title is a part's readable name; it shows nothing itself.
      def remember_titles
        @root.xpath("//title").each { |title| title.parent["data-label"] = title.text.strip if title.parent != @root && !title.text.strip.empty? }
      end

      # No deeper than Document lets it be.
      def clean_element(node)
        return drop(node) if !Vocabulary::ELEMENTS.include?(node.name) || asks_for_more?(node)
        settle_switch(node) if node.name == "switch"
        clean_attributes(node)
        return if node != @root && node.parent.nil?
        node.children.each { |child| clean_text(child) }
        node.name = Vocabulary::TEXTS.include?(node.parent.name) ? "tspan" : "g" if node.name == "a"
        node.element_children.each { |child| clean_element(child) }
      rescue Error => error
        raise error.at("line #{node.line}")
      end

      # No extension is known, and what needs one is not painted.
      def asks_for_more?(node) = node != @root && !node["requiredExtensions"].to_s.strip.empty?

      # Only one child of a switch is ever painted: the first that asks for nothing
      # or for English.
      def settle_switch(node)
        chosen = node.element_children.find { |child| child["requiredExtensions"].to_s.empty? && [nil, "en"].include?(child["systemLanguage"]&.[](0, 2)) }
        node.element_children.each { |child| child.unlink unless child == chosen }
        node.name = "g"
      end

      def drop(node)
        @dropped.add("#{Text.name(node.name, longest: 40)} element", node) unless Vocabulary::SILENT.include?(node.name)
        node.unlink
      end

      def clean_attributes(node)
        attributes = node.attribute_nodes
        @budget.spend(:attributes, attributes.size)
        attributes.each { |attribute| clean_attribute(node, attribute, attribute.name, attribute.value.delete(Identifiers::MARK)) }
      end

      def clean_attribute(node, attribute, name, value)
        return reference(node, attribute, value.strip) if name == "href"
        return geometry(node, attribute, name, value) if Vocabulary::GEOMETRY[name]
        return attribute.value = value if Vocabulary::PRESENTATION[name] || Vocabulary::READ.include?(name)
        @dropped.add("event handler #{Text.name(name, longest: 40)}", node) if name.start_with?("on")
        attribute.unlink
      end

      def geometry(node, attribute, name, value)
        written = Geometry.write(name, value)
        node["data-label"] ||= Labels.of_identifier(value[0, Labels::LONGEST]).to_s if name == "id" && written && written != value
        return attribute.value = written if written
        @dropped.add("#{name} that points outside the file", node) if value.match?(/url\s*\(/i)
        attribute.unlink
      end

      def reference(node, attribute, value)
        return attribute.value = "##{Identifiers.safe(value[1..])}" if value.match?(/\A#./) && node.name != "a"
        picture = Embedded.written(value) if node.name == "image"
        return attribute.value = picture if picture
        attribute.unlink
        return if node.name == "a"
        @dropped.add((node.name == "image") ? "external image" : "#{node.name} that points outside the file", node)
        node.unlink if %w[image use].include?(node.name)
      end
    end
  end
end
