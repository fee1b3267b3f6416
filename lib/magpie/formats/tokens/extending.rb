module Magpie
  module Formats
    class Tokens < Format
      # Follows $extends: a group has the tokens of another, its own on top. What a group
      # comes to is put together once; what many extend is shared by them, not copied.
      class Extending
        DEEPEST = 100 # groups on the way

        # @param tree [Hash]
        # @param budget [Limits::Budget]
        def initialize(tree, budget)
          @tree, @budget = tree, budget
          @made = {}
        end

        # @return [Hash] the tree without $extends
        # @raise [Magpie::Error]
        def whole = extended(@tree, [])

        private

        # @param inside [Array<Array<String>>] the groups that are being extended
        def extended(node, inside)
          @budget.spend(:tokens_and_groups)
          @budget.spend(:steps_of_work, node.size)
          node = merged(base(Aliases.path(node["$extends"]), inside), node.except("$extends")) if node["$extends"]
          node.transform_values { |child| (child.is_a?(Hash) && !child.key?("colorSpace")) ? extended(child, inside) : child }
        end

        def base(path, inside)
          return @made[path] if @made[path]
          way = [*inside, path]
          raise Error, "the groups #{way.map { |each| Aliases.dotted(each) }.join(" → ")} extend each other in a circle" if inside.include?(path)
          raise Error, "its groups extend each other more than #{DEEPEST} deep" if way.size > DEEPEST
          node = path.reduce(@tree) { |each, key| each.is_a?(Hash) ? each[key] : nil }
          raise Error, "$extends names {#{Aliases.dotted(path)}}, which is not in it" unless node.is_a?(Hash)
          @made[path] = extended(node, way)
        end

        def merged(base, own)
          @budget.spend(:steps_of_work, base.size)
          base.merge(own) { |_, one, two| (one.is_a?(Hash) && two.is_a?(Hash) && !Aliases.token?(two)) ? merged(one, two) : two }
        end
      end
    end
  end
end
