module Changes
  # Stray colours of artworks follow swatches from now on, each that holds exactly the colour.
  class LinkStrays < Change
    include Ties

    # @param artworks [Array<Artwork>]
    # @param links [Hash{String => Swatch}] by hex
    def initialize(project, artworks:, links:)
      super(project)
      @artworks, @links = artworks, links
    end

    # @return [Integer] how many places were linked
    attr_reader :linked

    private

    def make
      raise Magpie::Error, "No stray is so near to a swatch" if @links.empty?
      share(@links.values.uniq)
      @linked = link(@artworks, @links)
      raise Magpie::Error, "No place holds that colour any more. Look at the list again" if @linked == 0
      self
    end

    def words = "Linked #{count(@linked, "place")} of #{where} to #{(@links.values.uniq.size == 1) ? @links.values.first.name : count(@links.values.uniq.size, "swatch")}"

    def where = (@artworks.size == 1) ? @artworks.first.name : count(@artworks.size, "artwork")
  end
end
