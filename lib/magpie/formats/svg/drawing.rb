module Magpie
  module Formats
    class Svg < Format
      # Any drawing: the colours that it is painted with, most used first, its gradients and
      # patterns, each with how many places have it.
      class Drawing
        # @param source [Source]
        def initialize(source)
          @builder = Builder.new(source)
          @artwork = Artwork.read(source.bytes, name: source.name)
          @root = Nokogiri::XML(@artwork.template).root
          @root.document.remove_namespaces!
          @paints = @artwork.paints
        end

        # @return [Result]
        def result
          plain
          servers
          @artwork.dropped.each { |dropped| @builder.note(dropped[/\Aline \d+/], "#{dropped.sub(/\Aline \d+: /, "")}: left out of the drawing") }
          @builder.result(words: "A drawing of #{Text.count(@artwork.parts.size, "part")} as SVG: its colours and gradients")
        end

        private

        def plain
          shown = @artwork.places.filter_map { |place| place.paint.shown if place.role != "stop" }
          shown.group_by(&:hex).sort_by { |hex, places| [-places.size, hex] }.each do |_, places|
            @builder.add("Colours", name: "", colour: places.first, note: Text.count(places.size, "place"))
          end
        end

        def servers
          used = @artwork.places.filter_map { |place| place.paint.server&.[](/\Aurl\(#(.*)\)\z/, 1) }.tally
          nodes = @root.xpath("//*[@id]").to_h { |node| [plain_id(node["id"]), node] }
          used.sort_by { |id, places| [-places, id] }.each { |id, places| server(nodes[id], id, places, nodes) if nodes[id] }
        end

        def server(node, id, places, nodes)
          @builder.trying("##{id}") do
            compound = Inks.read(with_paints(node, nodes)) or next @builder.note("##{id}", "a pattern of another kind than stripes, dots and checks: its inks are among the colours")
            @builder.add(compound.gradient? ? "Gradients" : "Patterns", name: Css.readable(id), colour: compound.colour, compound:, note: Text.count(places, "place"))
          end
        end

        # A gradient may have the stops of another, and where these stand in the template
        # there is no paint.
        def with_paints(node, nodes, depth = 0)
          target = nodes[plain_id(node["href"].to_s.delete_prefix("#"))]
          if node.name.end_with?("Gradient") && node.element_children.none? { |child| child.name == "stop" } && target && depth < 10
            stops = with_paints(target, nodes, depth + 1).element_children.map(&:dup)
            node = node.dup.tap { |copy| stops.each { |stop| copy.add_child(stop) } }
          end
          node.element_children.each { |child| painted(child) }
          node
        end

        def painted(child)
          part = child[Artwork::Parts::MARK]&.delete_prefix(Artwork::Identifiers::MARK) or return
          paint = @paints[[part, (child.name == "stop") ? "stop" : "fill"]]
          names = (child.name == "stop") ? %w[stop-color stop-opacity] : %w[fill fill-opacity]
          colour = paint&.shown or return
          child[names[0]] = colour.with(alpha: 1).hex
          child[names[1]] = colour.alpha.to_s if colour.alpha < 1
        end

        def plain_id(id) = id.delete_prefix(Artwork::Identifiers::MARK)
      end
    end
  end
end
