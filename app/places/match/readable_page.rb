module Places
  module Match
    # Readable pairs: every swatch of a palette as text on every other as ground, with its
    # contrast by WCAG 2.2 (1.4.3, 1.4.6), and what lightness would have to be for one.
    class ReadablePage
      include OfPalette

      MOST = 40 # swatches; more could not be told apart
      LIMITS = {4.5 => "for text", 3.0 => "for large text", 7.0 => "for any text"}.freeze

      def hand_view = :readable_acts

      def limit = LIMITS.keys.find { |each| each == @param.number(:least, 4.5, 1..21) } || 4.5

      # Those that are compared: the first of the palette, or of the group that is asked for.
      # @return [Array<Chip>]
      def shown = @shown ||= ((group ? chips.select { |chip| chip.group_id == group.id } : chips)).first(MOST)

      def groups = of.is_a?(::Palette) ? of.groups : []

      def group = groups.find { |each| each.id == @param.id(:group) }

      # @return [Float]
      def ratio(text, ground) = Magpie::Contrast.ratio(text.colour, ground.colour)

      # How many ordered pairs can be read.
      def enough = @enough ||= shown.permutation(2).count { |text, ground| ratio(text, ground) >= limit }

      def pairs = shown.size * (shown.size - 1)

      # The pair that was chosen.
      # @return [Array(Chip, Chip), nil] text and ground
      def chosen
        return @chosen if defined?(@chosen)
        pair = [:text, :ground].map { |name| shown.find { |chip| chip.id == @param.id(name) } }
        @chosen = (pair.all? && pair.uniq.size == 2) ? pair : nil
      end

      # What either of them would have to be, its lightness alone moved.
      # @return [Array<[Chip, Magpie::Color, Float]>] swatch, colour, and the contrast then
      def suggestions
        text, ground = chosen
        [[text, ground], [ground, text]].filter_map do |moved, other|
          made = Magpie::Palette::Readable.adjusted(moved.colour, other.colour, limit:) or next
          [moved, made, Magpie::Contrast.ratio(made, other.colour)]
        end
      end
    end
  end
end
