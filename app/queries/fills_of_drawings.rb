# What of their pictures is filled, by key of the part.
module FillsOfDrawings
  extend KeptOfDrawings

  keeps(8) { |drawing| Magpie::Artwork::Layers.fills(drawing).to_h { |each| [each.key, each] }.freeze }
end
