module Magpie
  module Formats
    class Tokens < Format
      # Reads one tokens file. Places in messages are token paths, as aliases write them.
      class Reader
        DEEPEST = 60
        LARGEST = 1_000_000 # of a component; none comes near it
        LOOSE = "Colours" # the group of tokens that stand in none

        # @param budget [Limits::Budget]
        def initialize(text, name, budget = Limits.palette)
          @name = name
          @budget = budget
          @tree = Extending.new(parse(text), budget).whole
          @aliases = Aliases.new(@tree, budget)
          @notes = []
          @groups = {}
          @count = 0
        end

        def result
          walk(@tree, [], nil)
          ours = extension(@tree)
          name = ours["name"] || (::File.basename(@name).sub(/(\.tokens)?\.json\z/i, "") unless @name == "the file")
          groups = @groups.values
          @notes << "there is no colour token in it" if groups.sum { |group| group.swatches.size } == 0
          Result.new(Palette.new(name: Text.name(name || "Palette"), note: description(@tree), groups:), @notes)
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
              @notes << "#{dotted([*path, key])} is neither a token nor a group, skipped"
              next
            end
            Aliases.token?(child) ? token(child, path, key, type) : walk(child, [*path, key], type)
          end
        end

        def token(node, path, key, inherited)
          place = [*path, key]
          type = node["$type"] || inherited || (@aliases.type(node) if @aliases.target(node))
          if type != "color" && !(type.nil? && colour_like?(node["$value"]))
            @notes << "#{dotted(place)} is #{type ? "a #{type.to_s[0, 40]}" : "of no stated type"}, not a colour, skipped"
            return
          end
          raise Error, "it has more than #{MOST_SWATCHES} colours" if (@count += 1) > MOST_SWATCHES
          add(node, place)
        end

        def add(node, place)
          colour = colour(@aliases.last(node, place)["$value"])
          ours = extension(node)
          group_at(place[0..-2], parent_of(place)).swatches << Palette::Swatch.new(
            name: Text.name(ours["name"] || place.last), colour: exact(ours, colour), shared: ours["shared"] == true,
            note: description(node), definition: ours["definition"],
            code: ours["code"]&.then { |code| Text.name(code, longest: 80) }, kind: (ours["kind"] if ours["kind"] == "spot")
          )
        rescue Aliases::Broken
          raise
        rescue Error => error
          @notes << "#{dotted(place)}: #{error.message}, skipped"
        end

        def group_at(path, node)
          @groups[path] ||= Palette::Group.new(name: Text.name(path.empty? ? LOOSE : extension(node)["name"] || path.join(" / ")), note: description(node), swatches: [])
        end

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

        # A model that the format does not have stands in the extension.
        def exact(ours, colour)
          ours["colour"].is_a?(Hash) ? Color.from_h(ours["colour"]) : colour
        rescue Error, KeyError, TypeError, NoMethodError
          colour
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
