module Magpie
  module Making
    # Small steps in OKLCH. Lighter, darker and the chroma steps keep the hue; hue
    # steps keep lightness and relative chroma, the share of the largest chroma that
    # the screen has at that lightness and hue.
    module Nudge
      LIGHTNESS = 0.02
      CHROMA = 0.02
      HUE = 5.0 # degrees

      STEPS = {
        lighter: ->(l, c, h, size) { [l + LIGHTNESS * size, c, h] },
        darker: ->(l, c, h, size) { [l - LIGHTNESS * size, c, h] },
        hue_on: ->(l, c, h, size) { turned(l, c, h, HUE * size) },
        hue_back: ->(l, c, h, size) { turned(l, c, h, -HUE * size) },
        more_chroma: ->(l, c, h, size) { [l, c + CHROMA * size, h] },
        less_chroma: ->(l, c, h, size) { [l, [c - CHROMA * size, 0].max, h] }
      }.freeze

      module_function

      # @param step [Symbol] a key of STEPS
      # @param size [Float] how many steps
      # @return [Color] in OKLCH, its chroma reduced to what the screen has
      # @raise [Magpie::Error]
      def apply(color, step, size: 1.0)
        move = STEPS.fetch(step) { raise Error, "no such step: expected #{STEPS.keys.join(", ").tr("_", " ")}" }
        lightness, chroma, hue = move.call(*color.in(:oklch), size)
        Gamut.reduced(lightness.clamp(0, 1), chroma, hue, color.alpha)
      end

      # The same lightness and relative chroma at another hue.
      def turned(lightness, chroma, hue, degrees)
        most = Gamut.most_chroma(lightness, hue)
        share = most.zero? ? 0.0 : [chroma / most, 1.0].min
        turned = (hue + degrees) % 360
        [lightness, share * Gamut.most_chroma(lightness, turned), turned]
      end
    end
  end
end
