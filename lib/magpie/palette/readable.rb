module Magpie
  class Palette
    # Text on a ground: whether it can be read, and what would have to change.
    # WCAG 2.2, success criterion 1.4.3.
    module Readable
      LIMIT = 4.5

      module_function

      # The nearest lightness of the text, hue and relative chroma kept, at which the
      # contrast is reached; nil where neither black nor white side reaches it.
      # @param text [Color] with the opacity that it is seen with, which stays
      # @param ground [Color]
      # @return [Color, nil]
      def adjusted(text, ground, limit: LIMIT)
        lightness, chroma, hue = text.in(:oklch)
        tried = [0.0, 1.0].filter_map { |extreme| toward(extreme, lightness, chroma, hue, text.alpha, ground, limit) }
        tried.min_by { |colour| (colour.in(:oklch).first - lightness).abs }
      end

      # By halving: the contrast grows steadily toward black and toward white once the
      # ground's own lightness is passed.
      def toward(extreme, lightness, chroma, hue, alpha, ground, limit)
        made = ->(l) { Gamut.to_srgb(Gamut.reduced(l, chroma, hue, alpha)) }
        enough = ->(l) { Contrast.ratio(Notation.parse(made.call(l).hex), ground) >= limit }
        return unless enough.call(extreme)
        near, far = lightness, extreme
        24.times do
          middle = (near + far) / 2
          enough.call(middle) ? far = middle : near = middle
        end
        made.call(far)
      end
    end
  end
end
