module Places
  module Dress
    # Which colours give way to which swatches, and which colours and outfits to outfits, as
    # addresses and forms have it: "s12-34.E46F58-35.s13-o5.o4-o5". A part whose fill has such a
    # colour wears the outfit.
    module Swaps
      MOST = 400
      ONE = /\A(?:s(\d{1,18})|(o\d{1,18})|(\h{6}(?:\h{2})?))-(o?)(\d{1,18})\z/

      module_function

      # @param swaps [Hash{(Integer, String) => (Integer, String)}]
      # @return [String]
      def write(swaps) = swaps.map { |from, to| "#{from.is_a?(Integer) ? "s#{from}" : from.delete("#")}-#{to}" }.join(".")

      # @param text [String]
      # @return [Hash{(Integer, String) => (Integer, String)}] see Swapped
      # @raise [Magpie::Error]
      def read(text)
        given = text.split(".")
        raise Magpie::Error, "#{given.size} colours at once: the limit is #{MOST}" if given.size > MOST
        given.to_h do |each|
          swatch, outfit, hex, wear, to = each.match(ONE)&.captures
          raise Magpie::Error, "#{each[0, 40].inspect} is no swap of colours" if to.nil? || outfit && wear.empty?
          [swatch&.to_i || outfit || "##{hex.upcase}", wear.empty? ? to.to_i : "o#{to}"]
        end
      end
    end
  end
end
