# The gradients that a drawing has itself.
module FileGradients
  extend KeptOfDrawings

  keeps(4) { |drawing| Magpie::Artwork::Gradients.new(drawing) }
end
