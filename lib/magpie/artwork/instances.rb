module Magpie
  class Artwork
    # Replaces each `use` by a copy of what it shows, so that every instance has
    # parts of its own and can be dressed apart from its siblings.
    class Instances
      # How much a copy comes to, with all that is used in it.
      Size = Struct.new(:elements, :depth, :bytes)
      TOO_DEEP = "they are nested deeper than #{Document::DEEPEST}"
      NOTHING = Size.new(0, 0, 0).freeze

      def initialize(root, dropped, budget)
        @root, @dropped, @budget = root, dropped, budget
        @sizes = {}
        @depths = {}.compare_by_identity
        measure(root, 1)
      end

      # @raise [Magpie::Error] when copies of copies make the artwork too large
      def expand
        used = @root.xpath("//use/@href").to_h { |href| [href.value.delete_prefix("#"), true] }
        @originals = @root.xpath("//*[@id]").select { |node| used[node["id"]] }.to_h { |node| [node["id"], node] }
        # A clipPath may hold no group, so what it uses stays used; it paints nothing.
        uses = @root.xpath("//use[not(ancestor::clipPath)]").to_a
        uses.each do |use|
          count(use)
        rescue Error => error
          raise Error, "line #{use.line}: its copies of copies: #{error.message}"
        end
        @originals.transform_values!(&:dup)
        uses.each { |use| expand_one(use, []) }
        @root.xpath("//symbol").each { |symbol| symbol.name = "defs" }
      end

      private

      # Before anything is copied.
      def count(use)
        size = size_of(use["href"].to_s.delete_prefix("#"), [])
        @budget.spend(:elements, size.elements)
        @budget.spend(:bytes, size.bytes)
        raise Error, TOO_DEEP if size.depth + @depths[use] > Document::DEEPEST
      end

      # Each original is looked at once.
      # @param inside [Array<String>] the originals that it is used in
      def size_of(id, inside)
        return @sizes[id] if @sizes[id]
        original = @originals[id]
        return NOTHING if original.nil? || inside.include?(id)
        raise Error, TOO_DEEP if inside.size > Document::DEEPEST
        parts = original.xpath(".//*").to_a
        @budget.spend(:steps_of_work, parts.size)
        uses = (parts + [original]).select { |node| node.name == "use" }.to_h { |use| [use, size_of(use["href"].to_s.delete_prefix("#"), [*inside, id])] }
        deepest = [original, *parts].map { |node| @depths[node] + (uses[node] || NOTHING).depth }.max
        @sizes[id] = Size.new(parts.size + 2 + uses.values.sum(&:elements), deepest - @depths[original] + 2, original.to_xml.bytesize + uses.values.sum(&:bytes))
      end

      def measure(node, depth)
        @depths[node] = depth
        node.element_children.each { |child| measure(child, depth + 1) }
      end

      def expand_one(use, inside)
        id = use["href"].to_s.delete_prefix("#")
        original = @originals[id]
        return leave_out(use, "use of ##{id}, which is not in the file") unless original
        return leave_out(use, "use of ##{id} inside itself") if inside.include?(id) || contains?(use, id)
        copy = instance(use, original)
        copy.xpath(".//use").each { |nested| expand_one(nested, [*inside, id]) }
      end

      def contains?(use, id)
        node = use
        while (node = node.parent).is_a?(Nokogiri::XML::Element)
          return true if node["id"] == id
        end
        false
      end

      def leave_out(use, reason)
        @dropped.add(reason, use)
        use.unlink
      end

      # A group in the place of the use, with its attributes, moved by its x and y.
      def instance(use, original)
        copy = original.dup
        copy.xpath("self::*[@id] | .//*[@id]").each { |node| node.delete("id") }
        frame(copy, use) if %w[symbol svg].include?(copy.name)
        shift = %w[x y].map { |axis| use[axis] || "0" }
        group = use
        group.name = "g"
        group["transform"] = [use["transform"], ("translate(#{shift.join(" ")})" if shift.any? { |value| value != "0" })].compact.join(" ")
        group.delete("transform") if group["transform"].empty?
        %w[href x y width height].each { |name| group.delete(name) }
        group.children.each(&:unlink)
        group.add_child(copy)
        group
      end

      # A symbol shows like a nested drawing of the size that the use gives.
      def frame(copy, use)
        overflow = copy["overflow"]
        copy.name = "svg"
        copy["width"] = use["width"] || copy["width"] || "100%"
        copy["height"] = use["height"] || copy["height"] || "100%"
        copy["overflow"] = overflow || "hidden"
      end
    end
  end
end
