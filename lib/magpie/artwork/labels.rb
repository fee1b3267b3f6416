module Magpie
  class Artwork
    # Readable names for parts: a title or label in the file, an identifier that
    # looks meant, the words of a text; otherwise what it is, and where.
    class Labels
      KINDS = {"rect" => "Rectangle", "path" => "Shape", "text" => "Text", "tspan" => "Words", "textPath" => "Text on a path"}.freeze
      MACHINE_MADE = /\A(svg|g|group|path|rect|circle|ellipse|line|poly\w*|text|tspan|use|layer|shape|object|id|xmlid|n)?[-_\s]*[\d_-]*\z/i
      LONGEST = 60

      # What an identifier says, if it looks meant.
      # @return [String, nil]
      def self.of_identifier(id) = id.match?(MACHINE_MADE) ? nil : id.tr("_-", "  ").gsub(/([a-z])([A-Z])/, '\1 \2').downcase.capitalize

      # What is written in an element and those in it, up to so many characters.
      def self.text(node, most)
        node.children.reduce("") do |found, child|
          return found if found.size >= most
          found + (child.element? ? text(child, most - found.size) : child.text[0, most])
        end
      end

      def initialize = @counts = Hash.new { |known, group| known[group] = Hash.new(0) }

      def of_part(node, groups)
        return words(Labels.text(node, LONGEST * 5)) if Vocabulary::TEXTS.include?(node.name) && !given(node)
        given(node) || numbered(KINDS.fetch(node.name, node.name.capitalize), groups.last)
      end

      def of_group(node) = given(node)

      def of_gradient(node) = given(node) || numbered("Gradient", nil)

      private

      def given(node)
        label = node["data-label"] || node["aria-label"]
        label ||= node["id"]&.then { |id| Labels.of_identifier(id) if Identifiers.given?(id) }
        return unless label
        label = Text.name(label, longest: LONGEST)
        label.empty? ? nil : label
      end

      def words(text) = "“#{Text.name(text, longest: 40)}”"

      def numbered(kind, group)
        name = "#{kind} #{@counts[group][kind] += 1}"
        group ? "#{name} in #{group}" : name
      end
    end
  end
end
