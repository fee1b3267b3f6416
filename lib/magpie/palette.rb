module Magpie
  # A palette as a value: what formats read and write, and what twins, health and
  # shifts are computed on. Groups and swatches keep their order.
  Palette = Struct.new(:name, :note, :groups, keyword_init: true) do
    def swatches = groups.flat_map(&:swatches)
  end

  # @!attribute colour [Color] as it was defined, in its own model
  # @!attribute definition [String, nil] as it was typed
  class Palette
    Swatch = Struct.new(:name, :colour, :shared, :note, :definition, keyword_init: true)
    Group = Struct.new(:name, :note, :swatches, keyword_init: true)
  end
end
