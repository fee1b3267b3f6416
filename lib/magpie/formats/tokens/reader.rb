module Magpie
  module Formats
    class Tokens < Format
      # Reads one tokens file. Places in messages are token paths, as aliases write them.
      class Reader
        DEEPEST = 60
        ALIAS = /\A\{([^{}]+)\}\z/
        POINTER = %r{\A#/(.+)\z}
        LOOSE = "Colours" # the group of tokens that stand in none
        # Groups that extend one another can double with each line of the file. Ten
        # nodes for each colour that there may be is more than any real file has.
        MOST_NODES = 10 * MOST_SWATCHES
        SECONDS = 10

        # An alias that leads nowhere spoils the file, other than a value that cannot be read.
        class BrokenAlias < Error; end

        def initialize(text, name)
          @name = name
          @budget = Limits::Budget.new(steps: MOST_NODES, seconds: SECONDS, what: "tokens and groups, with those that are extended")
          @tree = parse(text)
          @tree = extended(@tree, [])
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

        # Follows $extends: a group has the tokens of another, its own on top.
        # @param inside [Array<Array<String>>] the groups that are being extended
        def extended(node, inside)
          @budget.spend(node.size + 1)
          if node["$extends"]
            path = node["$extends"].to_s[ALIAS, 1]&.split(".") || pointer(node["$extends"])
            raise Error, "the groups #{[*inside, path].map { |each| dotted(each) }.join(" → ")} extend each other in a circle" if inside.include?(path)
            base = path.reduce(@tree) { |each, key| each.is_a?(Hash) ? each[key] : nil }
            raise Error, "$extends names {#{dotted(path)}}, which is not in it" unless base.is_a?(Hash)
            node = merged(extended(base, [*inside, path]), node.except("$extends"))
          end
          node.transform_values { |child| (child.is_a?(Hash) && !child.key?("colorSpace")) ? extended(child, inside) : child }
        end

        def merged(base, own) = base.merge(own) { |_, one, two| (one.is_a?(Hash) && two.is_a?(Hash) && !token?(two)) ? merged(one, two) : two }

        # The parser quotes the text from where it stopped.
        def position(text, message)
          rest = message[/unexpected token at '(.*)/m, 1]&.delete_suffix("'")
          offset = rest && (rest.empty? ? text.length : text.rindex(rest[0, 2000]))
          return unless offset
          " at line #{text[0, offset].count("\n") + 1}#{", near “#{rest.lstrip[0, 20]}”" unless rest.strip.empty?}"
        end

        def walk(node, path, inherited)
          type = node["$type"] || inherited
          group_at(path, node) if extension(node)["name"] && !path.empty? # an empty group of ours stays
          node.each do |key, child|
            next if key.start_with?("$") && key != "$root"
            unless child.is_a?(Hash)
              @notes << "#{dotted([*path, key])} is neither a token nor a group, skipped"
              next
            end
            token?(child) ? token(child, path, key, type) : walk(child, [*path, key], type)
          end
        end

        def token?(node) = node.is_a?(Hash) && (node.key?("$value") || node.key?("$ref"))

        def token(node, path, key, inherited)
          place = [*path, key]
          type = node["$type"] || inherited || (resolved_type(node) if alias?(node))
          if type != "color" && !(type.nil? && colour_like?(node["$value"]))
            @notes << "#{dotted(place)} is #{type ? "a #{type}" : "of no stated type"}, not a colour, skipped"
            return
          end
          raise Error, "it has more than #{MOST_SWATCHES} colours" if (@count += 1) > MOST_SWATCHES
          add(node, place)
        end

        def add(node, place)
          colour = value(node, [dotted(place)])
          ours = extension(node)
          group_at(place[0..-2], parent_of(place)).swatches << Palette::Swatch.new(
            name: Text.name(ours["name"] || place.last), colour: exact(ours, colour), shared: ours["shared"] == true,
            note: description(node), definition: ours["definition"],
            code: ours["code"]&.then { |code| Text.name(code, longest: 80) }, kind: (ours["kind"] if ours["kind"] == "spot")
          )
        rescue BrokenAlias
          raise
        rescue Error => error
          @notes << "#{dotted(place)}: #{error.message}, skipped"
        end

        def group_at(path, node)
          @groups[path] ||= Palette::Group.new(name: Text.name(path.empty? ? LOOSE : extension(node)["name"] || path.join(" / ")), note: description(node), swatches: [])
        end

        def parent_of(place) = place[0..-2].reduce(@tree) { |node, key| node[key] }

        def alias?(node) = node.key?("$ref") || (node["$value"].is_a?(String) && node["$value"].match?(ALIAS))

        # What a token stands for, through its aliases.
        # @param seen [Array<String>] the tokens on the way here
        def value(node, seen)
          target = target_of(node) or return colour(node["$value"])
          where = dotted(target)
          raise BrokenAlias, "the aliases #{[*seen.drop_while { |step| step != where }, where].join(" → ")} go round in a circle" if seen.include?(where)
          value(find(target, seen.last), [*seen, where])
        end

        def target_of(node)
          return pointer(node["$ref"]) if node.key?("$ref")
          node["$value"].is_a?(String) ? node["$value"][ALIAS, 1]&.split(".") : nil
        end

        # A JSON pointer (RFC 6901) to a token or to its $value.
        def pointer(reference)
          steps = reference.to_s[POINTER, 1] or raise BrokenAlias, "the alias “#{reference}” does not point into this file"
          steps.split("/").map { |step| step.gsub("~1", "/").gsub("~0", "~") }.reject { |step| step == "$value" }
        end

        def find(path, from)
          node = path.reduce(@tree) { |each, key| each.is_a?(Hash) ? each[key] : nil }
          raise BrokenAlias, "the alias {#{dotted(path)}} in #{from} points at nothing" unless token?(node)
          node
        end

        def resolved_type(node)
          path = target_of(node)
          seen = [path]
          types = ->(steps) { steps.reduce([@tree, @tree["$type"]]) { |(each, type), key| (each.is_a?(Hash) && each[key].is_a?(Hash)) ? [each[key], each[key]["$type"] || type] : [nil, type] } }
          found, type = types.call(path)
          while type.nil? && token?(found) && (path = target_of(found)) && !seen.include?(path)
            seen << path
            found, type = types.call(path)
          end
          type || "color"
        end

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
          raise Error, "#{what} is #{value.inspect}: expected a number" unless value.is_a?(Numeric)
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

        def dotted(path) = path.join(".")
      end
    end
  end
end
