module Magpie
  class Palette
    # Moves every colour of a palette by the same: lightness in hundredths, chroma in
    # per cent of its own, hue in degrees, contrast in per cent about mid lightness,
    # warmth from −100 (toward blue) to 100 (toward amber). All in OKLCH and OKLab;
    # what leaves the screen's gamut loses chroma, and its hue stays.
    class Shift
      RANGES = {lightness: -40..40, chroma: -100..100, hue: -180..180, contrast: -80..80, warmth: -100..100}.freeze
      MIDDLE = 0.5 # OKLab lightness
      # The way of warmth in OKLab: hue of amber, and how far 100 goes at mid lightness.
      AMBER = 70 * Math::PI / 180
      FAR = 0.08

      # @param amounts [Hash{Symbol => Float}] what is missing is 0
      # @raise [Magpie::Error]
      def initialize(**amounts)
        unknown = amounts.keys - RANGES.keys
        raise Error, "no such shift: #{unknown.join(", ")}" if unknown.any?
        @amounts = RANGES.to_h { |name, range| [name, checked(name, amounts.fetch(name, 0), range)] }
      end

      def none? = @amounts.values.all?(&:zero?)

      def [](name) = @amounts.fetch(name)

      # @param colour [Color]
      # @return [Color] in OKLCH; the colour itself where nothing is shifted
      def of(colour)
        return colour if none?
        lightness, chroma, hue = colour.in(:oklch)
        lightness = (MIDDLE + (lightness - MIDDLE) * (1 + self[:contrast] / 100.0) + self[:lightness] / 100.0).clamp(0.0, 1.0)
        turned = Color.new(:oklch, [lightness, chroma * (1 + self[:chroma] / 100.0), (hue + self[:hue]) % 360], colour.alpha)
        Gamut.reduced(*warmed(turned).in(:oklch), colour.alpha)
      end

      # "Lightness +4, chroma −6 %"
      def words
        units = {chroma: " %", hue: "°", contrast: " %"}
        given = @amounts.reject { |_, amount| amount.zero? }
        given.map { |name, amount| "#{name} #{amount.positive? ? "+" : "−"}#{Notation::Forms.short(amount.abs, 1)}#{units[name]}" }.join(", ").sub(/\A./, &:upcase)
      end

      private

      def checked(name, amount, range)
        raise Error, "#{name} #{amount}: expected #{range.begin} to #{range.end}" unless amount.is_a?(Numeric) && amount.finite? && range.cover?(amount)
        amount
      end

      # Least near black and white, so that paper and ink stay neutral.
      def warmed(colour)
        return colour if self[:warmth].zero?
        lightness, a, b = colour.in(:oklab)
        far = FAR * self[:warmth] / 100.0 * 4 * lightness * (1 - lightness)
        Color.new(:oklab, [lightness, a + far * Math.cos(AMBER), b + far * Math.sin(AMBER)], colour.alpha)
      end
    end
  end
end
