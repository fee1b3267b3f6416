module Magpie
  # A palette, or a colour library, as a value: what formats read and write. Groups and
  # swatches keep their order. What is computed on the colours of a palette is in the
  # modules below.
  #
  # @!attribute condition [String, nil] of a library: what its colours were measured on, "on coated paper"
  # @!attribute licence [String, nil] under which it may be used
  Palette = Struct.new(:name, :note, :condition, :licence, :groups, keyword_init: true) do
    def swatches = groups.flat_map(&:swatches)

    # @param address [Array<Integer>] numbers of a group and of a swatch in it
    # @return [Palette::Swatch, nil]
    def at(address) = groups[address[0]]&.swatches&.[](address[1])

    # @return [Array<[Array<Integer>, Palette::Swatch]>] all of them with their addresses
    def addressed = groups.each_with_index.flat_map { |group, g| group.swatches.each_with_index.map { |swatch, s| [[g, s], swatch] } }
  end

  # What refers to another swatch, a tint or an ink, does so by its address in the palette:
  # the numbers of its group and of itself.
  #
  # @!attribute colour [Color] as it was defined, in its own model
  # @!attribute definition [String, nil] as it was typed
  # @!attribute code [String, nil] of the house or a library
  # @!attribute library [String, nil] the name of the library that the code is of
  # @!attribute kind [String, nil] "process" or "spot"
  # @!attribute compound [Compound, nil] a gradient or pattern, of which colour is the middle
  # @!attribute tint [Tint, nil] the swatch that its colour is made from
  # @!attribute spectrum [Spectrum, nil] as it was measured
  # @!attribute inks [Array<Float>, nil] cyan, magenta, yellow and black in per cent, as a library gives them
  # @!attribute page, position [String, nil] of the maker's chart, and where on it
  class Palette
    Swatch = Struct.new(:name, :colour, :shared, :note, :definition, :code, :library, :kind, :compound, :tint, :spectrum, :inks, :page, :position, keyword_init: true)
    Group = Struct.new(:name, :note, :swatches, keyword_init: true)
    # @!attribute percent [Float] 0..100
    # @!attribute of [Array<Integer>] the address of what it is a tint of
    Tint = Struct.new(:percent, :of)

    autoload :Tile, "magpie/palette/tile"
    autoload :Compound, "magpie/palette/compound"
    autoload :Course, "magpie/palette/course"
    autoload :Rearranged, "magpie/palette/rearranged"
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
