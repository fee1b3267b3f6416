module Changes
  # What is done to an artwork with all its colourways.
  module OfArtwork
    # @param artwork [Artwork] the first, or one of its colourways
    def initialize(project, artwork:)
      super(project)
      @artwork = Artwork.find(artwork.drawn_id)
    end

    private

    # @return [Array<Artwork>] what stands of it, the first before the others
    def family = @family ||= [@artwork, *Artwork.where(first_id: @artwork.id, removed_at: nil).order(:position, :id)]

    # Its columns, for another one like it.
    def columns(artwork) = artwork.attributes.except("id", "created_at", "removed_at").symbolize_keys
  end
end
