module Magpie
  # Making new colours from old ones. Every function takes and gives Color values,
  # and what it gives is inside the sRGB gamut unless it says otherwise.
  module Making
    autoload :Nudge, "magpie/making/nudge"
    autoload :Mix, "magpie/making/mix"
    autoload :Paint, "magpie/making/paint"
    autoload :Between, "magpie/making/between"
    autoload :Blend, "magpie/making/blend"
    autoload :Tints, "magpie/making/tints"
    autoload :Ramp, "magpie/making/ramp"
    autoload :Harmony, "magpie/making/harmony"
  end
end
