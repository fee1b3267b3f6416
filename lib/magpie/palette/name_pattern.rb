module Magpie
  class Palette
    # Names made by a pattern: {n} counts from 1, {nn} with a leading nought, {name}
    # is the name it had, {colour} a suggestion from its colour, {hex} its hex.
    module NamePattern
      MARKS = {
        "n" => ->(n, *) { n.to_s },
        "nn" => ->(n, *) { format("%02d", n) },
        "name" => ->(_, swatch) { swatch.name },
        "colour" => ->(_, swatch) { ColorName.suggest(swatch.colour) },
        "hex" => ->(_, swatch) { swatch.colour.hex }
      }.freeze

      module_function

      # @param swatches [Array] with #name and #colour
      # @param from [Integer] the first number
      # @return [Array<String>]
      # @raise [Magpie::Error] on an unknown mark, or when names come out empty
      def names(pattern, swatches, from: 1)
        raise Error, "A pattern needs something in it, such as “Dusk {n}”" if pattern.strip.empty?
        swatches.each_with_index.map do |swatch, index|
          pattern.gsub(/\{([^{}]*)\}/) do
            mark = MARKS[$1] or raise Error, "{#{$1}} is no mark: expected {#{MARKS.keys.join("}, {")}}"
            mark.call(index + from, swatch)
          end
        end
      end
    end
  end
end
