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

      # The same for many, those in sRGB in columns.
      # @param colors [Array<Color>]
      # @param percents [Array<Float>] of each
      # @return [Array<Color>]
      def tints(colors, percents)
        made = colors.zip(percents).map { |color, percent| tint(color, percent) unless color.model == :srgb }
        rest = made.each_index.reject { |index| made[index] }
        return made if rest.empty?
        in_srgb(colors.values_at(*rest), percents.values_at(*rest)).zip(rest) { |color, index| made[index] = color }
        made
      end

      # With white as the paper, whose every component of light is 1.
      def in_srgb(colors, percents)
        shares = Bulk.column(percents.map { |percent| percent.clamp(0, 100) / 100.0 })
        light = Bulk.srgb_to_linear(Bulk.columns(colors.map(&:components))).map { |column| 1 + (column - 1) * shares }
        Bulk.linear_to_srgb(light).map(&:to_a).transpose.zip(colors).map { |components, color| Color.new(:srgb, components, color.alpha) }
      end
    end
  end
end
