# How a drawing says that its parts are drawn.
module SettingsOfDrawings
  extend KeptOfDrawings

  keeps(8) { |drawing| Magpie::Artwork::Settings.of(drawing).freeze }
end
