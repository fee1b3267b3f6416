module Magpie
  # How far apart two colours are. Opacity is not looked at.
  module Difference
    autoload :Ciede2000, "magpie/difference/ciede2000"
    autoload :Words, "magpie/difference/words"

    module_function

    # ΔE00 of two colours, 0 for equal ones.
    def de2000(a, b) = Ciede2000.of(a.in(:lab), b.in(:lab))

    # ΔEOK: distance in OKLab, for speed where only the order matters.
    def ok(a, b)
      l1, a1, b1 = a.in(:oklab)
      l2, a2, b2 = b.in(:oklab)
      Math.sqrt((l1 - l2)**2 + (a1 - a2)**2 + (b1 - b2)**2)
    end
  end
end
