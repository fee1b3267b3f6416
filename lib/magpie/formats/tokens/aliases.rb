module Magpie
  module Formats
    class Tokens < Format
      # What tokens stand for that name others: each is followed once, whoever asks.
      class Aliases
        ALIAS = /\A\{([^{}]+)\}\z/
        POINTER = %r{\A#/(.+)\z}
        LONGEST = 80 # characters of a name in a message
        SHOWN = 12 # steps of a circle that are named

        # An alias that leads nowhere spoils the file, other than a value that cannot be read.
        class Broken < Error; end

        def self.token?(node) = node.is_a?(Hash) && (node.key?("$value") || node.key?("$ref"))

        def self.dotted(path) = path.map { |step| (step.size > LONGEST) ? "#{step[0, LONGEST]}…" : step }.join(".")

        # Where {group.token} or a JSON pointer (RFC 6901) leads, to a token or its $value.
        # @return [Array<String>]
        # @raise [Broken]
        def self.path(reference)
          return reference[ALIAS, 1].split(".") if reference.is_a?(String) && reference.match?(ALIAS)
          steps = reference.to_s[POINTER, 1] or raise Broken, "the alias “#{reference.to_s[0, 80]}” does not point into this file"
          steps.split("/").map { |step| step.gsub("~1", "/").gsub("~0", "~") }.reject { |step| step == "$value" }
        end

        # @param tree [Hash] of groups and tokens
        # @param budget [Limits::Budget]
        def initialize(tree, budget)
          @tree, @budget = tree, budget
          @ends, @types = {}, {}
        end

        # @param node [Hash] a token
        # @return [Array<String>, nil] the token that it stands for
        def target(node)
          return Aliases.path(node["$ref"]) if node.key?("$ref")
          value = node["$value"]
          Aliases.path(value) if value.is_a?(String) && value.match?(ALIAS)
        end

        # The token at the end of the way.
        # @param node [Hash] a token
        # @param path [Array<String>] where it stands
        # @return [Hash] one that stands for itself
        # @raise [Broken] where it leads nowhere, or round in a circle
        def last(node, path)
          passed = {}
          until @ends[path]
            raise Broken, "the aliases #{circle(passed.keys, path)} go round in a circle" if passed[path]
            passed[path] = true
            target = target(node) or break @ends[path] = node
            node, path = find(target, path), target
          end
          @ends[path].tap { |found| passed.each_key { |each| @ends[each] = found } }
        end

        # Of a token that names none itself: that of the first on the way that has one.
        # @return [String]
        def type(node)
          passed = {}
          until (path = target(node)).nil? || passed[path]
            break if @types[path]
            passed[path] = true
            node, found = typed(path)
            break unless found.nil? && Aliases.token?(node)
          end
          ((path && @types[path]) || found || "color").tap { |type| passed.each_key { |each| @types[each] = type } }
        end

        private

        def find(path, from)
          @budget.spend(:steps_of_work)
          node = path.reduce(@tree) { |each, key| each.is_a?(Hash) ? each[key] : nil }
          raise Broken, "the alias {#{Aliases.dotted(path)}} in #{Aliases.dotted(from)} points at nothing" unless Aliases.token?(node)
          node
        end

        # What stands there, and its type or the one that it inherits.
        def typed(path)
          @budget.spend(:steps_of_work)
          path.reduce([@tree, @tree["$type"]]) { |(each, type), key| (each.is_a?(Hash) && each[key].is_a?(Hash)) ? [each[key], each[key]["$type"] || type] : [nil, type] }
        end

        def circle(passed, path)
          steps = [*passed.drop_while { |step| step != path }, path].map { |step| Aliases.dotted(step) }
          steps = [*steps.first(SHOWN / 2), "…", *steps.last(SHOWN / 2)] if steps.size > SHOWN
          steps.join(" → ")
        end
      end
    end
  end
end
