module Magpie
  module Library
    # Which of many colours are nearest to one, by exact CIEDE2000. It never changes once
    # it is made. Only what can be near enough is measured (see Bound); the specs hold it
    # against measuring all.
    class Nearest
      # So many are measured one by one, in plain Ruby, without Numo being loaded.
      FEW = 200

      # @param things [Array] that each have a colour
      # @return [Nearest] whose references are the things
      def self.of(things) = new(things.map { |thing| [thing.colour, thing] })

      # @param lab [Array<Array<Float>>] a row of three for each
      # @param alphas [Array<Float>]
      # @param references [Array<Object>] what they stand for
      # @return [Nearest]
      def self.of_lab(lab, alphas, references) = allocate.tap { |index| index.send(:prepare, lab, alphas, references) }

      # @param entries [Array<[Color, Object]>] a colour and what it stands for
      def initialize(entries)
        prepare(entries.map { |colour, _| colour.in(:lab) }, entries.map { |colour, _| colour.alpha }, entries.map(&:last))
      end

      # @return [Integer]
      def size = @references.size

      # @param colour [Color]
      # @param most [Integer, nil] how many; nil gives all that are near enough
      # @param within [Float] ΔE00
      # @param alike [Boolean] whether opacity has to be alike too
      # @return [Array<[Object, Float]>] reference and ΔE00, nearest first, equal ones in
      #   the order in which they were given
      def to(colour, most: nil, within: Float::INFINITY, alike: false)
        lab, alpha = colour.in(:lab), (colour.alpha if alike)
        found = @slabs ? @slabs.to(lab, most, within, alpha) : scan(lab, within, alpha)
        found = found.sort_by { |number, difference| [difference, number] }
        (most ? found.first(most) : found).map { |number, difference| [@references[number], difference] }
      end

      # The nearest, if it is near enough.
      # @return [[Object, Float], nil]
      def nearest(colour, **options) = to(colour, most: 1, **options).first

      private

      def prepare(lab, alphas, references)
        @references = references.freeze
        if references.size > FEW
          @slabs = Slabs.new(Bulk.columns(lab), Bulk.column(alphas))
        else
          @rows = lab.zip(alphas).freeze
        end
        freeze
      end

      # @return [Array<[Integer, Float]>] number and ΔE00
      def scan(lab, within, alpha)
        far = Bound.lightness(within)
        @rows.each_with_index.filter_map do |(row, opacity), number|
          next if (row[0] - lab[0]).abs > far || (alpha && (opacity - alpha).abs >= OPACITY)
          difference = Difference::Ciede2000.of(lab, row)
          [number, difference] if difference <= within
        end
      end
    end
  end
end
