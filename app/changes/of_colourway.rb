module Changes
  # What is done to a colourway, or to the first, as one of those of its artwork.
  module OfColourway
    include Colourways

    # @param artwork [Artwork]
    def initialize(project, artwork:)
      super(project)
      @artwork = artwork
    end

    private

    # The colourways of its artwork but the first, in their order.
    # @return [ActiveRecord::Relation]
    def others = Artwork.where(first_id: @artwork.drawn_id, removed_at: nil).order(:position, :id)

    def first = @first ||= Artwork.find(@artwork.drawn_id)

    # @raise [Magpie::Error]
    def refuse_first(what) = @artwork.colourway? || raise(Magpie::Error, "#{@artwork.colourway} is the first colourway of #{@artwork.name}: #{what}")

    # Those of its places that the first does not share.
    def differing = Place.where(artwork_id: @artwork.id).order(:id).ids
  end
end
