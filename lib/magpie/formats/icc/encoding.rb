module Magpie
  module Formats
    class Icc < Format
      # Numbers of 16 bits. Named colours have Lab as version 2 writes it, in version 4 too
      # (ISO 15076-1, 10.14 and table 42): 0xFF00 is a lightness of 100, 0x8000 no a or b.
      module Encoding
        LIGHTNESS = 65_280 / 100.0
        MOST = 65_535

        module_function

        # @param numbers [Array<Integer>]
        # @return [Array<Float>] Lab
        def lab((l, a, b)) = [l / LIGHTNESS, a / 256.0 - 128, b / 256.0 - 128]

        # @param lab [Array<Float>]
        # @return [Array<Integer>]
        def of_lab((l, a, b)) = [l * LIGHTNESS, (a + 128) * 256, (b + 128) * 256].map { |value| value.round.clamp(0, MOST) }

        # XYZ, where 1 is 0x8000.
        def xyz(numbers) = numbers.map { |value| value / 32_768.0 }

        # Per cent.
        def ink(number) = number * 100.0 / MOST

        def of_ink(ink) = (ink * MOST / 100).round.clamp(0, MOST)
      end
    end
  end
end
