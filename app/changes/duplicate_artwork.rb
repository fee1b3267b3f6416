module Changes
  # Another artwork that is as this one is, with all its colourways.
  class DuplicateArtwork < Change
    include OfArtwork

    private

    def make
      name = Magpie::ColorName.unused(@artwork.name, project.artworks.firsts.map(&:name))
      @made = bring_in(Artwork, **columns(@artwork), name:, position: next_position(project.artworks))
      Copies.of_parts(@artwork.id, @made.id) # not recorded one by one: undo hides the artwork with all that hangs on it
      Copies.of_dress(@artwork.id, @made.id, @made.id)
      family.drop(1).each { |way| Copies.of_dress(way.id, bring_in(Artwork, **columns(way), name:, first_id: @made.id).id, @made.id) }
      Copies.stand(@rows, Artwork.family(@made.id).ids)
      @made
    end

    def words = "Duplicated #{@artwork.name} as #{@made.name}"
  end
end
