module Magpie
  class Artwork
    # Where a shape lies, without its line: the smallest upright rectangle around it.
    module Shapes
      module_function

      # @param node [Nokogiri::XML::Element]
      # @param width, height [Float] what per cent are of
      # @return [Array<Float>, nil] left, top, width, height, in user units
      def box(node, width, height)
        across, down = ->(name) { Lengths.of(node[name], width) }, ->(name) { Lengths.of(node[name], height) }
        case node.name
        when "path" then Path.box(node["d"].to_s)
        when "rect" then [across.call("x") || 0.0, down.call("y") || 0.0, across.call("width") || 0.0, down.call("height") || 0.0]
        when "circle" then around(node, across, down, *[Lengths.of(node["r"], Lengths.diagonal(width, height)) || 0.0] * 2)
        when "ellipse" then around(node, across, down, *radii(across.call("rx"), down.call("ry")))
        when "line" then points([[across.call("x1"), down.call("y1")], [across.call("x2"), down.call("y2")]].map { |point| point.map { |value| value || 0.0 } })
        when "polyline", "polygon" then points(node["points"].to_s.scan(Geometry::NUMBER).map(&:to_f).each_slice(2).select { |point| point.size == 2 })
        end
      end

      # The one that is not said is as the other.
      def radii(across, down) = [across || down || 0.0, down || across || 0.0]

      def around(node, across, down, rx, ry) = [(across.call("cx") || 0.0) - rx, (down.call("cy") || 0.0) - ry, 2 * rx, 2 * ry]

      def points(points)
        return if points.empty?
        (left, right), (top, bottom) = points.transpose.map(&:minmax)
        [left, top, right - left, bottom - top]
      end
    end
  end
end
