require "nokogiri"

module Magpie
  class Artwork
    # The gradients that a drawing has itself, as gradients of a palette, laid out as they
    # are seen: whatever their units and transforms, and wherever their stops stand (SVG 2,
    # 14.2).
    class Gradients
      DEEPEST = 20 # references from one to the next
      ROUND = 1e-4 # by how much both axes of what is round may differ
      FORMS = {"linearGradient" => "linear", "radialGradient" => "radial"}.freeze

      # @param template [String]
      def initialize(template)
        @nodes = Nokogiri::XML(template).remove_namespaces!.xpath("//*[@id]").select { |node| FORMS.key?(node.name) }.to_h { |node| [node["id"], node] }
      end

      # @param server [String] "url(#dusk)", as places hold it
      # @return [Gradient, nil] nil where it is none, or has no stops
      def [](server)
        id = Identifiers.safe(server.to_s[/\Aurl\(#(.*)\)\z/, 1].to_s)
        node = id && @nodes[Identifiers::MARK + id] or return
        Gradient.new(chain(node)).then { |found| found if found.stops.any? }
      end

      private

      # Itself and those that it refers to.
      def chain(node)
        found = [node]
        found << @nodes[found.last["href"].to_s.delete_prefix("#")] while found.last && found.size < DEEPEST && !found.first(found.size - 1).include?(found.last)
        found.compact.uniq
      end

      # One of them.
      class Gradient
        # @param chain [Array<Nokogiri::XML::Element>] it, and what it has from others
        def initialize(chain) = @chain = chain

        def form = FORMS.fetch(@chain.first.name)

        # Is it counted in the units of the part, and not of its frame?
        def of_user? = said("gradientUnits") == "userSpaceOnUse"

        def extent = Palette::Compound::SPREADS.key(said("spreadMethod")) || "pad"

        # Keys of its stops, and where they lie: none before another that stands before it.
        # @return [Array<[String, Float]>]
        def stops
          @stops ||= (@chain.find { |node| stops_of(node).any? }&.then { |node| stops_of(node) } || []).each_with_object([]) do |stop, found|
            found << [stop[Parts::MARK].delete_prefix(Identifiers::MARK), [offset(stop["offset"]), found.last&.last || 0.0].max]
          end
        end

        # @param inks [Hash{String => Palette::Compound::Ink}] by key of the stop; where they lie is said here
        # @return [Palette::Compound]
        # @raise [Magpie::Error] where it has more stops than can be edited
        def compound(inks)
          found = stops.filter_map { |key, offset| inks[key]&.with(offset:) }
          found << found.first.with(offset: 1.0) if found.size == 1
          Palette::Compound.new(form: (form == "radial" && !squashed?) ? "round" : form, angle: 0.0, size: Palette::Compound::SIZE, extent:, inks: found).checked
        end

        # How it lies in a part.
        # @param frame [Frames::Frame] of the part
        # @param across [Array<Float>, nil] the frame of which its places are shares; nil: the part's
        # @return [Placing]
        def placing(frame, across: nil)
          units = units(frame, across ? frame.matrix : Affine::IDENTITY)
          axes, focus = (form == "linear") ? [line(units), nil] : ring(units)
          left, top, width, height = across || frame.box
          share = ->(x, y) { [(x - left) / width, (y - top) / height] }
          Placing.new(from: share.call(*axes.point(0, 0)), to: share.call(*axes.point(1, 0)), squash: Math.hypot(axes.c, axes.d) / Math.hypot(axes.a, axes.b), focus:, across:)
        end

        private

        # Attributes that are not said are as those have them that it refers to.
        def said(name, nodes = @chain) = nodes.filter_map { |node| node[name] }.first

        # Those of the line or ring itself only as others of its kind have them.
        def place(name, usual)
          text = said(name, @chain.select { |node| node.name == @chain.first.name }) || usual
          Lengths.of(text, of_user? ? @whole[name] : 1.0) || 0.0
        end

        def stops_of(node) = node.element_children.select { |child| child.name == "stop" && child[Parts::MARK] }

        def offset(text)
          number = Lengths.of(text, 1.0)
          number ? number.clamp(0.0, 1.0) : 0.0
        end

        # From its own units to those that it is laid out in.
        # @param outer [Affine] from those of the part to them
        def units(frame, outer)
          left, top, width, height = frame.box
          across, down = frame.view
          @whole = Hash.new(Lengths.diagonal(across, down)).merge("x1" => across, "x2" => across, "cx" => across, "fx" => across, "y1" => down, "y2" => down, "cy" => down, "fy" => down)
          own = Affine.parse(said("gradientTransform"))
          outer * (of_user? ? own : Affine.new(width, 0.0, 0.0, height, left, top) * own)
        end

        # Its bands stand upright on the way that it runs, also where its units are askew:
        # that way is where it changes most.
        def line(units)
          one, two = [%w[x1 y1], %w[x2 y2]].map { |x, y| [place(x, (x == "x2") ? "100%" : "0%"), place(y, "0%")] }
          back, from = units.inverse, units.point(*one)
          across, down = two[0] - one[0], two[1] - one[1]
          length = across**2 + down**2
          return Affine.axes(from, units.point(*two)) if back.nil? || length.zero?
          steep = [(back.a * across + back.b * down) / length, (back.c * across + back.d * down) / length]
          size = steep[0]**2 + steep[1]**2
          Affine.axes(from, [from[0] + steep[0] / size, from[1] + steep[1] / size])
        end

        # The longer and the shorter axis of its ring, and where it begins on them.
        # @return [[Affine, Array<Float>]]
        def ring(units)
          cx, cy, r = place("cx", "50%"), place("cy", "50%"), place("r", "50%")
          made = units * Affine.new(r, 0.0, 0.0, r, cx, cy)
          long, short, turn = axes_of(made)
          from = made.point(0, 0)
          axes = Affine.axes(from, [from[0] + Math.cos(turn) * long, from[1] + Math.sin(turn) * long], short / long)
          [axes, focus(units, axes, r)]
        end

        def focus(units, axes, radius)
          return unless %w[fx fy fr].any? { |name| said(name) } && axes.inverse && radius.positive?
          x, y = %w[x y].map { |axis| place("f#{axis}", said("c#{axis}") || "50%") }
          [*axes.inverse.point(*units.point(x, y)).map { |value| value.round(9) }, place("fr", "0%") / radius]
        end

        # How long the axes of an ellipse are that a circle becomes, and which way the longer
        # one lies: its singular values (Golub and Van Loan, Matrix Computations, 8.6).
        def axes_of(made)
          e, f, g, h = (made.a + made.d) / 2, (made.a - made.d) / 2, (made.b + made.c) / 2, (made.b - made.c) / 2
          q, r = Math.hypot(e, h), Math.hypot(f, g)
          long, short = q + r, (q - r).abs
          turn = (r < long * ROUND) ? Math.atan2(made.b, made.a) : (Math.atan2(h, e) + Math.atan2(g, f)) / 2
          [[long, 1e-9].max, [short, long * 1e-3, 1e-9].max, turn]
        end

        def squashed? = !of_user? || Affine.parse(said("gradientTransform")).then { |own| axes_of(own).then { |long, short, _| short / long < 1 - ROUND } }
      end
    end
  end
end
