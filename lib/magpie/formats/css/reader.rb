module Magpie
  module Formats
    class Css < Format
      # Reads one style sheet. Places in notes are lines.
      class Reader
        ROOT = /\A(((:where|:is)\()?(:root|html|body|:host|\*)\)?(\s*,\s*)?)*\z|\A@(layer|supports|property|container|scope)\b/i
        DARK = /prefers-color-scheme\s*:\s*dark/i
        COLOURS = /\A(color|fill|stroke|background|background-color|background-image|border(-\w+)*|outline(-color)?|accent-color|caret-color|text-decoration(-color)?|stop-color|flood-color|column-rule(-color)?)\z/i
        CHANNELS = /-(rgb|hsl|hwb|lab|lch|oklab|oklch)\z/
        OTHERS = 12 # custom properties that are named in the note of those that are no colours

        # @param source [Source]
        # @param budget [Limits::Budget]
        def initialize(source, budget = Limits.palette)
          @builder = Builder.new(source, budget)
          @blocks = Blocks.new(source.text, budget)
          @declarations = @blocks.declarations
          @value = Value.new(variables, budget)
          @gradients = Gradients.new(@value)
          @declared = @declarations.to_h { |declaration| [declaration.name, true] }
          @places, @stops, @others, @seen = {}, [], [], {}
        end

        # @return [Result]
        def result
          standing.each { |declaration| custom?(declaration) ? custom(declaration) : plain(declaration) }
          tie
          note_others
          @builder.result(words: "A style sheet in #{@builder.source.encoding}", name: @blocks.header&.[](Blocks::QUOTED, 1))
        end

        private

        # Of a custom property that is declared again in the same place, the later counts.
        # @return [Array<Blocks::Declaration>]
        def standing
          last = {}
          @declarations.each { |each| last[[each.name, each.way]] = each if custom?(each) }
          @declarations.select do |each|
            next true unless custom?(each)
            later = last[[each.name, each.way]]
            @builder.note("line #{each.line}", "declared again on line #{later.line}, which counts", "#{each.name}: #{each.text}") if each.text != later.text
            later.equal?(each)
          end
        end

        def custom?(declaration) = declaration.name.start_with?("--") || registered(declaration)

        # @return [String, nil] the custom property that an @property is about
        def registered(declaration) = declaration.name.casecmp?("initial-value") && declaration.way.last.to_s[/\A@property\s+(--\S+)/i, 1]

        # Those of the page itself, and of others where it has none; the later one counts.
        def variables
          custom = @declarations.select { |each| custom?(each) }.partition { |each| each.way.any? { |step| !step.match?(ROOT) } }
          custom.flatten.to_h { |each| [registered(each) || each.name, each] }
        end

        def custom(declaration)
          name = registered(declaration) || declaration.name
          return if registered(declaration) && @declared[name]
          @builder.trying("line #{declaration.line}", "#{declaration.name}: #{declaration.text}") { value(declaration, name) }
        end

        # Most values are a colour and nothing else.
        SIMPLE = /\A(?:#\h{3,8}|(?:rgba?|hsla?|hwb|lab|lch|oklab|oklch|color)\((?:[a-z][\w-]+ )?[\d\s.,%\/+-]*\))\z/i

        def value(declaration, name)
          if declaration.text.match?(SIMPLE)
            swatch = add(declaration, group(declaration), title(declaration, name), colour: Notation.parse(declaration.text, lenient: true))
            return @places[name] ||= swatch
          end
          return gradient(declaration, name) if Gradients.node(declaration.value)
          whole = @value.whole(declaration.value)
          return bare(declaration, name, whole) unless Value.colour?(whole)
          colours = @value.colours(whole)
          swatch = add(declaration, group(declaration), title(declaration, name), colour: colours[0])
          add(declaration, [group(declaration), "dark"].join(", "), title(declaration, name), colour: colours[1]) if colours[1]
          @places[name] ||= swatch
        end

        # Channels without their function, which the property's own name tells.
        def bare(declaration, name, whole)
          form = name[CHANNELS, 1]
          colour = Notation.try("#{form}(#{whole.map { |node| node[:raw] }.join.strip})", lenient: false) if form && !@declared[name.sub(CHANNELS, "")]
          return @others << name unless colour
          @builder.note("line #{declaration.line}", "channels alone, read as #{form}() since #{name} says so", declaration.text) if (@bare = @bare.to_i + 1) == 1
          add(declaration, group(declaration), title(declaration, name.sub(CHANNELS, "")), colour:)
        end

        def gradient(declaration, name)
          compound, properties = @gradients.read(Gradients.node(declaration.value))
          swatch = add(declaration, group(declaration), title(declaration, name), colour: compound.colour, compound:)
          @places[name] ||= swatch
          @stops << [swatch, properties] if properties.any?
        end

        # In any rule: what colours something, called after what it colours.
        def plain(declaration)
          return unless declaration.name.match?(COLOURS) && declaration.way.any?
          nodes = @builder.trying("line #{declaration.line}", declaration.text) { declaration.value }.to_a.reject { |node| node[:node] == :whitespace }
          nodes.select { |node| paint?(node) }.each do |node|
            @builder.trying("line #{declaration.line}", "#{declaration.name}: #{declaration.text}") { painted(declaration, node) }
          end
        end

        # What another declaration holds already is no paint of its own.
        def paint?(node) = Gradients.node([node]) || !(@declared[Value.variable([node])] || passing?(node)) && colour?(node)

        def colour?(node)
          Value.colour?(@value.whole([node]))
        rescue Error
          false
        end

        def passing?(node) = node[:node] == :ident && %w[currentcolor transparent].include?(node[:value].downcase)

        def painted(declaration, node)
          compound, = @gradients.read(node) if Gradients.node([node])
          colour = compound ? compound.colour : @value.colour(@value.whole([node]))
          selector = declaration.way.reduce { |outer, inner|
            if inner.include?("&")
              inner.gsub("&", outer)
            else
              (inner.start_with?("@") ? outer : inner)
            end
          }.to_s
          name = readable(selector.split(/[\s>+~,]+/).last.to_s.gsub(/\A[.#]|::?[\w-]+(\(.*\))?\z/, ""))
          group = context(declaration.way.grep(/\A@/), declaration.section)
          name = "#{name}, #{declaration.name}" if @seen.fetch([group, selector, name], colour) != colour
          return if @seen[[group, selector, name]] == colour
          @seen[[group, selector, name]] = colour
          add(declaration, group, name, colour:, compound:)
        end

        def add(declaration, group, name, **swatch)
          note = declaration.comment && (declaration.comment.match?(Blocks::QUOTED) ? declaration.comment[Blocks::QUOTED, 2] : declaration.comment)
          @builder.add(group, name:, note:, **swatch)
        end

        def group(declaration) = context(declaration.way, declaration.section)

        def context(way, section)
          section = section[Blocks::QUOTED, 1] if section&.match?(Blocks::QUOTED)
          steps = way.reject { |step| step.match?(ROOT) }.map { |step| step.match?(DARK) ? "dark" : step.sub(/\A@media\s*/i, "") }
          name = [section, *steps].compact.join(", ")
          name.empty? ? @builder.source.stem : name
        end

        def title(declaration, property) = declaration.comment.to_s[Blocks::QUOTED, 1] || readable(property)

        # "--ember-sky", "emberSky" as "Ember sky"
        def readable(property) = Css.readable(property)

        def tie
          addresses = {}.compare_by_identity
          @builder.groups.values.each_with_index { |group, g| group.swatches.each_with_index { |swatch, s| addresses[swatch] = [g, s] } }
          @stops.each do |swatch, properties|
            references = properties.map { |property| addresses[@places[property]] if @places[property]&.compound.nil? }
            swatch.compound = swatch.compound.referring(references)
          end
        end

        def note_others
          return if @others.empty?
          names = @others.first(OTHERS).join(", ")
          @builder.note(nil, "#{Text.count(@others.size, "custom property")} #{(@others.size == 1) ? "is no colour" : "are no colours"}, left out: #{names}#{" …" if @others.size > OTHERS}")
        end
      end
    end
  end
end
