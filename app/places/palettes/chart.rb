module Places
  module Palettes
    # The chart of a palette: hue and chroma in one square, lightness in the order of the
    # groups in the other.
    class Chart
      # The square of a and b: its side, what is left free round it.
      SIDE, FREE = 400, 10
      # The other: where its dots begin, how far they go across and up.
      LEFT, ACROSS, FOOT, UP = 46, 430.0, 390, 380
      # OKLab a and b that the square has at least, and how much more than the farthest dot.
      LEAST, MORE = 0.12, 1.12
      # So many dots are drawn large, and so many get names.
      MANY, MANY_NAMES = 300, 200
      LETTER = 6.2 # pixels of a group's name
      # Letters of a dot's name, and where the edge is so near that it stands to the left.
      NAME, NEAR_EDGE = 18, 300

      def self.leftward?(x) = x > NEAR_EDGE

      # @!attribute named [Boolean] whether there is room for its name
      Dot = Struct.new(:x, :y, :swatch, :named)

      # @!attribute points [Array<[Float, Float]>]
      # @!attribute x [Float, nil] where the group's name begins; nil where there is no room
      Run = Struct.new(:name, :points, :x)

      attr_reader :palette

      # @param palette [ShownPalette]
      def initialize(palette)
        @palette, @chips = palette, palette.chips
        @labs = @chips.map { |swatch| swatch.colour.in(:oklab) }
      end

      def radius = (@chips.size > MANY) ? 3 : 8

      # @return [Array<Dot>]
      def square
        placed = @chips.zip(@labs).map { |swatch, (_, a, b)| [swatch, *at(a, b)] }
        named = (@chips.size > MANY_NAMES) ? [] : names_with_room(placed)
        placed.map { |swatch, x, y| Dot.new(x, y, swatch, named.include?(swatch)) }
      end

      # @return [Array<Dot>]
      def lightness = @chips.zip(@labs).each_with_index.map { |(swatch, (l, _, _)), index| Dot.new(across(index), up(l), swatch, false) }

      # A line through each group.
      # @return [Array<Run>]
      def runs
        offset = 0
        palette.groups.filter_map do |group|
          chips = palette.chips_of(group)
          next if chips.empty?
          points = chips.each_index.map { |index| [across(offset + index), up(@labs[offset + index].first)] }
          room = group.name.size * LETTER < step * chips.size || palette.groups.size == 1
          Run.new(group.name[0, 60], points, (across(offset) if room)).tap { offset += chips.size }
        end
      end

      private

      # The names that have room beside their dots, of [[swatch, x, y]]: earlier ones first.
      def names_with_room(dots)
        taken = dots.map { |_, x, y| [x - 9, y - 9, x + 9, y + 9] }
        dots.select do |swatch, x, y|
          wide, left = 12 + 6 * swatch.name[0, NAME].size, Chart.leftward?(x)
          box = [left ? x - wide : x + 10, y - 7, left ? x - 10 : x + wide, y + 7]
          free = taken.none? { |from, top, to, bottom| from < box[2] && to > box[0] && top < box[3] && bottom > box[1] }
          taken << box if free
          free
        end.map(&:first)
      end

      def far = @far ||= [LEAST, *@labs.flat_map { |_, a, b| [a.abs, b.abs] }].max * MORE

      def at(a, b) = [(SIDE / 2 + a / far * (SIDE / 2 - FREE)).round(1), (SIDE / 2 - b / far * (SIDE / 2 - FREE)).round(1)]

      def step = (@chips.size > 1) ? ACROSS / (@chips.size - 1) : 0

      def across(index) = (LEFT + step * index).round(1)

      def up(lightness) = (FOOT - UP * lightness).round(1)
    end
  end
end
