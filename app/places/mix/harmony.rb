module Places
  module Mix
    # Members of a harmony, on a wheel.
    class Harmony < Panel
      RULES = Magpie::Making::Harmony::RULES.keys.to_h { |rule| [rule, rule.to_s.tr("_", " ")] }.freeze
      WHEELS = {light: "of light", painter: "painter’s"}.freeze
      RADIUS = 46 # of the wheel, in the units of its picture

      # @!attribute x, y [Float] on the wheel, its middle at 0, 0
      Member = Struct.new(:colour, :x, :y, :base)

      def rule = RULES.key?(@param.text(:rule).to_sym) ? @param[:rule].to_sym : :split

      def wheel = (@param[:wheel] == "painter") ? :painter : :light

      # Degrees.
      def spread = asked(:spread, 30, 1..90)

      def colours = @colours ||= Magpie::Making::Harmony.of(colour, rule, spread:, wheel:)

      def members = colours.map { |each| Member.new(each, *at(each), each == colour) }

      def name = "#{suggested} #{RULES[rule]}"

      def note = "Harmony: #{RULES[rule]}"

      private

      # Members of one hue lie on one ray, by their lightness.
      def at(each)
        lightness, _, hue = each.in(:oklch)
        angle = ((wheel == :painter) ? Magpie::Making::Harmony.to_painter(hue) : hue) * Math::PI / 180
        [Math.cos(angle), -Math.sin(angle)].map { |share| (share * RADIUS * ((rule == :one_hue) ? lightness : 1)).round(1) }
      end
    end
  end
end
