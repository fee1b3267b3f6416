require "nokogiri"

module Magpie
  class Artwork
    # The groups and parts of a drawing, as its file nests them. Groups that hold no part
    # are left out, and so are those that hold nothing but one other group.
    #
    # @!attribute key [String] of a part; or of a group, the same whenever the drawing is read
    # @!attribute label [String, nil] what the file calls a group, nil where it does not
    # @!attribute part [Boolean]
    # @!attribute children [Array<Tree>]
    Tree = Struct.new(:key, :label, :part, :children) do
      # Keys of the parts in it, itself included.
      # @return [Array<String>]
      def keys = [*(key if part), *children.flat_map(&:keys)]
    end

    class Tree
      # @param template [String]
      # @return [Array<Tree>] those on the outside
      def self.of(template) = Reader.new(template).children

      # @param nodes [Array<Tree>]
      # @return [Hash{String => Array<String>}] keys of the parts in each group, however deep it lies
      def self.groups(nodes) = nodes.reduce({}) { |found, node| found.merge(node.part ? {} : {node.key => node.keys}, groups(node.children)) }

      # Reads a template.
      class Reader
        def initialize(template) = @root = Nokogiri::XML(template).remove_namespaces!.root

        def children = within(@root, "drawing")

        private

        # @return [Array<Tree>]
        def within(node, path)
          counts = Hash.new(0)
          node.element_children.flat_map { |child| of(child, "#{path}/#{child.name}#{counts[child.name] += 1}") }
        end

        def of(node, path)
          return [] if node.name == "stop"
          key, inside = node[Parts::MARK]&.delete_prefix(Identifiers::MARK), within(node, path)
          return [Tree.new(key, nil, true, inside)] if key
          return inside if inside.empty? || !Vocabulary::CONTAINERS.include?(node.name) || (inside.size == 1 && !inside[0].part)
          [Tree.new(path, label(node), false, inside)]
        end

        def label(node)
          id = node["id"]&.delete(Identifiers::MARK)
          (id && Identifiers.given?(id)) ? Labels.of_identifier(id) : nil
        end
      end
      private_constant :Reader
    end
  end
end
