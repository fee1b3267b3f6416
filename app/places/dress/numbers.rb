module Places
  module Dress
    # Numbers of parts as browsers and pages write them: "1-3,7"; or, where that would be
    # longer, "=" and a bit for each number, as Base64.
    module Numbers
      MOST = Magpie::Limits::ELEMENTS
      RANGES = /\A\d{1,6}(?:-\d{1,6})?(?:,\d{1,6}(?:-\d{1,6})?)*\z/
      LONGEST = 8_400 # characters: the bits of as many numbers as there can be
      BITS_FROM = 4_000 # characters of ranges, as assets/js/numbers.js has it

      module_function

      # @param text [String]
      # @return [Array<Integer>] in order, each once
      # @raise [Magpie::Error]
      def read(text)
        return [] if text.empty?
        return bits(text[1..]) if text.start_with?("=")
        raise Magpie::Error, "#{text[0, 40].inspect} is no list of parts" unless text.size <= LONGEST && text.match?(RANGES)
        found = text.split(",").flat_map { |range| range.split("-").map(&:to_i).then { |from, to| (from..[to || from, MOST].min).to_a } }
        found.uniq.sort.take_while { |number| number < MOST }
      end

      # @param numbers [Array<Integer>]
      # @return [String] no longer than can be read
      def write(numbers)
        return "" if numbers.empty?
        sorted = numbers.uniq.sort
        text = sorted.slice_when { |one, two| two > one + 1 }.map { |run| (run.size > 1) ? "#{run[0]}-#{run[-1]}" : run[0].to_s }.join(",")
        (text.size > BITS_FROM) ? "=#{[as_bits(sorted)].pack("m0")}" : text
      end

      def as_bits(sorted)
        bits = "0" * ((sorted.last / 8 + 1) * 8)
        sorted.each { |number| bits[number] = "1" }
        [bits].pack("b*")
      end
      private_class_method :as_bits

      def bits(text)
        bytes = text.unpack1("m0")
        bytes.byteslice(0, MOST / 8).unpack1("b*").each_char.with_index.filter_map { |bit, number| number if bit == "1" }
      rescue ArgumentError
        raise Magpie::Error, "#{text[0, 40].inspect} is no list of parts"
      end
      private_class_method :bits
    end
  end
end
