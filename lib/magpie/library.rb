module Magpie
  # Looking colours up.
  module Library
    autoload :Bound, "magpie/library/bound"
    autoload :Nearest, "magpie/library/nearest"
  end
end
