# Where the parts of a drawing lie. It is asked for by whoever paints gradients.
module PartFrames
  extend KeptOfDrawings

  keeps(4) { |drawing| Magpie::Artwork::Frames.new(drawing) }
end
