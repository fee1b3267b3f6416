module Places
  module Mix
    # Tints and shades, and the tint that print makes.
    class Tints < Panel
      EACH_WAY = 3
      STEPS = [10, 25, 50, 75, 90].freeze # per cent

      def row = @row ||= Magpie::Making::Tints.row(colour, EACH_WAY)

      def name = "#{suggested} tints"

      def percent = asked(:percent, 50, 1..99).round

      # Usual steps, and the one that was asked for.
      def screened = @screened ||= [*STEPS, percent].map { |each| Magpie::Making::Tints.tint(colour, each) }

      # The swatch that a tint can be tied to.
      # @return [Chip, nil]
      def parent = (@parent ||= swatches.find { |each| each.id.to_s == @param[:swatch] } if @param[:swatch])
    end
  end
end
