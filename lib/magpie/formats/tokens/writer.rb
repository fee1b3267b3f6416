module Magpie
  module Formats
    class Tokens < Format
      # Writes one palette. Names that the format does not allow are changed for the
      # key and kept whole in the extension.
      class Writer
        FORBIDDEN = /[{}.]|\A\$/

        def initialize(palette)
          @palette = palette
        end

        def text = JSON.pretty_generate(tree) << "\n"

        private

        def tree
          tree = described(@palette.note, {"name" => @palette.name})
          @palette.groups.each { |group| tree[key(group.name, tree)] = group(group) }
          tree
        end

        def group(group)
          node = described(group.note, {"name" => group.name})
          node["$type"] = "color"
          group.swatches.each { |swatch| node[key(swatch.name, node)] = token(swatch) }
          node
        end

        def token(swatch)
          colour = swatch.colour
          ours = {"name" => swatch.name, "shared" => (true if swatch.shared), "definition" => swatch.definition, "code" => swatch.code, "kind" => swatch.kind}
          ours["colour"] = colour.to_h unless MODELS[colour.model]
          {"$value" => value(MODELS[colour.model] ? colour : colour.to(:srgb))}.merge(described(swatch.note, ours))
        end

        def value(colour)
          value = {"colorSpace" => MODELS.fetch(colour.model), "components" => colour.components}
          value["alpha"] = colour.alpha unless colour.opaque?
          value.merge("hex" => colour.with(alpha: 1).hex.downcase)
        end

        def described(note, ours)
          {"$description" => note, "$extensions" => {EXTENSION => ours.compact}}.compact
        end

        def key(name, taken)
          key = name.gsub(FORBIDDEN, "_")
          key = "unnamed" if key.empty?
          ColorName.unused(key, taken.keys)
        end
      end
    end
  end
end
