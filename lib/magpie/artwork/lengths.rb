module Magpie
  class Artwork
    # Lengths of a drawing, in user units.
    module Lengths
      LENGTH = /\A\+?(-?)(\d+\.?\d*|\.\d+)(e[-+]?\d+)?(%|[a-z]*)\z/i

      module_function

      # @param text [String, nil]
      # @param whole [Float] what per cent are of
      # @return [Float, nil] nil where it is none that stands by itself
      def of(text, whole)
        sign, number, exponent, unit = text.to_s.strip.match(LENGTH)&.captures
        factor = (unit == "%") ? whole / 100 : Document::UNITS[unit.to_s.downcase]
        Float("#{sign}#{number.chomp(".").sub(/\A\./, "0.")}#{exponent}") * factor if number && factor
      end

      # @param text [String, nil] a viewBox
      # @return [Array<Float>, nil] left, top, width, height
      def box(text)
        numbers = text.to_s.strip.split(/[\s,]+/).map { |number| Float(number, exception: false) }
        numbers if numbers.size == 4 && numbers.all? && numbers.last(2).all?(&:positive?)
      end

      # What per cent are of that go neither across nor down: SVG 2, "Units".
      def diagonal(width, height) = Math.hypot(width, height) / Math.sqrt(2)
    end
  end
end
