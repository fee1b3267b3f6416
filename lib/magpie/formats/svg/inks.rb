module Magpie
  module Formats
    class Svg < Format
      # Gradients and patterns of a sheet both ways. Colours stand as hex for whoever knows
      # no more, and exactly in a style for whoever does.
      class Inks < Painters::Writing
        # Gradients from which a sheet shows each as SVG mixes it, so that it can be read again:
        # files have no more elements than drawings may.
        MANY = 200
        COARSE = 8.0 # ΔE00 from one sector to the next then

        # @param colour [Color]
        # @return [String] attributes
        def self.painted(name, opacity, colour)
          exact, hex = Notation::Exact.css(colour.with(alpha: 1)), colour.with(alpha: 1).hex
          style = %( style="#{name}:#{exact}") unless exact == hex
          %(#{name}="#{hex}"#{%( #{opacity}="#{Notation::Forms.short(colour.alpha, Notation::Exact::DECIMALS)}") if colour.alpha < 1}#{style})
        end

        # The colour of an element that was painted so.
        # @param node [Nokogiri::XML::Element]
        # @return [Color, nil]
        def self.colour(node, name, opacity)
          text = node["style"].to_s[/(?:\A|;)\s*#{name}\s*:\s*([^;]+)/, 1] || node[name]
          colour = Notation.try(text.to_s) or return
          share = Artwork::Parts.opacity((node["style"].to_s[/(?:\A|;)\s*#{opacity}\s*:\s*([^;]+)/, 1] || node[opacity] || "1").to_s)
          (share < 1) ? colour.with(alpha: colour.alpha * share) : colour
        end

        # @param node [Nokogiri::XML::Element] a gradient or pattern
        # @param servers [Hash{String => Nokogiri::XML::Element}] all of the file, by identifier
        # @return [Palette::Compound, nil] nil where it is none of ours
        # @raise [Magpie::Error]
        def self.read(node, servers = {})
          case node.name
          when "linearGradient" then gradient(node, node["data-form"] || "linear", node["data-angle"] ? node["data-angle"].to_f : angle(node))
          when "radialGradient" then gradient(node, node["data-form"] || "radial", 0.0)
          when "pattern" then (stops = servers[node["data-stops"]]) ? read(stops) : pattern(node)
          end
        end

        # Ours says which stops lie there only for the eye.
        def self.gradient(node, form, angle)
          inks = node.element_children.select { |child| child.name == "stop" && !child["data-between"] }.map { |stop| stop(stop) }
          extent = Palette::Compound::SPREADS.key(node["spreadMethod"]) || "pad"
          Palette::Compound.new(form:, angle:, size: Palette::Compound::SIZE, mixing: node["data-mixing"] || "srgb", extent:, inks: inks.sort_by.with_index { |ink, index| [ink.offset, index] }).checked
        end

        def self.stop(node)
          opacity, middle = %w[data-opacity data-middle].map { |name| Float(node[name].to_s, exception: false) }
          colour = colour(node, "stop-color", "stop-opacity") || Color.from_rgb24(0)
          colour = colour(node, "stop-color", "data-alpha") || colour if opacity
          Palette::Compound::Ink.new(colour:, offset: offset(node["offset"]), **{opacity:, middle:}.compact)
        end

        def self.offset(text)
          number = Float(text.to_s.strip.delete_suffix("%"), exception: false) || 0.0
          (text.to_s.strip.end_with?("%") ? number / 100 : number).clamp(0.0, 1.0)
        end

        # Degrees, from where it begins to where it ends.
        def self.angle(node)
          x1, y1, x2, y2 = %w[x1 y1 x2 y2].zip(["0", "0", "1", "0"]).map { |side, usual| share(node[side] || usual) }
          turn = node["gradientTransform"].to_s[/\A\s*rotate\(\s*(-?[\d.]+)/, 1].to_f
          ((Math.atan2(y2 - y1, x2 - x1) * 180 / Math::PI + turn) % 360).round(2) % 360
        end

        def self.share(text) = (Float(text.to_s.strip.delete_suffix("%"), exception: false) || 0.0) / (text.to_s.strip.end_with?("%") ? 100 : 1)

        # Rectangles beside each other are stripes; something round on one is dots, a path checks.
        def self.pattern(node)
          return tile(node) if Palette::Tile.all.key?(node["data-form"])
          shapes = node.element_children
          form = {%w[rect circle] => "dots", %w[rect path] => "checks"}[shapes.map(&:name)] || ("stripes" if shapes.size.between?(2, 12) && shapes.all? { |shape| shape.name == "rect" })
          size = Float(node["width"].to_s, exception: false)
          colours = shapes.map { |shape| colour(shape, "fill", "fill-opacity") }
          return unless form && size && colours.all?
          Palette::Compound.new(form:, angle: turn(node), size:, inks: colours.each_with_index.map { |colour, index| Palette::Compound::Ink.new(colour:, offset: index / (colours.size - 1.0)) }).checked
        end

        # A tile of ours says which it is; its inks lie side by side, unseen.
        def self.tile(node)
          scale = node["patternTransform"].to_s[/scale\((-?[\d.e-]+)/, 1].to_f
          inks = node.xpath("./*[@data-inks]/*").map { |each| colour(each, "fill", "fill-opacity") }
          inks = inks.compact.each_with_index.map { |colour, index| Palette::Compound::Ink.new(colour:, offset: index.fdiv([inks.size - 1, 1].max)) }
          Palette::Compound.new(form: node["data-form"], angle: turn(node), size: Float(node["data-size"] || (scale * Palette::Tile.all[node["data-form"]].width)), inks:).checked
        end

        def self.turn(node) = node["patternTransform"].to_s[/rotate\((-?[\d.]+)/, 1].to_f % 360

        # @param compounds [Hash{String => Palette::Compound}] by identifier
        def initialize(compounds)
          @compounds = compounds
          @many = compounds.size > MANY
        end

        def to_s = if @compounds.empty?
                     ""
                   else
                     "<defs>#{@compounds.map { |id, compound| compound.gradient? ? gradient(id, compound) : pattern(id, compound) }.join}</defs>"
                   end

        # @param step [Palette::Course::Step]
        def step(name, opacity, step, _) = plain(name, opacity, step.colour)

        private

        def gradient(id, compound)
          held = %(#{%( data-mixing="#{compound.mixing}") unless compound.mixing == "srgb"}#{Painters::Stops.spread(compound.extent)})
          case compound.form
          when "linear" then %(<linearGradient id="#{id}"#{along(compound.angle)}#{held}>#{stops(compound)}</linearGradient>)
          when "conic" then turning(id, compound, held)
          else %(<radialGradient id="#{id}"#{' data-form="round"' if compound.form == "round"}#{held}>#{stops(compound)}</radialGradient>)
          end
        end

        def pattern(id, compound)
          drawn = Painters::Tiles.new(compound, self)
          return drawn.to_s(id) unless compound.tile
          drawn.to_s(id, %( data-form="#{compound.form}" data-size="#{compound.size}")).sub("</pattern>", %(<g data-inks="" display="none">#{compound.inks.map { |ink| "<rect#{ink("fill", "fill-opacity", ink)}/>" }.join}</g></pattern>))
        end

        # Chips are square: from corner to corner.
        def along(angle)
          turn = angle * Math::PI / 180
          half = (Math.cos(turn).abs + Math.sin(turn).abs) / 2
          ends = [-half, half].flat_map { |side| [0.5 + side * Math.cos(turn), 0.5 + side * Math.sin(turn)] }.map { |value| value.round(4) }
          %w[x1 y1 x2 y2].zip(ends).map { |name, value| %( #{name}="#{value}") }.join
        end

        # As sectors, and its stops beside them.
        def turning(id, compound, held)
          sectors = Painters::Sectors.new(compound, self, near: @many ? COARSE : Painters::Sectors::NEAR).paths
          %(<linearGradient id="#{id}-stops" data-form="conic" data-angle="#{compound.angle}"#{held}>#{stops(compound)}</linearGradient>) +
            %(<pattern id="#{id}" data-stops="#{id}-stops" width="1" height="1" viewBox="-1 -1 2 2"><g transform="rotate(#{compound.angle})">#{sectors}</g></pattern>)
        end

        # Its own, and between them those that the eye needs.
        def stops(compound)
          order = compound.order
          pieces = order.each_cons(2).map { |from, to| Palette::Course.segment(compound, from, to) }
          order.each_with_index.map { |number, index|
            before, after = (pieces[index - 1] if index > 0), pieces[index]
            ink = compound.inks[number]
            [*(between(before.last) if before && ink.opacity.zero?), own(ink), *(between(after.first) if after && ink.opacity.zero?), *(after&.slice(1...-1)&.map { |step| between(step) } unless @many)]
          }.join
        end

        def own(ink)
          apart = %( data-opacity="#{ink.opacity}" data-alpha="#{ink.colour.alpha}") unless ink.opacity == 1
          %(<stop offset="#{ink.offset}"#{ink("stop-color", "stop-opacity", ink)}#{apart}#{%( data-middle="#{ink.middle}") unless ink.halfway?}/>)
        end

        def between(step) = %(<stop offset="#{step.offset}" data-between=""#{step("stop-color", "stop-opacity", step, nil)}/>)

        def plain(name, opacity, colour) = " #{Inks.painted(name, opacity, colour)}"
      end
    end
  end
end
