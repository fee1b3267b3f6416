module Magpie
  module Making
    # Colours that stand to each other on a wheel. Each member has the lightness and
    # the relative chroma of the base.
    module Harmony
      # Degrees from the base; s is the spread. One hue varies lightness instead.
      RULES = {
        complement: ->(_) { [0, 180] },
        split: ->(s) { [0, 180 - s, 180 + s] },
        analogous: ->(s) { [-s, 0, s] },
        triad: ->(_) { [0, 120, 240] },
        square: ->(_) { [0, 90, 180, 270] },
        double_pair: ->(s) { [0, s, 180, 180 + s] },
        one_hue: nil
      }.freeze
      # OKLab lightness that one hue goes up and down by, at a spread of 30.
      LIGHTNESS = 0.12

      # The painter's wheel by its six colours at every 60 degrees: red, orange,
      # yellow, green, blue, violet. Blue faces orange.
      PAINTERS = [[1, 0, 0], [1, 0.5, 0], [1, 1, 0], [0, 0.5, 0], [0, 0, 1], [0.5, 0, 1]].map { |rgb| Color.new(:srgb, rgb).in(:oklch)[2] }.freeze

      module_function

      # @param rule [Symbol] a key of RULES
      # @param spread [Float] degrees, 1 to 90
      # @param wheel [Symbol] :light (OKLCH hue) or :painter
      # @return [Array<Color>] the base is among them
      # @raise [Magpie::Error]
      def of(base, rule, spread: 30.0, wheel: :light)
        raise Error, "no such harmony: expected #{RULES.keys.join(", ").tr("_", " ")}" unless RULES.key?(rule)
        raise Error, "no such wheel: expected light or painter" unless %i[light painter].include?(wheel)
        raise Error, "the spread is #{spread}: expected 1 to 90 degrees" unless spread.between?(1, 90)
        return one_hue(base, spread) if rule == :one_hue
        RULES[rule].call(spread).map { |degrees| degrees.zero? ? base : member(base, degrees, wheel) }
      end

      def member(base, degrees, wheel)
        lightness, chroma, hue = base.in(:oklch)
        target = (wheel == :light) ? hue + degrees : from_painter((to_painter(hue) + degrees) % 360)
        Gamut.reduced(*Nudge.turned(lightness, chroma, hue, target - hue), base.alpha)
      end

      def one_hue(base, spread)
        lightness, chroma, hue = base.in(:oklch)
        (-2..2).map do |n|
          next base if n.zero?
          Gamut.reduced((lightness + n * LIGHTNESS * spread / 30).clamp(0.05, 0.98), chroma, hue, base.alpha)
        end
      end

      # OKLCH hue to the painter's degrees, and back; straight between the six.
      def to_painter(hue)
        index = (0..5).find { |i| ((hue - PAINTERS[i]) % 360) < gap(i) }
        60 * (index + ((hue - PAINTERS[index]) % 360) / gap(index))
      end

      def from_painter(degrees)
        index, share = (degrees / 60.0).divmod(1)
        (PAINTERS[index % 6] + share * gap(index % 6)) % 360
      end

      def gap(index) = (PAINTERS[(index + 1) % 6] - PAINTERS[index]) % 360
    end
  end
end
