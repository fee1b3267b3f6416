module Magpie
  class Artwork
    # What selectors ask of an element, put together once: to ask the tree for it each
    # time takes longer than to answer.
    # @!attribute before [Element, nil] the sibling before it
    # @!attribute place [Array(Integer, Integer)] which child it is, of how many
    # @!attribute among [Array(Integer, Integer)] which of its name, of how many
    Element = Struct.new(:node, :name, :id, :classes, :parent, :before, :place, :among, keyword_init: true) do
      def [](attribute) = node[attribute]

      # @param root [Nokogiri::XML::Element]
      # @return [Array<Element>] in the order of the document
      def self.all(root)
        found = [make(root, nil, nil, [1, 1], [1, 1])]
        found.each { |element| found.concat(children(element)) }
      end

      def self.children(parent)
        nodes = parent.node.element_children.to_a
        counts, names = nodes.map(&:name).tally, Hash.new(0)
        before = nil
        nodes.map.with_index(1) { |node, index| before = make(node, parent, before, [index, nodes.size], [names[node.name] += 1, counts[node.name]]) }
      end
      private_class_method :children

      def self.make(node, parent, before, place, among)
        new(node:, name: node.name, id: node["id"], classes: node["class"].to_s.split.uniq, parent:, before:, place:, among:)
      end
      private_class_method :make
    end
  end
end
