module Magpie
  class Picture
    # How light a picture is and which way all of it leans. Lightness is the median
    # OKLab lightness of its pixels; the cast is their mean a and b, which is near
    # nothing where colours balance ("grey world", Buchsbaum 1980).
    Tone = Struct.new(:lightness, :cast, keyword_init: true) do
      # Below and above these (OKLab lightness, OKLCH chroma) it is worth a word.
      const_set :DARK, 0.4
      const_set :LIGHT, 0.8
      const_set :TINTED, 0.025
      # Names of OKLCH hues, each up to its degree.
      const_set :HUES, {45 => "red", 85 => "orange", 120 => "yellow", 165 => "green", 225 => "blue-green", 285 => "blue", 330 => "violet", 360 => "pink"}.freeze

      # @param cells [Cells]
      def self.of(cells)
        l, a, b = cells.oklab
        order = l.sort_index
        middle = (cells.shares[order].cumsum >= 0.5).where[0]
        new(lightness: l[order][middle], cast: [a, b].map { |column| (column * cells.shares).sum })
      end

      def chroma = Math.hypot(*cast)

      # "dark, leans violet"
      def words = [light, (chroma < self.class::TINTED) ? "no cast" : "leans #{hue}"].join(", ")

      def light
        return "dark" if lightness < self.class::DARK
        (lightness > self.class::LIGHT) ? "light" : "mid light"
      end

      def hue
        degrees = Math.atan2(*cast.reverse) * 180 / Math::PI % 360
        self.class::HUES.find { |limit, _| degrees <= limit }.last
      end

      # How far another tone is from this one: lightness, and the way between the casts.
      def from(other) = [lightness - other.lightness, Math.hypot(*cast.zip(other.cast).map { |a, b| a - b })]
    end
  end
end
