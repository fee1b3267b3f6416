module Places
  module Mix
    # The ramp builder: what is asked for, the ramp, and its three curves.
    class Ramp
      # What the curves span: lowest and highest value.
      SPANS = {"Lightness" => [0, 1], "Chroma" => [0, 0.3], "Hue" => [-90, 90]}.freeze

      attr_reader :given, :colours, :adjusted

      # @param base [Magpie::Color]
      # @param params [Hash] of the request
      # @raise [Magpie::Error]
      def initialize(base, params)
        @base, @params = base, params
        @given = read
        @colours = Magpie::Making::Ramp.new(base, **@given).colours
        @adjusted = params[:adjusted].to_s.split(";").filter_map { |part| part.match(/\A(\d+)=(.{1,60})\z/)&.captures }.to_h
        adjust
      end

      # Each curve as the points of a picture of 100 × 40.
      # @return [Hash{String => Array<[Float, Float]>}]
      def curves
        parts = colours.map { |each| each.in(:oklch) }
        hues = parts.map { |_, _, hue| ((hue - parts[given[:darker]][2] + 180) % 360) - 180 }
        {"Lightness" => parts.map(&:first), "Chroma" => parts.map { |each| each[1] }, "Hue" => hues}.to_h { |label, values| [label, points(values, *SPANS[label])] }
      end

      private

      def read
        lightness = @base.in(:oklch)[0]
        course = @params[:course].to_s.to_sym
        {darker: asked(:darker, 3, 0..8).round, lighter: asked(:lighter, 3, 0..8).round,
         darkest: [asked(:darkest, 25, 0..100) / 100, lightness].min, lightest: [asked(:lightest, 95, 0..100) / 100, lightness].max,
         turn_dark: asked(:turn_dark, 0, -90..90), turn_light: asked(:turn_light, 0, -90..90),
         course: Magpie::Making::Ramp::COURSES.key?(course) ? course : :potential}
      end

      # Steps that were set by hand stay so; the base is no step.
      def adjust
        adjusted.each { |index, text| colours[index.to_i] = Magpie::Notation.parse(text) if index.to_i < colours.size && index.to_i != given[:darker] }
      end

      def asked(...) = Frame::Asked.number(@params, ...)

      def points(values, low, high)
        values.each_with_index.map do |value, number|
          [(values.size > 1) ? 100.0 * number / (values.size - 1) : 50, 40 - 40 * ((value - low) / (high - low).to_f).clamp(0, 1)].map { |each| each.round(1) }
        end
      end
    end
  end
end
