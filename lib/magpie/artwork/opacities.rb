module Magpie
  class Artwork
    # How opaque each part is as a whole, with the groups that it stands in: what comes
    # on top of the opacity of its paint.
    module Opacities
      module_function

      # @param template [String]
      # @return [Hash{String => Float}] by key, 0..1
      def of(template)
        found = {}
        walk(Nokogiri::XML(template).remove_namespaces!.root, 1.0, found)
        found
      end

      def walk(node, above, found)
        share = node["opacity"] ? above * Parts.opacity(node["opacity"]) : above
        found[node[Parts::MARK].delete_prefix(Identifiers::MARK)] = share if node[Parts::MARK]
        node.element_children.each { |child| walk(child, share, found) }
      end
    end
  end
end
