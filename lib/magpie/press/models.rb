# Colours with all their models. Inks are one too, but only above the floor that knows
# what inks print as.
require "magpie/color"
require "magpie/press/cmyk"
