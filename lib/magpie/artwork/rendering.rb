require "digest"
require "json"

module Magpie
  class Artwork
    # Puts paint into a template. A template has ` data-part="KEY"` where the paint
    # of that part (or gradient stop) goes.
    module Rendering
      PART = / data-part="([^"]*)"/
      ATTRIBUTE = {"fill" => "fill", "line" => "stroke", "stop" => "stop-color"}.freeze
      OPACITY = {"fill" => "fill-opacity", "line" => "stroke-opacity", "stop" => "stop-opacity"}.freeze
      ROLES = ATTRIBUTE.keys.freeze

      module_function

      # Self-standing, plain colours.
      # @param paints [Hash{[key, role] => Paint}]
      def flat(template, paints)
        filled = fill(template, paints) { |_, role, paint| written(attributes(role, paint)) }
        with_compounds(filled.gsub(PART, ""), paints) { |ink| ink.colour.hex }.delete(Identifiers::MARK)
      end

      # For a page: swatches as custom properties, parts marked so that they can be
      # picked, identifiers behind a prefix. A paint's `swatch` is its CSS variable.
      def live(template, paints, prefix:)
        hexes = Hash.new { |known, colour| known[colour] = colour.hex }.compare_by_identity
        filled = fill(template, paints) do |_, role, paint|
          next written(attributes(role, paint)) unless paint.swatch && paint.kind == :colour
          # The variable carries the swatch's own opacity, the attribute the place's.
          written({ATTRIBUTE[role] => "var(#{paint.swatch},#{hexes[paint.colour]})", OPACITY[role] => opacity(paint.opacity)}.compact)
        end
        with_compounds(filled, paints) { |ink| ink.reference ? "var(--swatch-#{ink.reference},#{ink.colour.hex})" : ink.colour.hex }.gsub(Identifiers::MARK, prefix)
      end

      # Self-standing, following custom properties: what does not know them shows the
      # plain colour. A paint's `swatch` is its [class name, CSS variable, name].
      def linked(template, paints)
        swatches = paints.values.select { |paint| paint.swatch && paint.kind == :colour }.to_h { |paint| [paint.swatch, paint.colour] }
        filled = fill(template, paints, classes: true) do |_, role, paint|
          written(attributes(role, paint))
        end
        drawing = with_compounds(filled.gsub(PART, ""), paints) { |ink| ink.colour.hex }.delete(Identifiers::MARK)
        swatches.empty? ? drawing : drawing.sub(/<svg[^>]*>/) { |root| root + stylesheet(swatches) }
      end

      # The attributes that paint a role, opacity included.
      def attributes(role, paint)
        case paint.kind
        when :none then {ATTRIBUTE[role] => "none"}
        when :reference then {ATTRIBUTE[role] => paint.reference.sub("url(#", "url(##{Identifiers::MARK}"), OPACITY[role] => opacity(paint.opacity)}.compact
        when :compound then {ATTRIBUTE[role] => "url(##{compound_id(paint.compound)})", OPACITY[role] => opacity(paint.opacity)}.compact
        else
          colour = paint.colour
          {ATTRIBUTE[role] => colour.with(alpha: 1).hex, OPACITY[role] => opacity(paint.opacity * colour.alpha)}.compact
        end
      end

      # Gradients and patterns that are not the artwork's own come first in it.
      def with_compounds(drawing, paints, &shown)
        compounds = paints.values.filter_map(&:compound).uniq
        return drawing if compounds.empty?
        servers = compounds.map { |compound| compound.svg(compound_id(compound), &shown) }.join
        drawing.sub(/<svg[^>]*>/) { |root| "#{root}<defs>#{servers}</defs>" }
      end

      def compound_id(compound) = "#{Identifiers::MARK}compound-#{Digest::SHA256.hexdigest(JSON.generate([compound.to_h, compound.inks.map(&:reference)]))[0, 12]}"

      def fill(template, paints, classes: false)
        template.gsub(PART) do |mark|
          key = $1
          roles = ROLES.select { |role| paints.key?([key, role]) }
          names = classes ? roles.filter_map { |role| (paint = paints[[key, role]]).kind == :colour && paint.swatch&.first&.then { |name| "#{role}-#{name}" } } : []
          mark + roles.map { |role| yield key, role, paints[[key, role]] }.join + (names.empty? ? "" : %( class="#{names.join(" ")}"))
        end
      end

      def stylesheet(swatches)
        variables = swatches.map { |(_, variable, name), colour| "#{variable}:#{colour.hex}; /* #{name.gsub(/[<>&*]/, "")} */" }
        rules = swatches.keys.flat_map { |name, variable, _| ATTRIBUTE.map { |role, property| ".#{role}-#{name}{#{property}:var(#{variable})}" } }
        "<style>\n:root{\n#{variables.join("\n")}\n}\n#{rules.join("\n")}\n</style>"
      end

      def written(attributes) = attributes.map { |name, value| %( #{name}="#{value}") }.join

      def opacity(value) = (value < 1) ? number(value) : nil

      def number(value) = Notation::Forms.short(value, 4)
    end
  end
end
