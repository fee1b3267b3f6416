module Magpie
  class Artwork
    # Walks the tree with what is inherited, makes a part of each painted thing and
    # a place of each of its paints, and leaves a mark where they go.
    class Parts
      Inherited = Struct.new(:fill, :stroke, :fill_opacity, :stroke_opacity, :color, :visibility, :hidden, keyword_init: true)
      START = Inherited.new(fill: "black", stroke: "none", fill_opacity: "1", stroke_opacity: "1", color: Color.from_rgb24(0), visibility: "visible", hidden: false)
      PAINTS = %w[fill stroke fill-opacity stroke-opacity].freeze
      INHERITED = %w[fill stroke fill-opacity stroke-opacity color visibility display].freeze
      LABELS = %w[data-label aria-label].freeze
      # Where paint goes. Its value begins with what no file can hold.
      MARK = "data-part"
      BLACK = Paint.new(kind: :plain, colour: Color.from_rgb24(0), opacity: 1.0)

      # "0.5" or "50%", 1 where it cannot be read.
      def self.opacity(text)
        return 1.0 if text == "1"
        number = Float(text.to_s.strip.delete_suffix("%"), exception: false) or return 1.0
        number /= 100 if text.strip.end_with?("%")
        number.clamp(0.0, 1.0)
      end

      attr_reader :parts, :places

      def initialize(root)
        @root = root
        @parts = []
        @places = []
        @keys, @again = {}, Hash.new(0)
        @labels = Labels.new
        @parsed = Hash.new { |known, current| known[current] = {} }.compare_by_identity
        @ids = root.xpath("//@id").to_h { |id| [id.value, true] }
        @used = Identifiers.used(root)
      end

      def collect = visit(@root, START, "drawing", [], :shown)

      private

      # Nokogiri's own way looks at all attributes for each.
      def forget(node, names) = names.each { |name| node.attribute(name)&.unlink }

      # @param mode [Symbol] :shown makes parts, :literal writes plain paint, for what
      #   is only used as a mask or template
      def visit(node, inherited, key, labels, mode)
        now = inherit(node, inherited)
        return gradient(node, now, key) if Vocabulary::GRADIENTS.include?(node.name)
        mode = mode_of(node, mode)
        paint(node, now, key, labels, mode) if paints?(node)
        forget(node, PAINTS) if Vocabulary::CONTAINERS.include?(node.name) || Vocabulary::INKED.include?(node.name) || Vocabulary::HIDDEN.include?(node.name)
        label = @labels.of_group(node)
        counts = Hash.new(0)
        node.element_children.each do |child|
          visit(child, now, key_of(child, key, counts[child.name] += 1), label ? [*labels, label] : labels, mode)
        end
      end

      def mode_of(node, mode)
        return :literal if Vocabulary::HIDDEN.include?(node.name)
        return @used[node["id"]] ? :shown : :literal if Vocabulary::INKED.include?(node.name)
        mode
      end

      def key_of(node, parent, index)
        id = node["id"]
        base = (id && Identifiers.given?(id)) ? id : "#{parent}/#{node.name}#{index}"
        key = base
        key = "#{base}~#{index}" if @keys[key]
        key = "#{base}~#{index}~#{@again[base] += 1}" while @keys[key]
        @keys[key] = true
        key
      end

      def inherit(node, from)
        return from unless INHERITED.any? { |name| node.key?(name) }
        given = ->(name, otherwise) { node[name].then { |text| (text.nil? || text.strip == "inherit") ? otherwise : text } }
        color = (node.key?("color") && Notation.try(node["color"])) || from.color
        now = Inherited.new(
          fill: given.call("fill", from.fill), stroke: given.call("stroke", from.stroke), color:,
          fill_opacity: given.call("fill-opacity", from.fill_opacity), stroke_opacity: given.call("stroke-opacity", from.stroke_opacity),
          visibility: given.call("visibility", from.visibility),
          hidden: from.hidden || node["display"] == "none"
        )
        %i[fill stroke].each { |name| now[name] = from[name] unless readable?(now[name], color) }
        now
      end

      def readable?(text, color) = !parse(text, color, 1.0).nil?

      # Drawings write the same few paints over and over.
      def parse(text, current, opacity)
        known, key = @parsed[current], (opacity >= 1) ? text : [text, opacity]
        known[key] = Paint.parse(text, current:, opacity:)&.freeze unless known.key?(key)
        known[key]
      end

      def paints?(node)
        case node.name
        when "tspan", "textPath" then PAINTS.first(2).any? { |name| node[name] }
        when "text" then !node.at_xpath(".//text()[normalize-space()]").nil?
        else Vocabulary::SHAPES.include?(node.name)
        end
      end

      def paint(node, now, key, labels, mode)
        fill = (node.name == "line") ? Paint.none : paint_of(now.fill, now.fill_opacity, now)
        line = paint_of(now.stroke, now.stroke_opacity, now)
        forget(node, PAINTS)
        shown = mode == :shown && !now.hidden && !(fill.none? && line.none?) && !%w[hidden collapse].include?(now.visibility)
        return literal(node, fill, line) unless shown
        @parts << Part.new(key:, label: @labels.of_part(node, labels), kind: :part)
        @places << Place.new(part: key, role: "fill", paint: fill, unsaid: now.fill.equal?(START.fill)) << Place.new(part: key, role: "line", paint: line)
        node[MARK] = Identifiers::MARK + key
      ensure
        forget(node, LABELS)
      end

      # Where a reference points at nothing, what stands behind it holds, or nothing.
      def paint_of(text, opacity, now)
        paint = parse(text, now.color, Parts.opacity(opacity)) || BLACK
        target = paint.server&.[](/\Aurl\(#(.*)\)\z/, 1)
        return paint if target.nil? || @ids[target]
        paint_of(text[/\)\s*(\S.*)\z/, 1] || "none", opacity, now)
      end

      def literal(node, fill, line)
        fill.attributes("fill").merge(line.attributes("line")).each { |name, value| node[name] = value }
      end

      def gradient(node, now, key)
        stops = node.element_children.select { |child| child.name == "stop" }
        used = @used[node["id"]] && stops.any?
        label = @labels.of_gradient(node) if used
        stops.each.with_index(1) do |stop, index|
          part = Part.new(key: "#{key}/stop#{index}", label: "#{label}, stop #{index}", kind: :stop) if used
          stop(stop, now, part)
        end
        forget(node, LABELS)
      end

      # @param part [Part, nil] nil when nothing uses the gradient
      def stop(node, now, part)
        color = Notation.try(node["color"].to_s) || now.color
        text = node["stop-color"] || "black"
        paint = Paint.parse(text, current: color, opacity: Parts.opacity(node["stop-opacity"] || "1")) || BLACK
        forget(node, %w[stop-color stop-opacity])
        return paint.attributes("stop").each { |name, value| node[name] = value } unless part
        @parts << part
        @places << Place.new(part: part.key, role: "stop", paint:)
        node[MARK] = Identifiers::MARK + part.key
      end
    end
  end
end
