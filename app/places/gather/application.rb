module Places
  module Gather
    # Gather: pictures, readings and finds.
    class Application < Frame::Application
      lies_in "gather"
      helpers Helpers
      register Readings, Pictures
    end
  end
end
