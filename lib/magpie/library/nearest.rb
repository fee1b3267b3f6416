module Magpie
  module Library
    # Which of many colours are nearest to one, by exact CIEDE2000. It never changes once
    # it is made: columns of Lab sorted by lightness, and what each row stands for. Only
    # rows that can be near enough are measured (see Bound); the specs hold it against
    # measuring all.
    class Nearest
      # So many are measured one by one, in plain Ruby, without Numo being loaded.
      FEW = 200
      # Rows about the same lightness of which those are measured first that lie nearest
      # by a plain distance, to know how far to look.
      ABOUT = 2048
      FIRST = 16
      # By so much two colours that count as alike may differ in opacity.
      OPACITY = 0.02

      Row = Struct.new(:lab, :chroma, :alpha, :reference, :number)
      private_constant :Row

      # @param things [Array] that each have a colour
      # @return [Nearest] whose references are the things
      def self.of(things) = new(things.map { |thing| [thing.colour, thing] })

      # @param entries [Array<[Color, Object]>] a colour and what it stands for
      def initialize(entries)
        rows = entries.each_with_index.map { |(colour, reference), number| colour.in(:lab).then { |lab| Row.new(lab, Math.hypot(lab[1], lab[2]), colour.alpha, reference, number) } }
        @rows = rows.sort_by { |row| [row.lab[0], row.number] }.freeze
        freeze if @rows.size <= FEW
        index unless frozen?
      end

      # @param colour [Color]
      # @param most [Integer, nil] how many; nil gives all that are near enough
      # @param within [Float] ΔE00
      # @param alike [Boolean] whether opacity has to be alike too
      # @return [Array<[Object, Float]>] reference and ΔE00, nearest first, equal ones in
      #   the order in which they were given
      def to(colour, most: nil, within: Float::INFINITY, alike: false)
        lab, alpha = colour.in(:lab), (colour.alpha if alike)
        found = @columns ? search(lab, most, within, alpha) : scan(@rows, lab, within, alpha)
        found = found.sort_by { |difference, row| [difference, row.number] }
        (most ? found.first(most) : found).map { |difference, row| [row.reference, difference] }
      end

      # The nearest, if it is near enough.
      # @return [[Object, Float], nil]
      def nearest(colour, **options) = to(colour, most: 1, **options).first

      private

      def index
        @lightness = @rows.map { |row| row.lab[0] }.freeze
        @columns = [*Bulk.columns(@rows.map(&:lab)), Numo::DFloat.cast(@rows.map(&:chroma)), Numo::DFloat.cast(@rows.map(&:alpha))].freeze
        freeze
      end

      def scan(rows, lab, within, alpha)
        far = Bound.lightness(within)
        rows.filter_map do |row|
          next if (row.lab[0] - lab[0]).abs > far || (alpha && (row.alpha - alpha).abs >= OPACITY)
          difference = Difference::Ciede2000.of(lab, row.lab)
          [difference, row] if difference <= within
        end
      end

      # As far as the last of the nearest that are known already, and no farther.
      def search(lab, most, within, alpha)
        within = [within, first(lab, most, alpha)].min if most
        measured(rows_within(lab, within), lab, within, alpha)
      end

      # ΔE00 within which there are so many: no more than it takes, but perhaps too far.
      def first(lab, most, alpha)
        range = about(lab[0], ABOUT)
        l, a, b, _, alphas = @columns.map { |column| column[range] }
        distance = (l - lab[0])**2 + (a - lab[1])**2 + (b - lab[2])**2
        distance[((alphas - alpha).abs >= OPACITY).where] = Float::INFINITY if alpha
        order = distance.sort_index[0...[FIRST + most, range.size].min]
        order = order[distance[order].isfinite.where] if alpha
        return Float::INFINITY if order.size < most
        Bulk.de2000(lab, [l, a, b].map { |column| column[order].dup }).sort[most - 1]
      end

      # The rows about a lightness.
      # @return [Range]
      def about(lightness, count)
        middle = @lightness.bsearch_index { |each| each >= lightness } || @lightness.size
        from = (middle - count / 2).clamp(0, [@lightness.size - count, 0].max)
        from...[from + count, @lightness.size].min
      end

      def rows_within(lab, within)
        return 0...@rows.size if within.infinite?
        far = Bound.lightness(within)
        (@lightness.bsearch_index { |each| each >= lab[0] - far } || @rows.size)...(@lightness.bsearch_index { |each| each > lab[0] + far } || @rows.size)
      end

      # @return [Array<[Float, Row]>]
      def measured(range, lab, within, alpha)
        return [] if range.size.zero?
        l, a, b, chroma, alphas = @columns.map { |column| column[range] }
        near = numbers(range.size, within, lab, a, b, chroma)
        near = near[((alphas[near] - alpha).abs < OPACITY).where] if alpha && !near.empty?
        return [] if near.empty?
        differences = Bulk.de2000(lab, [l, a, b].map { |column| column[near].dup }).to_a
        near.to_a.zip(differences).filter_map { |row, difference| [difference, @rows[range.begin + row]] if difference <= within }
      end

      def numbers(count, within, lab, a, b, chroma)
        return Numo::Int32.new(count).seq if within.infinite?
        da, db = a - lab[1], b - lab[2]
        reach = Bound.across(within, chroma + Math.hypot(lab[1], lab[2]))
        (da * da + db * db <= reach * reach).where
      end
    end
  end
end
