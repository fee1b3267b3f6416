module Magpie
  module Making
    # Toward white and black, and the tint that print makes of an ink.
    module Tints
      WHITE = Color::WHITE
      BLACK = Color.new(:srgb, [0, 0, 0])

      module_function

      # @param count [Integer] how many on each side
      # @return [Array<Color>] darkest first, the colour itself in the middle; OKLab
      #   lightness goes evenly on either side
      def row(color, count)
        toward = ->(end_of_it) { (1..count).map { |n| Gamut.to_srgb(Mix.of(color, end_of_it.with(alpha: color.alpha), n / (count + 1.0))) } }
        [*toward.call(BLACK).reverse, color, *toward.call(WHITE)]
      end

      # A screened tint: so much of the paper is covered, and light adds up (Murray
      # and Davies 1936).
      # @param percent [Float] 0..100
      # @return [Color]
      def tint(color, percent, paper: WHITE)
        Mix.of(paper.with(alpha: color.alpha), color, percent.clamp(0, 100) / 100.0, way: :light).to((color.model == :cmyk) ? :lab : color.model)
      end
    end
  end
end
