module Magpie
  module Difference
    # CIEDE2000 with the weights kL = kC = kH = 1. Source: Sharma, Wu, Dalal, "The
    # CIEDE2000 color-difference formula: implementation notes", 2005; the equation
    # numbers are theirs.
    module Ciede2000
      RADIANS = Math::PI / 180
      POW25_7 = 25.0**7

      module_function

      # @param one, two [Array<Float>] Lab: L 0..100, a, b
      # @return [Float] ΔE00
      def of(one, two)
        l1, a1, b1 = one
        l2, a2, b2 = two
        stretch = 1.5 - 0.5 * chroma_weight((Math.hypot(a1, b1) + Math.hypot(a2, b2)) / 2) # (4)
        a1 *= stretch # (5)
        a2 *= stretch
        c1 = Math.hypot(a1, b1) # (6)
        c2 = Math.hypot(a2, b2)
        h1 = hue(a1, b1) # (7)
        h2 = hue(a2, b2)
        terms(l1, c1, h1, l2, c2, h2)
      end

      def terms(l1, c1, h1, l2, c2, h2)
        grey = c1 * c2 == 0
        turn = grey ? 0.0 : short_way(h2 - h1) # (10)
        dl = l2 - l1 # (8)
        dc = c2 - c1 # (9)
        dh = 2 * Math.sqrt(c1 * c2) * Math.sin(turn / 2 * RADIANS) # (11)
        mean_l = (l1 + l2) / 2 # (12)
        mean_c = (c1 + c2) / 2 # (13)
        mean_h = grey ? h1 + h2 : mean_hue(h1, h2) # (14)
        off = (mean_l - 50)**2
        dl /= 1 + 0.015 * off / Math.sqrt(20 + off) # (17)
        dc /= 1 + 0.045 * mean_c # (18)
        dh /= 1 + 0.015 * mean_c * hue_weight(mean_h) # (19)
        Math.sqrt(dl * dl + dc * dc + dh * dh + rotation(mean_c, mean_h) * dc * dh) # (22)
      end

      # √(C⁷ / (C⁷ + 25⁷)), in (4) and (16).
      def chroma_weight(chroma)
        power = chroma**7
        Math.sqrt(power / (power + POW25_7))
      end

      def hue(a, b) = (a == 0 && b == 0) ? 0.0 : Math.atan2(b, a) / RADIANS % 360

      def short_way(turn)
        return turn - 360 if turn > 180
        (turn < -180) ? turn + 360 : turn
      end

      def mean_hue(h1, h2)
        sum = h1 + h2
        return sum / 2 if (h1 - h2).abs <= 180
        (sum < 360) ? (sum + 360) / 2 : (sum - 360) / 2
      end

      def hue_weight(h) # (15)
        1 - 0.17 * Math.cos((h - 30) * RADIANS) + 0.24 * Math.cos(2 * h * RADIANS) +
          0.32 * Math.cos((3 * h + 6) * RADIANS) - 0.20 * Math.cos((4 * h - 63) * RADIANS)
      end

      def rotation(chroma, h) # (16), (20), (21)
        -2 * chroma_weight(chroma) * Math.sin(60 * RADIANS * Math.exp(-((h - 275) / 25)**2))
      end
    end
  end
end
