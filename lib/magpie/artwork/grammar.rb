module Magpie
  class Artwork
    # What the value of each property may consist of, and how it is written anew: nothing
    # of a file's own text goes on. Which words a property knows is left to what draws;
    # none of them does anything but paint, since only properties that paint are listed.
    # Sources: SVG 2, appendix "Property index"; CSS Values 4, Color 4, Filter Effects 1,
    # Transforms 1, Fonts 4.
    class Grammar
      # What the renderer stands: it counts in 1/256 of a pixel, and sizes up to this.
      LARGEST = 10_000_000
      # Components of one value. Dashes and features are the longest.
      MOST = 400

      WORD = /\A-?[A-Za-z][A-Za-z0-9-]*\z/
      NUMBER = /\A[+-]?(?:\d+\.?\d*|\.\d+)(?:[eE][+-]?\d+)?\z/
      UNITS = %w[px pt pc mm cm in q em ex ch rem ic cap lh rlh vw vh vmin vmax vi vb deg grad rad turn].freeze
      MATHS = %w[calc min max clamp].freeze
      COLOURS = %w[rgb rgba hsl hsla hsb hwb lab lch oklab oklch color device-cmyk icc-color].freeze
      FILTERS = %w[blur brightness contrast drop-shadow grayscale hue-rotate invert opacity saturate sepia].freeze
      TRANSFORMS = %w[matrix translate translatex translatey scale scalex scaley rotate skew skewx skewy].freeze
      # Letters of any script, and what stands in the names of fonts.
      FONT_NAME = /\A[\p{L}\p{N} .,&+_()-]{1,100}\z/
      # An address with blanks in it is none in CSS, but drawings have them.
      SPACED = /\Aurl\(\s*+(#[^"'()\\]*+)\)\z/i
      PATH = /\A[MmZzLlHhVvCcSsQqTtAa\d\s,.eE+-]*\z/

      # @!attribute parts [Array<Symbol>] kinds of component values
      # @!attribute functions [Array<String>]
      # @!attribute address [Boolean] may it point at something in the same file?
      Form = Struct.new(:parts, :functions, :address)

      form = ->(parts, functions = [], address: false) { Form.new(%i[ident whitespace] + parts, functions, address).freeze }
      LENGTH = form.call(%i[number percentage dimension comma], MATHS)
      FORMS = {
        paint: form.call(%i[hash comma], COLOURS, address: true),
        colour: form.call(%i[hash comma], COLOURS),
        length: LENGTH,
        reference: form.call([], %w[circle ellipse inset polygon], address: true),
        filter: form.call([], FILTERS, address: true),
        transform: form.call([:comma], TRANSFORMS),
        word: form.call([]),
        fonts: form.call(%i[string comma]),
        font: form.call(%i[string comma number percentage dimension delim], MATHS),
        features: form.call(%i[string comma number]),
        path: form.call([], ["path"])
      }.freeze
      # What stands in brackets.
      ARGUMENTS = form.call(%i[number percentage dimension hash comma delim], MATHS + COLOURS)

      # @param property [String] one of Vocabulary::PROPERTIES
      # @param values [Array<Hash>] component values, variables put in
      # @return [String, nil] how it is written; nil where it is nothing that may be
      # @raise [Magpie::Error] for numbers that cannot be drawn
      def write(property, values)
        name = Vocabulary::PROPERTIES[property]
        return if values.size > MOST
        written = together(values.map { |value| text(value, FORMS.fetch(name), property) })
        (written.nil? || written.empty?) ? nil : written
      end

      # Does it name something that is not in the file?
      # @param values [Array<Hash>]
      def self.outside?(values)
        values.any? do |value|
          case value[:node]
          when :bad_url then !value[:raw].match?(SPACED)
          when :url then !value[:value].start_with?("#")
          when :function then strings(value).any? { |text| !text.start_with?("#") } && value[:name].match?(/url|src|image|cross-fade|expression|element/i) || outside?(value[:value])
          when :simple_block then outside?(value[:value])
          else false
          end
        end
      end

      def self.strings(function) = function[:value].filter_map { |value| value[:value] if value[:node] == :string }

      private

      def text(value, form, property)
        kind = value[:node]
        return function(value, form, property) if kind == :function
        return form.address ? reference(address(value)) : nil if %i[url bad_url].include?(kind)
        form.parts.include?(kind) ? send(:"of_#{kind}", value, property) : nil
      end

      def function(value, form, property)
        name = value[:name].downcase
        return reference(Grammar.strings(value).first) if name == "url" && form.address
        return unless form.functions.include?(name)
        return path(value) if name == "path"
        inside = together(value[:value].map { |each| argument(each, property) })
        "#{value[:name]}(#{inside})" if inside
      end

      def argument(value, property)
        return text(value, ARGUMENTS, property) unless value[:node] == :simple_block && value[:start] == "("
        inside = together(value[:value].map { |each| argument(each, property) })
        "(#{inside})" if inside
      end

      # Nothing where one of them is nothing.
      def together(texts) = texts.include?(nil) ? nil : texts.join.squeeze(" ").strip

      def address(value) = (value[:node] == :url) ? value[:value] : value[:raw][SPACED, 1]

      # Where it points is written as identifiers are, see Identifiers.
      def reference(target)
        "url(##{Identifiers.safe(target[1..].strip)})" if target&.strip&.match?(/\A#./)
      end

      def path(value)
        data = Grammar.strings(value).first
        "path('#{data}')" if data&.match?(PATH) && Geometry.check_numbers("d", data)
      end

      def of_ident(value, _) = value[:value].match?(WORD) ? value[:value] : nil

      def of_whitespace(_, _) = " "

      def of_comma(_, _) = ","

      def of_delim(value, _) = %w[/ + - *].include?(value[:value]) ? value[:value] : nil

      def of_hash(value, _) = value[:value].match?(/\A\h{3,8}\z/) ? "##{value[:value]}" : nil

      def of_string(value, _) = value[:value].match?(FONT_NAME) ? "'#{value[:value]}'" : nil

      def of_number(value, property)
        raise Error, "#{property} is #{value[:repr][0, 20]}: numbers go up to #{Text.thousands(LARGEST)}" unless value[:value].abs <= LARGEST
        value[:repr].match?(NUMBER) ? value[:repr] : nil
      end

      def of_percentage(value, property) = of_number(value, property)&.+("%")

      def of_dimension(value, property) = UNITS.include?(value[:unit].downcase) ? of_number(value, property)&.+(value[:unit]) : nil
    end
  end
end
