require "cgi"

module Page
  # What a page is told of an artwork. Its drawing comes once, without paint, with a number
  # where each part is; then the paints, by number, those of swatches as custom properties.
  # A paint's reference is the swatch's id.
  class Painter < Magpie::Painters::Svg
    # The identifiers of the file, so that they meet none of ours in the same root.
    PREFIX = "of-file-"

    # @param id [Integer] of a swatch
    def self.variable(id) = "--swatch-#{id}"

    # The property, and what holds where it is not set.
    def self.property(id, hex) = "var(#{variable(id)},#{hex})"

    # @param template [String] see Magpie::Artwork
    # @param numbers [Hash{String => Integer}] of parts, by key
    # @return [String] SVG
    def self.drawing(template, numbers)
      template.gsub(PART) { numbers[CGI.unescapeHTML($1)]&.then { |number| %( data-part="#{number}") } }.gsub(Magpie::Artwork::Identifiers::MARK, PREFIX)
    end

    # What parts with grain have on their fills.
    # @return [String] SVG
    def self.grain = "<defs>#{Magpie::Artwork::Grain.tile.gsub(Magpie::Artwork::Identifiers::MARK, PREFIX)}</defs>"

    # @param dressing [Dressing]
    def initialize(dressing)
      super("", dressing.paints)
      @dressing = dressing
    end

    # @return [Array<[String, String, Float, Array<Integer>, Hash]>] role, what the attribute
    #   holds, its opacity, the numbers of the parts that are painted so, and properties that
    #   are set of them, where there are any
    def paints
      found = @dressing.places.group_by { |place| [place.role, *seen(place, @paints[[place.key, place.role]]), place.settings] }
      found.map { |(role, text, opacity, set), places| [role, text, opacity, places.map(&:number), (properties(role, set) if set)].compact }
    end

    # Parts whose lines are made of elements of their own: what stands in their place.
    # @return [Hash{Integer => String}] SVG by number
    def lines
      return @lines if @lines
      numbers = @dressing.places.to_h { |place| [place.key, place.number] }
      @lines = @dressing.lines.to_h { |key, group| [numbers.fetch(key), Painter.drawing(group, numbers)] }
    end

    # Has one of them grain?
    def grain? = lines.any? { |_, group| group.include?(Magpie::Artwork::Grain::ID.sub(Magpie::Artwork::Identifiers::MARK, PREFIX)) }

    # Gradients and patterns of palettes that places hold.
    # @return [String] SVG
    def servers
      @dressing.places.each { |place| @paints[[place.key, place.role]].then { |paint| served(place, paint) if paint.compound } }
      @servers.to_s
    end

    private

    def frames = @dressing.frames

    def writing = InkWriting.new

    # What is in a swatch changes, its name does not: places that follow it are left alone.
    def served(place, paint)
      name = place.swatch_id ? "swatch-#{place.swatch_id}" : (@names ||= {}.compare_by_identity)[paint.compound] ||= Magpie::Painters::Servers.name(paint.compound).delete(Magpie::Artwork::Identifiers::MARK)
      @servers.use(paint.compound, frames[place.key], paint.laid, name:)
    end

    def seen(place, paint)
      return ["url(##{served(place, paint)})", paint.opacity] if paint.compound
      text, opacity = value(paint, place.key)
      [text.gsub(Magpie::Artwork::Identifiers::MARK, PREFIX), opacity.round(4)]
    end

    def properties(role, set)
      Magpie::Artwork::Settings.kept(JSON.parse(set)).properties(role).transform_values { |value| value.gsub(Magpie::Artwork::Identifiers::MARK, PREFIX) }
    end

    # The property carries the swatch's own opacity.
    def ink(colour, reference)
      return Ink.new("var(#{Painter.variable(reference)})", 1.0) if reference
      Ink.new(colour.with(alpha: 1).hex, colour.alpha)
    end
  end
end
