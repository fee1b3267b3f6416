module Magpie
  module Formats
    class Tokens < Format
      # Reads one tokens file. Places in messages are token paths, as aliases write them.
      class Reader
        DEEPEST = 60
        LARGEST = 1_000_000 # of a component; none comes near it
        LOOSE = "Colours" # the group of tokens that stand in none

        # @param source [Source]
        # @param budget [Limits::Budget]
        def initialize(source, budget = Limits.palette)
          @builder = Builder.new(source, budget)
          @budget = budget
          @tree = Extending.new(parse(source.text), budget).whole
          @aliases = Aliases.new(@tree, budget)
          @placed, @tints, @stops = {}, [], []
        end

        # @return [Result]
        def result
          walk(@tree, [], nil)
          tie
          ours = Exactly.new(extension(@tree))
          @builder.result(words: "Design tokens in #{@builder.source.encoding}", name: ours.text("name", 200), note: description(@tree), condition: ours.text("condition", 200), licence: ours.text("licence", 2000))
        end

        private

        def parse(text)
          tree = JSON.parse(text, max_nesting: DEEPEST)
          raise Error, "expected an object of tokens at the top, found #{tree.class.name.downcase}" unless tree.is_a?(Hash)
          tree
        rescue JSON::NestingError
          raise Error, "it is nested deeper than #{DEEPEST}"
        rescue JSON::ParserError => error
          raise Error, "it is not valid JSON#{position(text, error.message)}"
        end

        # The parser quotes the text from where it stopped.
        def position(text, message)
          rest = message[/unexpected token at '(.*)/m, 1]&.delete_suffix("'")
          offset = rest && (rest.empty? ? text.length : text.rindex(rest[0, 2000]))
          return unless offset
          " at line #{text[0, offset].count("\n") + 1}#{", near “#{rest.lstrip[0, 20]}”" unless rest.strip.empty?}"
        end

        # Groups that extend one another can double with each line of the file.
        def walk(node, path, inherited)
          @budget.spend(:tokens_and_groups, node.size)
          type = node["$type"] || inherited
          group_at(path, node) if extension(node)["name"] && !path.empty? # an empty group of ours stays
          node.each do |key, child|
            next if key.start_with?("$") && key != "$root"
            unless child.is_a?(Hash)
              @builder.note(dotted([*path, key]), "neither a token nor a group, left out")
              next
            end
            Aliases.token?(child) ? token(child, path, key, type) : walk(child, [*path, key], type)
          end
        end

        def token(node, path, key, inherited)
          place = [*path, key]
          type = node["$type"] || inherited || (@aliases.type(node) if @aliases.target(node))
          type = "gradient" if type.nil? && stops?(node["$value"])
          return gradient(node, place) if type == "gradient"
          if type != "color" && !(type.nil? && colour_like?(node["$value"]))
            @builder.note(dotted(place), "#{type ? "a #{type.to_s[0, 40]}" : "of no stated type"}, not a colour, left out")
            return
          end
          trying(place) { add(node, place) }
        end

        # An alias that leads nowhere spoils the file; a value that cannot be read does not.
        def trying(place)
          yield
        rescue Aliases::Broken, Limits::Exceeded
          raise
        rescue Error => error
          @builder.note(dotted(place), "#{error.message}, left out")
        end

        def add(node, place)
          read = colour(@aliases.last(node, place)["$value"])
          exact = Exactly.new(extension(node))
          compound = exact.compound(nil, read)
          swatch = put(node, place, exact, colour: compound ? compound.colour : exact.colour(read), compound:)
          @stops << [swatch, exact.follows] if compound && exact.follows.any?
        end

        def gradient(node, place)
          trying(place) do
            value = @aliases.last(node, place)["$value"]
            read, aliases = Stops.new(@aliases, place) { |each| colour(each) }.read(value)
            exact = Exactly.new(extension(node))
            compound = exact.compound(read, nil)
            swatch = put(node, place, exact, colour: compound.colour, compound:)
            @stops << [swatch, aliases] if aliases.any?
          end
        end

        def put(node, place, exact, **held)
          swatch = @builder.add(group_at(place[0..-2], parent_of(place)), name: exact.text("name", 200) || place.last, shared: extension(node)["shared"] == true, note: description(node),
            definition: exact.text("definition", 200), code: exact.text("code", 80), library: exact.text("library", 120), kind: (extension(node)["kind"] if extension(node)["kind"] == "spot"),
            spectrum: exact.spectrum, inks: exact.inks, page: exact.text("page", 40), position: exact.text("position", 40), **held)
          @tints << [swatch, *exact.tint] if exact.tint
          @placed[place] = swatch
        end

        # What follows another swatch, once all of them have their places.
        def tie
          addresses = {}.compare_by_identity
          @builder.groups.values.each_with_index { |group, g| group.swatches.each_with_index { |swatch, s| addresses[swatch] = [g, s] } }
          found = ->(name) { name && addresses[@placed[Aliases.path(name)]] }
          @tints.each { |swatch, percent, of| swatch.tint = found.call(of)&.then { |address| Palette::Tint.new(percent, address) } }
          @stops.each { |swatch, names| swatch.compound = referring(swatch.compound, names.map(&found)) }
        end

        # Stops stand by offset in the file, inks as they were in the extension.
        def referring(compound, references)
          order = compound.order
          compound.referring(order.zip(references).sort_by(&:first).map(&:last))
        end

        def stops?(value) = value.is_a?(Array) && value.any? && value.all? { |stop| stop.is_a?(Hash) && stop.key?("color") && stop.key?("position") }

        def group_at(path, node) = @builder.begin_group(path, name: path.empty? ? LOOSE : Exactly.new(extension(node)).text("name", 200) || path.join(" / "), note: description(node))

        def parent_of(place) = place[0..-2].reduce(@tree) { |node, key| node[key] }

        def colour_like?(value) = value.is_a?(Hash) ? value.key?("colorSpace") : value.is_a?(String) && !Notation.try(value).nil?

        def colour(value)
          return Notation.parse(value) if value.is_a?(String)
          raise Error, "its value is #{value.class.name.downcase}: expected a colour" unless value.is_a?(Hash)
          model = SPACES[value["colorSpace"]] or raise Error, "its colour space is “#{value["colorSpace"]}”: expected one of #{SPACES.keys.join(", ")}"
          Color.new(model, components(value["components"]), number(value.fetch("alpha", 1), "its alpha"))
        end

        def components(list)
          raise Error, "it has no list of three components" unless list.is_a?(Array) && list.size == 3
          list.map { |component| (component == "none") ? 0.0 : number(component, "a component") }
        end

        def number(value, what)
          raise Error, "#{what} is #{value.inspect[0, 40]}: expected a number" unless value.is_a?(Numeric) && value.to_f.abs < LARGEST
          value
        end

        def extension(node)
          ours = node["$extensions"].is_a?(Hash) ? node["$extensions"][EXTENSION] : nil
          ours.is_a?(Hash) ? ours : {}
        end

        def description(node) = node["$description"].is_a?(String) ? Text.name(node["$description"], longest: 2000) : nil

        def dotted(path) = Aliases.dotted(path)
      end
    end
  end
end
