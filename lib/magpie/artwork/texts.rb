module Magpie
  class Artwork
    # Where a text lies, by and by: how wide it runs hangs on fonts that are not here.
    class Texts
      # Of the size of its font: how far a letter goes on, and how high it stands over and
      # hangs below the line that it stands on, in most fonts.
      ADVANCE, ABOVE, BELOW = 0.55, 0.8, 0.2
      USUAL = 16.0 # of a font, where nothing is said

      # A run of letters from where it is put.
      Run = Struct.new(:x, :y, :size, :anchor, :letters) do
        def box
          width = letters * size * ADVANCE
          left = x - width * {"middle" => 0.5, "end" => 1.0}.fetch(anchor, 0.0)
          [left, y - size * ABOVE, width, size * (ABOVE + BELOW)]
        end
      end

      # @param paths [Hash{String => Nokogiri::XML::Element}] by identifier
      def initialize(paths) = @paths = paths

      # All of the text that an element stands in: its parts go on where others end.
      # @param node [Nokogiri::XML::Element] of Vocabulary::TEXTS
      # @param within [Frames::Within]
      # @return [Array<Float>, nil] left, top, width, height
      def box(node, within)
        whole = node
        whole = whole.parent while whole.name != "text" && Vocabulary::TEXTS.include?(whole.parent.name)
        size = inherited(whole.parent, "font-size").reverse.reduce(USUAL) { |above, text| Lengths.of(text, above) || above }
        runs = [Run.new(0.0, 0.0, size, inherited(whole.parent, "text-anchor").first || "start", 0)]
        collect(whole, within, size, runs)
        boxes = runs.reject { |run| run.letters.zero? }.map(&:box) + along(whole, size)
        Shapes.points(boxes.flat_map { |left, top, width, height| [[left, top], [left + width, top + height]] })
      end

      private

      # @return [Array<String>] what an element and those around it say, from within
      def inherited(node, name) = [node, *node.ancestors].filter_map { |each| each[name] if each.element? }

      def collect(node, within, size, runs)
        size = Lengths.of(node["font-size"], size) || size
        put(node, within, size, runs)
        node.children.each do |child|
          next runs.last.letters += child.text.strip.size if child.text?
          collect(child, within, size, runs) if child.element? && child.name != "textPath"
        end
      end

      # Whatever says where it stands begins another run.
      def put(node, within, size, runs)
        x, y, dy = %w[x y dy].zip([within.width, within.height, within.height]).map { |name, whole| first(node[name], whole, size) }
        return unless x || y || dy
        last = runs.last
        runs << Run.new(x || last.x, (y || last.y) + (dy || 0.0), size, node["text-anchor"] || last.anchor, 0)
      end

      # Of many, which are for one letter each, the first. In ems, too.
      def first(text, whole, size)
        one = text.to_s.strip[/\A[^\s,]+/] or return
        one.end_with?("em") ? one.to_f * size : Lengths.of(one, whole)
      end

      # What runs along a path lies around it.
      def along(whole, size)
        whole.xpath(".//textPath").filter_map do |node|
          left, top, width, height = Path.box(@paths[node["href"].to_s.delete_prefix("#")]&.[]("d").to_s)
          [left - size, top - size, width + 2 * size, height + 2 * size] if left
        end
      end
    end
  end
end
