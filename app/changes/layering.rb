module Changes
  # What makes another drawing of an artwork's, for all its colourways: a picture more, or
  # something filled on one.
  module Layering
    include OfArtwork

    private

    # @param drawing [String] a template
    # @param plain [Hash{String => Boolean}] see DrawnPicture.keep
    def draw(drawing, plain = {})
      update_all(Artwork, family.map(&:id), template: DrawnPicture.keep(drawing, plain))
    end

    # As it is now, once nobody else changes it.
    def drawing = Drawings.of(Artwork.where(id: @artwork.id).pick(:template))
  end
end
