module Magpie
  class Palette
    # Orders swatches by what they are. What is equal keeps its order.
    module Order
      # Below this OKLCH chroma a hue says nothing: greys come first, by lightness.
      GREY = 0.02

      KEYS = {
        "lightness" => ->(swatch) { swatch.colour.in(:oklch)[0] },
        "hue" => ->(swatch) { by_hue(swatch.colour.in(:oklch)) },
        "chroma" => ->(swatch) { swatch.colour.in(:oklch)[1] },
        "name" => ->(swatch) { natural(swatch.name) },
        "use" => ->(swatch, uses) { -uses.fetch(swatch, 0) }
      }.freeze

      module_function

      # @param swatches [Array] with #colour and #name
      # @param key [String] of KEYS
      # @param uses [Hash{swatch => Integer}] places, for "use": most first
      # @raise [Magpie::Error]
      def by(swatches, key, uses: {})
        order = KEYS.fetch(key) { raise Error, "no such order: expected #{KEYS.keys.join(", ")}" }
        values = swatches.map { |swatch| (order.arity == 2) ? order.call(swatch, uses) : order.call(swatch) }
        swatches.each_index.sort { |a, b| [values[a], a] <=> [values[b], b] }.map { |index| swatches[index] }
      end

      def by_hue((lightness, chroma, hue)) = (chroma < GREY) ? [0, lightness, 0] : [1, hue, lightness]

      # "Ramp 9" before "Ramp 10".
      def natural(name) = name.downcase.scan(/\d+|\D+/).map { |part| part.match?(/\A\d/) ? [0, part.to_i, part] : [1, 0, part] }
    end
  end
end
