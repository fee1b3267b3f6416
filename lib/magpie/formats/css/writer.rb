module Magpie
  module Formats
    class Css < Format
      # Writes one palette as one rule.
      class Writer
        # @param palette [Palette]
        # @param options [Hash]
        def initialize(palette, options)
          @palette, @options = palette, options
          @prefix = Text.slug(options["prefix"], "").then { |prefix| prefix.empty? ? "" : "#{prefix}-" }
          @properties = named
          @dark = dark(options["dark"])
        end

        # @return [String]
        def text
          groups = @palette.groups.each_with_index.reject { |group, _| group.swatches.empty? }.map { |group, g| lines(group, g) }
          scheme = "  color-scheme: light dark;\n\n" if @dark.any?
          "/* “#{Css.text(@palette.name.to_s)}” */\n\n:root {\n#{scheme}#{groups.join("\n")}}\n"
        end

        private

        # A property for each, no two alike.
        def named
          taken = Hash.new(0)
          @palette.addressed.to_h do |address, swatch|
            slug = "--#{@prefix}#{Text.slug(swatch.name, "swatch")}"
            number = (taken[slug] += 1)
            number = (taken[slug] += 1) while number > 1 && taken.key?("#{slug}-#{number}")
            name = (number > 1) ? "#{slug}-#{number}" : slug
            taken[name] += 1 if number > 1
            [address, name]
          end
        end

        def dark(palette) = palette ? palette.swatches.reject(&:compound).to_h { |swatch| [swatch.name.downcase, swatch.colour] } : {}

        def lines(group, g)
          lines = group.swatches.each_with_index.map { |swatch, s| "  #{@properties[[g, s]]}: #{value(swatch)};#{comment(swatch, @properties[[g, s]])}\n" }
          "  /* #{heading(group.name)} */\n#{lines.join}"
        end

        def heading(name)
          name = Css.text(name)
          (name.size > Blocks::LONGEST_HEADING || name.match?(/\A[^[:alnum:]]|[^[:alnum:].!?)]\z|[“”\\]/) || name.empty?) ? "“#{name}”" : name
        end

        def value(swatch)
          return Gradients.write(swatch.compound) { |ink| (ink.reference && ink.opacity == 1) ? "var(#{@properties.fetch(ink.reference)})" : Css.written(ink.shown, @options) } if swatch.compound
          light = Css.written(swatch.colour, @options)
          dark = @dark[swatch.name.downcase]
          dark ? "light-dark(#{light}, #{Css.written(dark, @options)})" : light
        end

        # How it is called, where its property does not say so, and its note.
        def comment(swatch, property)
          known = Css.readable(property) == swatch.name
          return if known && !swatch.note
          " /* “#{Css.text(swatch.name)}”#{": #{Css.text(swatch.note)}" if swatch.note} */"
        end
      end
    end
  end
end
