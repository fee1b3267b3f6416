# Which parts of a drawing enclose something, and which have ends: what can be done to their lines.
module EndsOfParts
  extend KeptOfDrawings

  keeps(4) { |drawing| Magpie::Artwork::Ends.all(drawing).freeze }
end
