module Magpie
  # A palette as a value: what formats read and write. Groups and swatches keep their
  # order. What is computed on the colours of a palette is in the modules below.
  Palette = Struct.new(:name, :note, :groups, keyword_init: true) do
    def swatches = groups.flat_map(&:swatches)
  end

  # @!attribute colour [Color] as it was defined, in its own model
  # @!attribute definition [String, nil] as it was typed
  # @!attribute code [String, nil] of the house or a library
  # @!attribute kind [String, nil] "process" or "spot"
  # @!attribute compound [Compound, nil] a gradient or pattern, of which colour is the middle
  class Palette
    Swatch = Struct.new(:name, :colour, :shared, :note, :definition, :code, :kind, :compound, keyword_init: true)
    Group = Struct.new(:name, :note, :swatches, keyword_init: true)

    autoload :Compound, "magpie/palette/compound"
    autoload :Twins, "magpie/palette/twins"
    autoload :Confusable, "magpie/palette/confusable"
    autoload :Unprintable, "magpie/palette/unprintable"
    autoload :Reversals, "magpie/palette/reversals"
    autoload :Readable, "magpie/palette/readable"
    autoload :Shift, "magpie/palette/shift"
    autoload :Matching, "magpie/palette/matching"
    autoload :Order, "magpie/palette/order"
    autoload :Gaps, "magpie/palette/gaps"
    autoload :Grid, "magpie/palette/grid"
    autoload :NamePattern, "magpie/palette/name_pattern"
  end
end
