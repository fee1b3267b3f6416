module Changes
  # All that holds one colour in some artworks holds another from now on: what follows a
  # swatch, or has a stray colour, is given what is in hand.
  class SwapColour < Change
    include Ties

    # @param artworks [Array<Artwork>]
    # @param from [Swatch, String] the swatch that is followed, or the hex of a stray
    # @param content [Hand::Content]
    def initialize(project, artworks:, from:, content:)
      super(project)
      @artworks, @from, @content = artworks, from, content
    end

    # @return [Integer] how many places were given it
    attr_reader :swapped

    private

    def make
      raise Magpie::Error, "#{@content.name} is there already" if @from.is_a?(Swatch) && @content.swatch_id == @from.id
      ids = own(@artworks, holding(@artworks, @from))
      raise Magpie::Error, "No place holds that colour any more. Look at the list again" if ids.empty?
      give(ids, @content)
      @swapped = ids.size
      self
    end

    def words = "Swapped #{@from.is_a?(Swatch) ? @from.name : @from} for #{@content.name} in #{count(@swapped, "place")} of #{(@artworks.size == 1) ? @artworks.first.name : count(@artworks.size, "artwork")}"
  end
end
