module Magpie
  module Formats
    class Svg < Format
      # Gradients and patterns of a sheet both ways. Colours stand as hex for whoever knows
      # no more, and exactly in a style for whoever does.
      class Inks < Painters::Servers
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
        # @return [Palette::Compound, nil] nil where it is none of ours
        # @raise [Magpie::Error]
        def self.read(node)
          case node.name
          when "linearGradient" then gradient(node, "linear", angle(node))
          when "radialGradient" then gradient(node, "radial", 0.0)
          when "pattern" then pattern(node)
          end
        end

        def self.gradient(node, form, angle)
          inks = node.element_children.select { |child| child.name == "stop" }.map do |stop|
            colour = colour(stop, "stop-color", "stop-opacity") || Color.from_rgb24(0)
            Palette::Compound::Ink.new(colour:, offset: offset(stop["offset"]))
          end
          Palette::Compound.new(form:, angle:, size: Palette::Compound::SIZE, inks: inks.sort_by.with_index { |ink, index| [ink.offset, index] }).checked
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
          shapes = node.element_children
          form = {%w[rect circle] => "dots", %w[rect path] => "checks"}[shapes.map(&:name)] || ("stripes" if shapes.size.between?(2, 12) && shapes.all? { |shape| shape.name == "rect" })
          size = Float(node["width"].to_s, exception: false)
          colours = shapes.map { |shape| colour(shape, "fill", "fill-opacity") }
          return unless form && size && colours.all?
          angle = (form == "stripes") ? (node["patternTransform"].to_s[/rotate\((-?[\d.]+)/, 1].to_f % 360) : 0.0
          Palette::Compound.new(form:, angle:, size:, inks: colours.each_with_index.map { |colour, index| Palette::Compound::Ink.new(colour:, offset: index / (colours.size - 1.0)) }).checked
        end

        private

        def paint(name, opacity, colour) = Inks.painted(name, opacity, colour)
      end
    end
  end
end
