require "cgi"
require "nokogiri"

module Magpie
  class Artwork
    # How the line of a part is drawn, and how the part is seen as a whole. A template says
    # it for each part; what is set besides takes the place of that. nil: as the file has it.
    #
    # @!attribute width [Float, nil] of the line, in the units of the drawing there
    # @!attribute dash [String, nil] lengths of dashes and gaps, or "none"
    # @!attribute cap [String, nil] one of CAPS: how an open line and a dash end
    # @!attribute join [String, nil] one of JOINS
    # @!attribute limit [Float, nil] how far a pointed corner may reach, in widths of the line
    # @!attribute side [String, nil] one of Lines::SIDES: where it lies on the outline
    # @!attribute run [String, nil] one of Lines::RUNS
    # @!attribute first_mark, last_mark [String, nil] of Marks::ALL, where it begins and ends
    # @!attribute grain [Float, nil] 0..1: how much of it lies on the fill
    # @!attribute grain_size [Float, nil] of one grain, in the units of the drawing there
    # @!attribute opacity [Float, nil] 0..1, of the whole part
    # @!attribute blend [String, nil] one of BLENDS
    # @!attribute filter [String, nil] one of the file's own, "url(#soft)", or "none"
    # @!attribute hidden [Boolean, nil]
    Settings = Struct.new(:width, :dash, :cap, :join, :limit, :side, :run, :first_mark, :last_mark, :grain, :grain_size, :opacity, :blend, :filter, :hidden, keyword_init: true)

    class Settings
      # W3C, Compositing and Blending Level 1.
      BLENDS = %w[normal multiply screen overlay darken lighten color-dodge color-burn hard-light soft-light difference exclusion hue saturation color luminosity].freeze
      DASH = /\A(?:none|\d{1,5}(?:\.\d{1,4})?(?:[ ,]+\d{1,5}(?:\.\d{1,4})?){0,63})\z/
      WIDTHS, OPACITIES, LIMITS, GRAINS = 0.0..10_000.0, 0.0..1.0, 1.0..100.0, 0.1..100.0
      CAPS, JOINS = %w[butt round square], %w[miter round bevel]
      # Which of them belong to the line, and which to the part.
      OF = {"line" => %i[width dash cap join limit side run first_mark last_mark], "fill" => %i[grain grain_size opacity blend filter hidden]}.freeze
      # What holds where nothing says another.
      USUAL = new(width: 1.0, dash: "none", cap: "butt", join: "miter", limit: 4.0, side: "middle", run: "plain", first_mark: "none", last_mark: "none", grain: 0.0, grain_size: 2.0, opacity: 1.0, blend: "normal", filter: "none", hidden: false).freeze
      # Those that are properties of SVG; of the others Lines makes elements.
      NAMES = {width: "stroke-width", dash: "stroke-dasharray", cap: "stroke-linecap", join: "stroke-linejoin", limit: "stroke-miterlimit", opacity: "opacity", filter: "filter", hidden: "display", blend: "mix-blend-mode"}.freeze
      TAG = /<[^<>]*#{Parts::MARK}="#{Identifiers::MARK}([^"]*)"[^<>]*>/
      STYLE = / style=(?:"([^"]*)"|'([^']*)')/
      private_constant :TAG, :STYLE

      # @param given [Hash] by name, as somebody asks for it
      # @return [Settings]
      # @raise [Magpie::Error]
      def self.from(given) = kept(given).tap(&:check)

      # @param given [Hash] as it is kept, by name: what was taken once is shown
      # @return [Settings]
      def self.kept(given) = new(**given.to_h.transform_keys(&:to_sym).slice(*members))

      # What the file says of each part, its groups included where they hand it on.
      # @param template [String]
      # @return [Hash{String => Settings}] by key
      def self.of(template) = Read.new(template).to_h

      # @param given [Hash{String => Settings}] by key of the part
      # @param opaque [Enumerable<String>] see Lines
      # @return [String] a template that says so
      def self.onto(template, given, opaque: [])
        return template if given.empty?
        lines = given.select { |_, settings| settings.built? }
        said = template.gsub(TAG) { |tag| given.key?(key = CGI.unescapeHTML($1)) ? given[key].written(tag) : tag }
        lines.empty? ? said : Lines.new(said, lines, opaque:).onto
      end

      # Are elements of its own needed for its line, or for grain?
      def built? = Lines::BUILT.any? { |name| self[name] && self[name] != USUAL[name] }

      # @raise [Magpie::Error]
      def check
        raise Error, "a width of #{width} is none: expected #{WIDTHS.begin} to #{WIDTHS.end}" if width && !WIDTHS.cover?(width)
        raise Error, "#{dash[0, 40].inspect} is no dash: expected lengths such as 4 2, or none" if dash && !dash.match?(DASH)
        raise Error, "a corner that may reach #{limit} widths: expected #{LIMITS.begin} to #{LIMITS.end}" if limit && !LIMITS.cover?(limit)
        raise Error, "#{grain} of grain: expected 0 to 1" if grain && !OPACITIES.cover?(grain)
        raise Error, "a grain of #{grain_size}: expected #{GRAINS.begin} to #{GRAINS.end}" if grain_size && !GRAINS.cover?(grain_size)
        {cap: CAPS, join: JOINS, side: Lines::SIDES.keys, run: Lines::RUNS.keys, first_mark: Marks::ALL.keys, last_mark: Marks::ALL.keys}.each do |name, all|
          raise Error, "#{self[name].to_s[0, 40].inspect} is no #{name.to_s.tr("_", " ")}: expected #{Text.list(all).sub(/ and (?!.* and )/, " or ")}" unless self[name].nil? || all.include?(self[name])
        end
        raise Error, "an opacity of #{opacity} is none: expected 0 to 1" if opacity && !OPACITIES.cover?(opacity)
        raise Error, "#{blend[0, 40].inspect} is no way to blend: expected #{Text.list(BLENDS).sub(" and ", " or ")}" if blend && !BLENDS.include?(blend)
      end

      # The properties that are set, as CSS and SVG have them.
      # @param role [String, nil] only what belongs to it, see OF
      # @return [Hash{String => String}]
      def properties(role = nil)
        (role ? OF.fetch(role, []) : members).filter_map { |name| [NAMES[name], text(name)] if NAMES[name] && !self[name].nil? }.to_h
      end

      # As it is kept: what is set of a role.
      # @return [Hash{String => Object}]
      def kept(role) = OF.fetch(role, []).filter_map { |name| [name.to_s, self[name]] unless self[name].nil? }.to_h

      # @param tag [String] of an element of a template
      # @return [String]
      def written(tag)
        blended, plain = properties.partition { |name, _| name == NAMES[:blend] }
        plain.each { |name, _| tag = tag.sub(/ #{name}="[^"]*"/, "") }
        tag = tag.sub(/ #{Parts::MARK}=/o) { |mark| plain.map { |name, value| %( #{name}="#{CGI.escapeHTML(value)}") }.join + mark }
        blended.any? ? with_style(tag, blended.to_h) : tag
      end

      private

      def text(name)
        case name
        when :hidden then self[name] ? "none" : "inline"
        when :width, :opacity, :limit then Notation::Forms.short(self[name], 4)
        when :filter then filter.sub(/\Aurl\(#(?!#{Identifiers::MARK})/o) { |begun| begun + Identifiers::MARK }
        else self[name]
        end
      end

      def with_style(tag, properties)
        own = CGI.unescapeHTML(tag[STYLE, 1] || tag[STYLE, 2] || "").split(";").reject { |line| properties.key?(line[/\A\s*([\w-]+)/, 1]) }
        style = CGI.escapeHTML([*own, *properties.map { |name, value| "#{name}:#{value}" }].join(";"))
        tag.sub(STYLE, "").sub(/ #{Parts::MARK}=/o) { |mark| %( style="#{style}"#{mark}) }
      end

      # Reads a template. What files say in units, or in numbers that are none, becomes what
      # can be set: it may be given to other parts, whose file says something else.
      class Read
        LONGEST = 99_999 # of a dash, as DASH has it
        MOST = 64 # lengths of one

        def initialize(template) = @root = Nokogiri::XML(template).remove_namespaces!.root

        def to_h = {}.tap { |found| walk(@root, USUAL.to_h.slice(:width, :dash, :cap, :join, :limit), found) }

        private

        # How a line is drawn is handed on to what a group holds.
        def walk(node, line, found)
          line = {**line, **said(node)}
          key = node[Parts::MARK]&.delete_prefix(Identifiers::MARK)
          found[key] = settings(node, line) if key
          node.element_children.each { |child| walk(child, line, found) }
        end

        def said(node)
          limit = Float(node["stroke-miterlimit"].to_s, exception: false)
          {width: length(node["stroke-width"])&.clamp(WIDTHS), dash: dashes(node["stroke-dasharray"]), limit: limit&.clamp(LIMITS),
           cap: (node["stroke-linecap"] if CAPS.include?(node["stroke-linecap"])), join: (node["stroke-linejoin"] if JOINS.include?(node["stroke-linejoin"]))}.compact
        end

        def settings(node, line)
          Settings.new(**USUAL.to_h, **line, opacity: Parts.opacity(node["opacity"] || "1"), blend: blend(node["style"].to_s[/mix-blend-mode:\s*([\w-]+)/, 1]),
            filter: node["filter"]&.delete(Identifiers::MARK) || USUAL.filter, hidden: node["display"] == "none")
        end

        def blend(name) = BLENDS.include?(name) ? name : USUAL.blend

        # @return [String, nil] nil where it is none, as browsers have it: then what is handed on holds
        def dashes(text)
          return text if text.nil? || text == "none"
          lengths = text.strip.split(/[\s,]+/).first(MOST).map { |each| length(each)&.clamp(0, LONGEST) }
          return if lengths.empty? || lengths.include?(nil)
          (lengths.all? { |each| each < 1e-4 }) ? "none" : lengths.map { |each| Notation::Forms.short(each, 4) }.join(" ")
        end

        # What is below nothing is no width of a line, and no dash.
        # @return [Float, nil] nil where it is none that stands by itself
        def length(text) = Lengths.of(text, diagonal)&.then { |length| length unless length.negative? }

        def diagonal = @diagonal ||= Lengths.diagonal(*(@root["viewBox"].to_s.split(/[\s,]+/).last(2).map { |side| Float(side, exception: false) || 0.0 } + [0.0, 0.0]).first(2))
      end
      private_constant :Read
    end
  end
end
