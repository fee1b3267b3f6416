require "cgi"
require "digest"
require "nokogiri"

module Magpie
  class Artwork
    # What SVG has no property for: lines inside or outside of what they enclose, double,
    # stitched, with marks at their ends; and grain on fills. The element of the part becomes a
    # group of the same number, which is painted in its place and hands its paint on: first the
    # shape with its fill, then its grain, then what its line is made of. Coordinates stay what they
    # were, and so do gradients and patterns.
    class Lines
      SIDES = {"middle" => "on the outline", "inside" => "inside", "outside" => "outside"}.freeze
      RUNS = {"plain" => "plain", "double" => "double", "stitched" => "stitched"}.freeze
      BUILT = %i[side run first_mark last_mark grain].freeze
      SHAPES = %w[path rect circle ellipse line polyline polygon].freeze
      GEOMETRY = %w[d x y width height rx ry cx cy r points x1 y1 x2 y2 pathLength].freeze
      # What a shape keeps to itself; all else a group hands on, or has for all that is in it.
      OWN = [*GEOMETRY, "vector-effect"].freeze
      PART = %r{<(#{SHAPES.join("|")})\b[^<>]*? #{Parts::MARK}="#{Identifiers::MARK}([^"]*)"[^<>]*?(?:/>|>.*?</\1>)}m
      MARKED = / #{Parts::MARK}="#{Identifiers::MARK}/o

      # @param template [String] in which all else is said already
      # @param given [Hash{String => Settings}] by key of the part: what is set of it
      # @param said [Hash{String => Settings}] by key: how it is drawn then
      # @param frames [Frames] of the template
      # @param opaque [Enumerable<String>] parts whose fills let nothing through: others have grain
      #   as far as they do not
      def initialize(template, given, said: Settings.of(template), frames: Frames.new(template), opaque: [])
        @template, @given, @said, @frames, @opaque = template, given, said, frames, opaque.to_set
      end

      # @return [String] the template with groups in their place
      def onto
        made = @template.gsub(PART) { |element| @given[key = CGI.unescapeHTML($2)] ? built(element, key) || element : element }
        Grain.any?(@given.values) ? made.sub(/<svg[^>]*>/) { |root| "#{root}<defs>#{Grain.tile}</defs>" } : made
      end

      # Those groups alone.
      # @return [Hash{String => String}] by key
      def groups
        found = {}
        @template.gsub(PART) { |element| found[CGI.unescapeHTML($2)] = element }
        found.slice(*@given.keys).to_h { |key, element| [key, built(element, key)] }.compact
      end

      private

      # @return [String, nil] nil where nothing of it can be
      def built(element, key)
        node = Nokogiri::XML(element).root
        line = Line.new(node, @given[key], @said.fetch(key), @frames[key].box, "#{Identifiers::MARK}line-#{Digest::SHA256.hexdigest(key)[0, 10]}", opaque: @opaque.include?(key), ruled: ruled?(node))
        return unless line.any?
        attributes = node.attribute_nodes.reject { |each| OWN.include?(each.name) || each.name == Parts::MARK }
        mark = element[/#{MARKED}[^"]*"/o]
        %(<g#{attributes.map { |each| %( #{each.name}="#{CGI.escapeHTML(each.value)}") }.join}#{mark}>#{[line.body, *line.grain, *line.pieces].join}</g>)
      end

      # Is it known which rule fills it? One may be handed on by a group.
      def ruled?(node) = !node["fill-rule"].nil? || !(@mentioned ||= [@template.include?("fill-rule")])[0]

      # What one line is made of.
      class Line
        SEAM, STITCH = 0.22, [2.6, 2.2] # of the width: the thread below, a stitch and what is between two
        GAP = 1 / 3.0 # of a double line: what lies between both

        # @param node [Nokogiri::XML::Element]
        # @param set [Settings]
        # @param said [Settings] how it is drawn
        # @param box [Array<Float>] where the shape lies
        # @param id [String] for what cuts it
        # @param opaque [Boolean] does its fill let nothing through?
        # @param ruled [Boolean] is it known by which rule it is filled?
        def initialize(node, set, said, box, id, opaque:, ruled:)
          @opaque, @ruled = opaque, ruled
          @node, @set, @width, @box, @id = node, set, said.width, box, id
          @dashed = said.dash != "none"
          @closed = Ends.closed?(node)
          @side = (@closed && set.run != "stitched") ? set.side || "middle" : "middle"
        end

        def any? = grain? || line?

        def grain? = @set.grain.to_f > 0

        def line? = @width > 0 && (@side != "middle" || %w[double stitched].include?(@set.run) || marks.any?)

        # The shape with its fill.
        def body = shape("stroke" => "none", **unmarked)

        # On the fill as far as that is opaque.
        # @return [Array<String>]
        def grain
          return [] unless grain?
          pattern = element("pattern", "id" => "#{@id}-grain", "href" => "##{Grain::ID}", "patternTransform" => "scale(#{short(@set.grain_size || Settings::USUAL.grain_size)})")
          lain = {"fill" => "url(##{@id}-grain)", "fill-opacity" => short(@set.grain), "stroke" => "none", **unmarked}
          return [pattern, shape(**lain)] if @opaque
          [pattern, mask("#{@id}-fill", "mask-type" => "alpha") { shape("stroke" => "none", **unmarked) }, shape(**lain, "mask" => "url(##{@id}-fill)")]
        end

        # @return [Array<String>] its line
        def pieces = [cut, *((@set.run == "stitched") ? stitches : [shape("fill" => "none", **across, **cut_by)]), *marks]

        private

        # A shape that has marks of its file keeps them on its line.
        def unmarked = %w[marker-start marker-mid marker-end].to_h { |name| [name, "none"] }.select { |name, _| @node[name] }

        # On one side only half of it is seen.
        def across = (@side == "middle") ? {} : {"stroke-width" => short(@width * 2)}

        # As long as its dashes, where it has any.
        def stitches
          usual = @dashed ? {} : {"stroke-dasharray" => STITCH.map { |times| short(times * @width) }.join(" ")}
          [shape("fill" => "none", "stroke-width" => short(@width * SEAM), "stroke-dasharray" => "none", **unmarked), shape("fill" => "none", "stroke-linecap" => "round", **usual)]
        end

        def marks
          @marks ||= ((ends = Ends.of(@node)) ? ends.zip([@set.first_mark, @set.last_mark]) : []).filter_map { |at, name| name && Marks.at(name, at, @width) }.map { |attributes| element("path", "fill" => "none", **attributes, **unmarked) }
        end

        # What of it is seen, as a mask.
        def cut
          return "" unless cut?
          return element("clipPath", "id" => @id) { shape(**rule) } if clipped?
          return mask(@id) { seen } if @set.run != "double" || @side != "inside"
          mask("#{@id}-in") { seen } + mask(@id) { whole("#000") + element("g", "mask" => "url(##{@id}-in)") { double } }
        end

        # What is inside is cut by the shape itself, which is painted in a tenth of the time of a mask.
        def clipped? = @ruled && @side == "inside" && @set.run != "double"

        def rule = @node["fill-rule"] ? {"clip-rule" => @node["fill-rule"]} : {}

        def cut? = @side != "middle" || @set.run == "double"

        def mask(id, **more, &) = element("mask", "id" => id, "maskUnits" => "userSpaceOnUse", **area, **more, &)

        # Round all of the line.
        def area
          left, top, width, height = @box
          more = @width * 2 + 1
          {"x" => left - more, "y" => top - more, "width" => width + 2 * more, "height" => height + 2 * more}.transform_values { |value| short(value) }
        end

        def seen
          return whole("#000") + filled("#fff") if @side == "inside" # and double, where one cuts the other
          ((@set.run == "double") ? double : whole("#fff")) + ((@side == "outside") ? filled("#000") : "")
        end

        # All but what lies between both lines.
        def double
          return whole("#fff") + stroked("#000", @width * GAP) if @side == "middle"
          whole("#fff") + stroked("#000", @width * 2 * (1 - GAP)) + stroked("#fff", @width * 2 * GAP)
        end

        def whole(colour) = element("rect", "fill" => colour, "stroke" => "none", **area, "fill-opacity" => "1")

        def filled(colour) = shape("fill" => colour, "stroke" => "none", **bare)

        def stroked(colour, width) = shape("fill" => "none", "stroke" => colour, "stroke-width" => short(width), **bare)

        def bare = {"fill-opacity" => "1", "stroke-opacity" => "1", "stroke-dasharray" => "none", **unmarked}

        def cut_by = if cut?
                       {(clipped? ? "clip-path" : "mask") => "url(##{@id})"}
                     else
                       {}
                     end

        def shape(**more) = element(@node.name, **@node.attribute_nodes.select { |each| OWN.include?(each.name) }.to_h { |each| [each.name, each.value] }, **more)

        def element(name, **attributes)
          "<#{name}#{attributes.map { |key, value| %( #{key}="#{CGI.escapeHTML(value)}") }.join}#{block_given? ? ">#{yield}</#{name}>" : "/>"}"
        end

        def short(value) = Affine.short(value)
      end
      private_constant :Line
    end
  end
end
