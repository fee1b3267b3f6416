module Magpie
  # Looking colours up.
  module Library
    autoload :Bound, "magpie/library/bound"
    autoload :Codes, "magpie/library/codes"
    autoload :Nearest, "magpie/library/nearest"
    autoload :Slabs, "magpie/library/slabs"

    # By so much two colours that count as alike may differ in opacity.
    OPACITY = 0.02

    # What a group of a file is called in a library: nothing where it has only the name of
    # the whole, as files have that know no groups.
    # @return [String, nil]
    def self.section(palette, group) = (group.name unless group.name == palette.name)
  end
end
