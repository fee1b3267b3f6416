module Magpie
  module Formats
    class Tokens < Format
      # Writes one palette. Names that the format does not allow are changed for the
      # key and kept whole in the extension.
      class Writer
        SCREEN = %i[srgb hsl].freeze # what holds no colour outside the screen's range
        FORBIDDEN = /[{}.]|\A\$/

        # @param palette [Palette]
        # @param options [Hash] model: a colour space
        def initialize(palette, options = {})
          @palette = palette
          @model = SPACES[options["model"]]
          @groups = keys(palette.groups.map(&:name))
          @swatches = palette.groups.map { |group| keys(group.swatches.map(&:name)) }
        end

        def text = JSON.pretty_generate(tree) << "\n"

        private

        def tree
          tree = described(@palette.note, {"name" => @palette.name, "condition" => @palette.condition, "licence" => @palette.licence})
          @palette.groups.each_with_index { |group, g| tree[@groups[g]] = group(group, g) }
          tree
        end

        def group(group, g)
          node = described(group.note, {"name" => group.name})
          node["$type"] = "color"
          group.swatches.each_with_index { |swatch, s| node[@swatches[g][s]] = token(swatch) }
          node
        end

        def token(swatch)
          typed = {"$type" => "gradient"} if swatch.compound&.gradient?
          {**typed.to_h, "$value" => typed ? stops(swatch.compound) : value(swatch.colour)}.merge(described(swatch.note, ours(swatch)))
        end

        # What has no place outside, and what its place outside does not hold exactly.
        def ours(swatch)
          {"name" => swatch.name, "shared" => (true if swatch.shared), "definition" => swatch.definition, "code" => swatch.code, "library" => swatch.library, "kind" => swatch.kind,
           "colour" => (swatch.colour.to_h unless swatch.compound || exactly?(swatch.colour)), "compound" => swatch.compound&.to_h, "follows" => follows(swatch.compound), "tint" => tint(swatch.tint),
           "spectrum" => swatch.spectrum&.then { |spectrum| {"start" => spectrum.start, "step" => spectrum.step, "values" => spectrum.values} },
           "inks" => swatch.inks, "page" => swatch.page, "position" => swatch.position}
        end

        def exactly?(colour) = MODELS[colour.model] && (@model.nil? || @model == colour.model && (!SCREEN.include?(@model) || colour.in_srgb?))

        def tint(tint) = tint && {"percent" => tint.percent, "of" => name(tint.of)}

        # What the inks of a pattern follow; stops say so themselves.
        def follows(compound)
          compound.inks.map { |ink| ink.reference && name(ink.reference) } if compound && !compound.gradient? && compound.inks.any?(&:reference)
        end

        def stops(compound)
          compound.inks.values_at(*compound.order).map { |ink| {"color" => ink.reference ? name(ink.reference) : value(ink.shown), "position" => ink.offset} }
        end

        # An alias of the swatch at an address.
        def name((g, s)) = "{#{@groups[g]}.#{@swatches[g][s]}}"

        def value(colour)
          colour = Gamut.to_srgb(colour) if SCREEN.include?(@model)
          colour = colour.to(@model || (MODELS[colour.model] ? colour.model : :srgb))
          value = {"colorSpace" => MODELS.fetch(colour.model), "components" => colour.components}
          value["alpha"] = colour.alpha unless colour.opaque?
          value.merge("hex" => colour.with(alpha: 1).hex.downcase)
        end

        def described(note, ours) = {"$description" => note, "$extensions" => {EXTENSION => ours.compact}}.compact

        # One for each, no two alike.
        def keys(names)
          taken = {}
          names.map do |name|
            key = name.gsub(FORBIDDEN, "_").then { |made| made.empty? ? "unnamed" : made }
            key = free(key, taken)
            taken[key.downcase] = (taken[key.downcase] || 1)
            key
          end
        end

        def free(key, taken)
          return key unless taken.key?(key.downcase)
          number = taken[key.downcase]
          number += 1 while taken.key?("#{key} #{number + 1}".downcase)
          taken[key.downcase] = number + 1
          "#{key} #{number + 1}"
        end
      end
    end
  end
end
