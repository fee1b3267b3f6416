module Magpie
  module Library
    # What two Lab colours that are within a ΔE00 of each other must fulfil, told without
    # the formula. With the terms of Sharma, Wu, Dalal 2005, ΔE00² is (ΔL/SL)² plus a form
    # in ΔC/SC and ΔH/SH whose mixed term RT is between −√3 and √3, so that it is at least
    # 1 − √3/2 of the sum of the squares; hence a pair within the limit has
    #   |ΔL| ≤ limit · SL, and SL ≤ 1.75,
    #   √(Δa² + Δb²) ≤ limit · SC / √(1 − √3/2), and SC ≤ 1 + 0.045 · 1.5 · mean C.
    module Bound
      STEEPEST = 1.75 # SL of black and white
      ACROSS = 1 / Math.sqrt(1 - Math.sqrt(3) / 2)
      # Of the sum of both chromas: half of 0.045 · 1.5.
      WIDENING = 0.03375

      module_function

      # How far apart in lightness.
      def lightness(limit) = limit * STEEPEST

      # How far apart in a and b.
      # @param chromas the sum of both, a number or a Numo column
      def across(limit, chromas) = (chromas * WIDENING + 1) * (limit * ACROSS)

      # How far from a colour in a and b anything is, whatever its chroma: that is at most
      # the colour's own and the distance d, so that d ≤ across(limit, 2C + d).
      # @param chroma [Float]
      # @return [Float] infinite where the limit bounds nothing
      def about(limit, chroma)
        share = limit * ACROSS * WIDENING
        (share < 1) ? across(limit, 2 * chroma) / (1 - share) : Float::INFINITY
      end
    end
  end
end
