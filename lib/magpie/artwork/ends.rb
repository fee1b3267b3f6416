module Magpie
  class Artwork
    # Where the line of a shape begins and ends, and whether it encloses something.
    module Ends
      CLOSED = %w[rect circle ellipse polygon].freeze
      OPEN = %w[line polyline path].freeze

      module_function

      # @param node [Nokogiri::XML::Element]
      # @return [Array(Array, Array), nil] [point, direction] of both, pointing out of it; nil where
      #   it has no ends
      def of(node) = OPEN.include?(node.name) ? Path.ends(outline(node)) : nil

      # Does it enclose something, so that there is an inside of it?
      def closed?(node) = CLOSED.include?(node.name) || (node.name == "path" && Path.closed?(node["d"].to_s))

      # @param template [String]
      # @return [Hash{String => Symbol}] :closed or :open, by key of the part; texts and pictures are neither
      def all(template)
        Nokogiri::XML(template).remove_namespaces!.xpath("//*[@#{Parts::MARK}]").filter_map { |node|
          kind = (closed?(node) && :closed) || (of(node) && :open)
          [node[Parts::MARK].delete_prefix(Identifiers::MARK), kind] if kind
        }.to_h
      end

      # As the d of a path.
      def outline(node)
        case node.name
        when "line" then "M#{%w[x1 y1 x2 y2].map { |name| Lengths.of(node[name], 0.0) || 0.0 }.each_slice(2).map { |pair| pair.join(" ") }.join("L")}"
        when "polyline" then "M#{node["points"].to_s.scan(Geometry::NUMBER).join(" ")}"
        else node["d"].to_s
        end
      end
    end
  end
end
