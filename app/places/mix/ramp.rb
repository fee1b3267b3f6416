module Places
  module Mix
    # The ramp builder: what is asked for, the ramp, and its three curves.
    class Ramp < Panel
      # What the curves span: lowest and highest value.
      SPANS = {"Lightness" => [0, 1], "Chroma" => [0, 0.3], "Hue" => [-90, 90]}.freeze

      attr_reader :given, :colours, :adjusted

      def name = "#{suggested} ramp"

      # What its fields are called, their limits and steps, and where they stand.
      Field = Struct.new(:name, :label, :low, :high, :step, :value)

      def fields
        [Field.new(:darker, "Darker", 0, 8, 1, given[:darker]), Field.new(:lighter, "Lighter", 0, 8, 1, given[:lighter]),
          Field.new(:darkest, "Dark end", 0, 100, 1, (given[:darkest] * 100).round), Field.new(:lightest, "Light end", 0, 100, 1, (given[:lightest] * 100).round),
          Field.new(:turn_dark, "Hue turn, dark", -90, 90, 5, given[:turn_dark].round), Field.new(:turn_light, "Hue turn, light", -90, 90, 5, given[:turn_light].round)]
      end

      # Each curve as the points of a picture of 100 × 40.
      # @return [Hash{String => Array<[Float, Float]>}]
      def curves
        parts = colours.map { |each| each.in(:oklch) }
        hues = parts.map { |_, _, hue| ((hue - parts[given[:darker]][2] + 180) % 360) - 180 }
        {"Lightness" => parts.map(&:first), "Chroma" => parts.map { |each| each[1] }, "Hue" => hues}.to_h { |label, values| [label, points(values, *SPANS[label])] }
      end

      private

      def prepare
        @given = read
        @colours = Magpie::Making::Ramp.new(colour, **@given).colours
        @adjusted = @param.text(:adjusted).split(";").filter_map { |part| part.match(/\A(\d+)=(.{1,60})\z/)&.captures }.to_h
        adjust
      end

      def read
        lightness = colour.in(:oklch)[0]
        course = @param.text(:course).to_sym
        {darker: asked(:darker, 3, 0..8).round, lighter: asked(:lighter, 3, 0..8).round,
         darkest: [asked(:darkest, 25, 0..100) / 100, lightness].min, lightest: [asked(:lightest, 95, 0..100) / 100, lightness].max,
         turn_dark: asked(:turn_dark, 0, -90..90), turn_light: asked(:turn_light, 0, -90..90),
         course: Magpie::Making::Ramp::COURSES.key?(course) ? course : :potential}
      end

      # Steps that were set by hand stay so; the base is no step.
      def adjust
        adjusted.each { |index, text| colours[index.to_i] = Magpie::Notation.parse(text) if index.to_i < colours.size && index.to_i != given[:darker] }
      end

      def points(values, low, high)
        values.each_with_index.map do |value, number|
          [(values.size > 1) ? 100.0 * number / (values.size - 1) : 50, 40 - 40 * ((value - low) / (high - low).to_f).clamp(0, 1)].map { |each| each.round(1) }
        end
      end
    end
  end
end
