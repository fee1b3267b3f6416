module Magpie
  # How much work may be made of what comes from outside.
  module Limits
    autoload :Budget, "magpie/limits/budget"
  end
end
