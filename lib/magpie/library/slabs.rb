require "numo/narray"

module Magpie
  module Library
    # Many Lab colours, so arranged that few of them have to be looked at: in slabs of equal
    # count by lightness, within a slab by a. It never changes once it is made.
    class Slabs
      ROWS = 1024 # of a slab
      # Rows on either side, in the slab itself and its neighbours, of which those are
      # measured first that lie nearest by a plain distance, to know how far to look.
      ABOUT = 96
      FIRST = 16
      SHORT = 0.75 # ΔE00

      # @param lab [Array<Numo::DFloat>] three columns
      # @param alpha [Numo::DFloat]
      def initialize(lab, alpha)
        order = arranged(lab)
        @lab = lab.map { |column| column[order].dup }.freeze
        @chroma = Numo::NMath.sqrt(@lab[1]**2 + @lab[2]**2)
        @alpha, @number = alpha[order].dup, order
        @a = @lab[1].to_a.freeze
        @slabs = (0...order.size).each_slice(ROWS).map { |rows| rows.first..rows.last }.freeze
        @lowest, @highest = %i[min max].map { |which| @slabs.map { |slab| @lab[0][slab].public_send(which) }.freeze }
        freeze
      end

      # @param lab [Array<Float>]
      # @param most [Integer, nil] how many; nil gives all that are near enough
      # @param within [Float] ΔE00
      # @param alpha [Float, nil] where opacity has to be alike too
      # @return [Array<[Integer, Float]>] number in the order in which they were given, and
      #   ΔE00: at least the nearest, in no order
      def to(lab, most, within, alpha)
        return measured(lab, within, alpha) unless most
        return nearest(lab, most, within) if @number.size <= ROWS && alpha.nil? # cheaper than knowing how far
        within = [within, first(lab, most, alpha)].min
        limits(within).each { |limit| measured(lab, limit, alpha).then { |found| return found if found.size >= most || limit == within } }
      end

      private

      # Of few: all are measured.
      def nearest(lab, most, within)
        differences = Bulk.de2000(lab, @lab)
        within = [within, differences.sort[most - 1]].min if most < differences.size
        kept = (differences <= within).where
        @number[kept].to_a.zip(differences[kept].to_a)
      end

      # What is known to be far enough may be much too far: less is tried first, which costs little.
      def limits(within) = [*[SHORT, SHORT * 2, SHORT * 4].select { |limit| limit < within / 1.5 }, within]

      def measured(lab, within, alpha)
        rows = near(lab, within, alpha)
        return [] if rows.empty?
        differences = Bulk.de2000(lab, @lab.map { |column| column[rows].dup })
        kept = (differences <= within).where
        @number[rows[kept]].to_a.zip(differences[kept].to_a)
      end

      def arranged(lab)
        order = lab[0].sort_index
        (0...order.size).each_slice(ROWS).map { |rows| order[rows.first..rows.last].then { |slab| slab[lab[1][slab].dup.sort_index] } }.reduce(&:append)
      end

      # ΔE00 within which there are so many: no more than it takes, but perhaps too far.
      def first(lab, most, alpha)
        rows = about(lab, [ABOUT, most].max)
        rows = rows[((@alpha[rows] - alpha).abs < OPACITY).where] if alpha
        return Float::INFINITY if rows.size < most
        distance = @lab.zip(lab).map { |column, value| (column[rows] - value)**2 }.reduce(:+)
        rows = rows[distance.sort_index[0...[FIRST + most, rows.size].min]]
        Bulk.de2000(lab, @lab.map { |column| column[rows].dup }).sort[most - 1]
      end

      def about(lab, count)
        own = @lowest.rindex { |lowest| lowest <= lab[0] } || 0
        joined(([own - 1, 0].max..[own + 1, @slabs.size - 1].min).map do |number|
          slab = @slabs[number]
          middle = place(slab, lab[1])
          [middle - count, slab.begin].max...[middle + count, slab.end + 1].min
        end)
      end

      # The first row of a slab with an a that is not less.
      def place(slab, value) = slab.bsearch { |row| @a[row] >= value } || slab.end + 1

      # Rows that can be within the limit.
      # @return [Numo::Int32]
      def near(lab, within, alpha)
        chroma = Math.hypot(lab[1], lab[2])
        far, across = Bound.lightness(within), Bound.about(within, chroma)
        joined(@slabs.each_index.filter_map do |number|
          next if @lowest[number] > lab[0] + far || @highest[number] < lab[0] - far
          slab = @slabs[number]
          from, to = place(slab, lab[1] - across), place(slab, lab[1] + across)
          to += 1 while to <= slab.end && @a[to] <= lab[1] + across
          reached(from...to, lab, within, chroma, alpha)
        end)
      end

      def reached(range, lab, within, chroma, alpha)
        return if range.size.zero?
        da, db = @lab[1][range] - lab[1], @lab[2][range] - lab[2]
        kept = da * da + db * db <= Bound.across(within, @chroma[range] + chroma)**2
        kept &= (@lab[0][range] - lab[0]).abs <= Bound.lightness(within)
        kept &= (@alpha[range] - alpha).abs < OPACITY if alpha
        kept.where + range.begin
      end

      # @param parts [Array<Range, Numo::Int32>]
      def joined(parts)
        parts = parts.map { |part| part.is_a?(Range) ? Numo::Int32.new(part.size).seq(part.begin) : part }.reject(&:empty?)
        parts.empty? ? Numo::Int32[] : Numo::Int32.hstack(parts)
      end
    end
  end
end
