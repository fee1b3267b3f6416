module Places
  module Palettes
    # The sliders that shift every swatch of a palette, or of a selection, together.
    class ShiftForm
      NAMES = {lightness: ["Lightness", ""], chroma: ["Chroma", "%"], hue: ["Hue", "°"], contrast: ["Contrast", "%"], warmth: ["Warmth", ""]}.freeze

      Slider = Struct.new(:name, :label, :unit, :from, :to, :value)

      # @!attribute scope [String, nil] "selection"; nil is the whole palette
      # @!attribute number [Integer] of swatches that it can change
      attr_reader :scope, :number

      def initialize(scope, number, param)
        @scope, @number, @param = scope, number, param
      end

      def sliders
        NAMES.map do |name, (label, unit)|
          range = Magpie::Palette::Shift::RANGES[name]
          Slider.new(name, label, unit, range.begin, range.end, @param.number(name, 0, range).to_i)
        end
      end
    end
  end
end
