module Places
  module Dress
    # Which colours give way to which swatches, as addresses and forms have it: a swatch by
    # its number, a stray by its hex: "s12-34.E46F58-35".
    module Swaps
      MOST = 400
      ONE = /\A(?:s(\d{1,18})|(\h{6}(?:\h{2})?))-(\d{1,18})\z/

      module_function

      # @param swaps [Hash{(Integer, String) => Integer}]
      # @return [String]
      def write(swaps) = swaps.map { |from, to| "#{from.is_a?(Integer) ? "s#{from}" : from.delete("#")}-#{to}" }.join(".")

      # @param text [String]
      # @return [Hash{(Integer, String) => Integer}]
      # @raise [Magpie::Error]
      def read(text)
        given = text.split(".")
        raise Magpie::Error, "#{given.size} colours at once: the limit is #{MOST}" if given.size > MOST
        given.to_h do |each|
          swatch, hex, to = each.match(ONE)&.captures
          raise Magpie::Error, "#{each[0, 40].inspect} is no swap of colours" unless to
          [swatch ? swatch.to_i : "##{hex.upcase}", to.to_i]
        end
      end
    end
  end
end
