module Places
  module Palettes
    # Palettes: groups of touching chips, what is done with a selection, and the shelf of
    # the house.
    class Application < Frame::Application
      lies_in "palettes"
      locks_first
      helpers Helpers, Marks
      register Board, Selection, Shelf
    end
  end
end
