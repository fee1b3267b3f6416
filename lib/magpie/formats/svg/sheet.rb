module Magpie
  module Formats
    class Svg < Format
      # A sheet of swatches: groups with a title, of rectangles each with a title.
      class Sheet
        AROUND = %w[title desc text rect defs metadata style].freeze

        # @param source [Source]
        # @return [Result, nil] nil where the drawing is no sheet
        # @raise [Magpie::Error]
        def self.read(source)
          root = Artwork::Document.read(source.bytes, source.name, Limits.drawing).root
          sheet = new(root, source)
          sheet.result if sheet.sheet?
        end

        def initialize(root, source)
          @root, @source = root, source
          @builder = Builder.new(source)
          @groups = root.element_children.select { |node| node.name == "g" && title(node) }
        end

        # Ours says so; of others, all that is painted has a title in a group with a title.
        def sheet?
          return true if @root["data-sheet"] == "swatches"
          @groups.any? { |group| rects(group).any? } && @groups.all? { |group| group.element_children.all? { |node| AROUND.include?(node.name) && (node.name != "rect" || title(node)) } } &&
            (@root.element_children.to_a - @groups).all? { |node| AROUND.include?(node.name) && node.name != "rect" }
        end

        # @return [Result]
        def result
          servers = @root.xpath("//*[@id]").select { |node| %w[linearGradient radialGradient pattern].include?(node.name) }.to_h { |node| [node["id"], node] }
          @groups.each_with_index { |node, index| group(node, @builder.begin_group(index, name: title(node), note: text(node, "desc")), servers) }
          @builder.result(words: "A sheet of swatches as SVG", name: title(@root), note: text(@root, "desc"))
        end

        private

        def rects(group) = group.element_children.select { |node| node.name == "rect" }

        def group(node, group, servers)
          rects(node).each { |rect| @builder.trying("line #{rect.line}", title(rect)) { swatch(rect, group, servers) } }
        end

        def swatch(rect, group, servers)
          server = rect["fill"].to_s[/\Aurl\(#(.+)\)\z/, 1]
          compound = servers[server]&.then { |node| Inks.read(node, servers) } if server
          raise Error, "it is filled with #{rect["fill"].to_s[0, 40]}, which is no gradient or pattern that I know" if server && !compound
          colour = compound ? compound.colour : Inks.colour(rect, "fill", "fill-opacity") || raise(Error, "it has no colour")
          @builder.add(group, name: title(rect), colour:, compound:, note: text(rect, "desc"))
        end

        def title(node) = text(node, "title")

        def text(node, name) = node.element_children.find { |child| child.name == name }&.text
      end
    end
  end
end
