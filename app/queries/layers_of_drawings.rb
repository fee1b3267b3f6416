# The pictures that drawings show.
module LayersOfDrawings
  extend KeptOfDrawings

  keeps(8) { |drawing| Magpie::Artwork::Layers.all(drawing).freeze }
end
