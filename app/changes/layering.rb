module Changes
  # What makes another drawing of an artwork's, for all its colourways: a picture more, or
  # something filled on one. These have the drawing of the first (db/migrate/20261130000001).
  module Layering
    include OfArtwork

    private

    # @param drawing [String] a template
    # @param plain [Hash{String => Boolean}] see DrawnPicture.keep
    # @param more [Integer] parts
    def draw(drawing, plain = {}, more: 0)
      update_all(Artwork, [@artwork.id], template: DrawnPicture.keep(drawing, plain), part_count: now(@artwork, :part_count) + more)
    end

    # As it is now, once nobody else changes it.
    def drawing = Drawings.of(now(@artwork, :template))
  end
end
