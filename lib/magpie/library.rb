module Magpie
  # Looking colours up.
  module Library
    autoload :Bound, "magpie/library/bound"
    autoload :Codes, "magpie/library/codes"
    autoload :Nearest, "magpie/library/nearest"
  end
end
