module Places
  module House
    # What the house's routes ask for.
    module Helpers
      # The version of the project that the form of undo or redo showed.
      def seen_version = (param.id(:saw) if param[:saw])
    end
  end
end
