require "crass"

module Magpie
  module Formats
    # CSS custom properties with the colours of CSS Color 4 and 5. Written as one :root
    # rule; a comment of its own names a group, one behind a declaration says in “ ” how a
    # swatch is called where its property does not, and its note. Read are custom
    # properties, @property, and colours in any other rule, nested ones too, as far as they
    # are constant.
    class Css < Format
      NOTATIONS = {"given" => "as defined", "hex" => "hex", "rgb" => "rgb()", "hsl" => "hsl()", "lab" => "lab()", "lch" => "lch()", "oklab" => "oklab()", "oklch" => "oklch()", "display-p3" => "color(display-p3)"}.freeze
      MODELS = {"rgb" => :srgb, "display-p3" => :display_p3}.freeze

      declare key: "css", title: "CSS custom properties", in_words: "CSS", endings: [".css"], media_type: "text/css", rank: 20, brief: "no codes, no spot inks",
        carries: %i[palette_name names notes groups opacity gradients links],
        options: [Option.new("model", "Colours", NOTATIONS, "given"), Option.new("prefix", "Prefix", nil, "")]

      %w[Blocks Nodes Value Channels Mixing Gradients Reader Writer].each { |name| autoload name.to_sym, "magpie/formats/css/#{name.downcase}" }

      class << self
        # @param source [Source]
        def fits(source)
          return 0 if source.head.match?(/\A\s*[<{]/) || !source.text?
          return 90 if source.head.match?(/(?<![\w-])--[\w\\-]+\s*:|@property\s+--/)
          source.head.match?(/[\w.#\])*:-]\s*\{[^{}]*[\w-]\s*:[^{}]/m) ? 60 : 0
        end

        # @return [Result]
        def read(source) = Reader.new(source).result

        # @param options [Hash] model and prefix; "dark": a Palette that has the colours
        #   of the same names where the page is dark
        def write(palette, options = {}) = Writer.new(palette, options).text

        def colour(colour, options) = Notation::Exact.read(written(colour, options))

        # @return [String] CSS
        def written(colour, options)
          notation = options.fetch("model", "given")
          (notation == "given") ? Notation::Exact.css(colour) : Notation::Exact.in(colour, MODELS.fetch(notation, notation.to_sym))
        end

        # There is none that comes back; and one that begins again does so from its first stop
        # to its last.
        def extent(compound)
          offsets = compound.inks.map(&:offset)
          (compound.extent == "repeat" && offsets.min.zero? && offsets.max == 1 && compound.form != "conic") ? "repeat" : "pad"
        end

        # Between stops at one place there is no middle, nor is there one after the last. What
        # cannot be seen is clear: its colour says nothing.
        def stops(inks)
          inks.each_with_index.map do |ink, index|
            ink = ink.with(colour: ink.colour.with(alpha: 1.0), opacity: 0.0) if ink.colour.alpha.zero?
            (inks[index + 1] && inks[index + 1].offset > ink.offset) ? ink : ink.with(middle: 0.5)
          end
        end

        # What may stand in a comment, in “ ” and before a note.
        def text(text, _options = {}) = text.gsub("*/", "* /").gsub("”:", "” :")

        def name(name, _options) = text(name)

        # "--ember-sky", "emberSky" as "Ember sky"
        # @return [String]
        def readable(property)
          words = property.delete_prefix("--").gsub(/(?<=[a-z])(?=[A-Z])/, " ").tr("-_", "  ").squeeze(" ").strip
          words.sub(/\A./, &:upcase)
        end
      end
    end
  end
end
