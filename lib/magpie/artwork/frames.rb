require "nokogiri"

module Magpie
  class Artwork
    # Where each part of a drawing lies: what a gradient or pattern of a part is laid out
    # in. How wide a text runs is not known here, since that hangs on the fonts of whoever
    # looks at it; it is taken for as long as most fonts make it.
    class Frames
      # @!attribute box [Array<Float>] left, top, width, height, in the part's own units;
      #   neither side is nothing, also of a straight line
      # @!attribute matrix [Affine] from there to the units of the drawing
      # @!attribute view [Array<Float>] width and height of what per cent are of there
      Frame = Struct.new(:box, :matrix, :view)
      # What a part is inside of.
      Within = Struct.new(:matrix, :width, :height)

      # @param template [String]
      def initialize(template)
        @found, @framed, @ids = {}, {}, {}
        root = Nokogiri::XML(template).remove_namespaces!.root
        _, _, width, height = view = Lengths.box(root["viewBox"]) || [0.0, 0.0, 100.0, 100.0]
        @view = view
        walk(root, Within.new(Affine::IDENTITY, width, height), true)
      end

      # @return [Array<Float>] left, top, width, height of the drawing
      attr_reader :view

      # @param key [String] of a part
      # @return [Frame] all of the drawing, where it cannot be told
      def [](key)
        @framed[key] ||= begin
          node, within = @found[key]
          box = node && (Vocabulary::TEXTS.include?(node.name) ? texts.box(node, within) : Shapes.box(node, within.width, within.height))
          Frame.new(wide(box || @view), within&.matrix || Affine::IDENTITY, within ? [within.width, within.height] : @view.last(2))
        end
      end

      # @param keys [Array<String>]
      # @return [Array<Frame>]
      def of(keys) = keys.map { |key| self[key] }

      private

      def texts = @texts ||= Texts.new(@ids)

      # A box with two sides: where one is nothing, it is as long as the other.
      def wide((left, top, width, height))
        longest = [width, height].max
        longest = 1.0 if longest.zero?
        least = longest * 1e-6
        left, width = left - (longest - width) / 2, longest if width <= least
        top, height = top - (longest - height) / 2, longest if height <= least
        [left, top, width, height]
      end

      def walk(node, outside, root = false)
        within = inside(node, outside, root)
        @ids[node["id"]] = node if node["id"] && node.name == "path"
        key = node[Parts::MARK]&.delete_prefix(Identifiers::MARK)
        @found[key] = [node, within] if key && node.name != "stop"
        node.element_children.each { |child| walk(child, within) }
      end

      def inside(node, outside, root)
        own = transform(node)
        within = own ? Within.new(outside.matrix * own, outside.width, outside.height) : outside
        (node.name == "svg" && !root) ? nested(node, within.dup) : within
      end

      # CSS writes it with units, and it ranks above the attribute.
      def transform(node)
        text = node["style"].to_s[/(?:\A|;)\s*transform:([^;]+)/, 1]&.gsub(/px|deg/, "") || node["transform"] or return
        made = Affine.parse(text)
        across, down = node["transform-origin"].to_s.split.map { |each| Lengths.of(each, 0.0) }
        return made unless across && down && !node["transform-origin"].include?("%")
        Affine.moved(across, down) * made * Affine.moved(-across, -down)
      end

      # A drawing within the drawing: its viewBox fills the room that it has (SVG 2, 8.2).
      def nested(node, within)
        left, top = Lengths.of(node["x"], within.width) || 0.0, Lengths.of(node["y"], within.height) || 0.0
        width, height = Lengths.of(node["width"], within.width) || within.width, Lengths.of(node["height"], within.height) || within.height
        within.matrix *= Affine.moved(left, top)
        view = Lengths.box(node["viewBox"])
        within.matrix *= fitted(view, width, height, node["preserveAspectRatio"].to_s) if view
        within.width, within.height = view ? view.last(2) : [width, height]
        within
      end

      def fitted((left, top, across, down), width, height, aspect)
        return Affine.new(width / across, 0.0, 0.0, height / down, 0.0, 0.0) * Affine.moved(-left, -top) if aspect.start_with?("none")
        scale = [width / across, height / down].send(aspect.include?("slice") ? :max : :min)
        x, y = {"x" => width - across * scale, "Y" => height - down * scale}.map { |axis, left_over| left_over * share(aspect[/#{axis}M(in|id|ax)/, 1]) }
        Affine.moved(x, y) * Affine.new(scale, 0.0, 0.0, scale, 0.0, 0.0) * Affine.moved(-left, -top)
      end

      def share(word) = {"in" => 0.0, "ax" => 1.0}.fetch(word, 0.5)
    end
  end
end
