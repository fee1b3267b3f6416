module Magpie
  class Palette
    # Colours that the press makes another colour of.
    module Unprintable
      module_function

      # @param colours [Array<Color>]
      # @param limit [Float] ΔE00 between a colour and its print
      # @param condition [Press::Condition]
      # @return [Array<[Integer, Color, Float]>] index, the print, ΔE00; in their order.
      #   What is given in inks is what the press prints.
      def of(colours, limit: Press::OUTSIDE, condition: Press.usual)
        asked = colours.each_index.reject { |index| colours[index].model == :cmyk }
        return [] if asked.empty?
        lab = Bulk.columns(asked.map { |index| colours[index].in(:lab) })
        printed = condition.printed(lab)
        differences = Bulk.de2000(lab, printed)
        (differences > limit).where.to_a.map do |row|
          [asked[row], Color.new(:lab, printed.map { |column| column[row] }, colours[asked[row]].alpha), differences[row]]
        end
      end
    end
  end
end
