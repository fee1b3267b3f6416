module Places
  module Palettes
    # Swatches as text: a name and a notation on each line.
    class AsText
      # @!attribute open [Boolean] whether it is the notation that is marked as favourite
      Lines = Struct.new(:label, :text, :open)

      def initialize(chosen, choices)
        @chosen, @choices = chosen, choices
      end

      # @return [Array<Lines>]
      def all
        Frame::Colours::NOTATIONS.map do |model, label|
          Lines.new(label, @chosen.map { |swatch| "#{swatch.name}\t#{Magpie::Notation.write(swatch.colour, model)}" }.join("\n"), model.to_s == @choices[:favourite])
        end
      end
    end
  end
end
