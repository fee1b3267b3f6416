module Magpie
  class Artwork
    # Replaces each `use` by a copy of what it shows, so that every instance has
    # parts of its own and can be dressed apart from its siblings.
    class Instances
      DEEPEST = 20

      def initialize(root, dropped)
        @root = root
        @dropped = dropped
        @count = root.xpath("//*").size
      end

      # @raise [Magpie::Error] when copies of copies make the artwork too large
      def expand
        used = @root.xpath("//use/@href").to_h { |href| [href.value.delete_prefix("#"), true] }
        originals = @root.xpath("//*[@id]").select { |node| used[node["id"]] }.to_h { |node| [node["id"], node.dup] }
        # A clipPath may hold no group, so what it uses stays used; it paints nothing.
        @root.xpath("//use[not(ancestor::clipPath)]").each { |use| expand_one(use, originals, []) }
        @root.xpath("//symbol").each { |symbol| symbol.name = "defs" }
      end

      private

      def expand_one(use, originals, inside)
        id = use["href"].to_s.delete_prefix("#")
        original = originals[id]
        return leave_out(use, "use of ##{id}, which is not in the file") unless original
        return leave_out(use, "use of ##{id} inside itself") if inside.include?(id) || inside.size > DEEPEST || contains?(use, id)
        @count += original.xpath(".//*").size + 1
        raise Error, "its copies of copies come to more than #{Document::MOST_ELEMENTS} elements" if @count > Document::MOST_ELEMENTS
        copy = instance(use, original)
        copy.xpath(".//use").each { |nested| expand_one(nested, originals, [*inside, id]) }
      end

      def contains?(use, id) = use.ancestors.any? { |node| node.element? && node["id"] == id }

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
