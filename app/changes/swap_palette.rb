module Changes
  # All that holds some colours in some artworks holds others from now on, at once: two may
  # change places. What follows a swatch, or has a stray colour, follows the swatch that is
  # given for it, or copies it where that is loose.
  class SwapPalette < Change
    include Ties

    # @param artworks [Array<Artwork>]
    # @param swaps [Hash{(Integer, String) => Swatch}] by the id of a swatch that is followed,
    #   or the hex of a stray
    def initialize(project, artworks:, swaps:)
      super(project)
      @artworks, @swaps = artworks, swaps
    end

    # @return [Integer] how many places were given another
    attr_reader :swapped

    private

    def make
      found = @swaps.group_by(&:last).transform_values { |swaps| swaps.flat_map { |from, _| holding(@artworks, from) } }
      raise Magpie::Error, "No place holds any of these colours. Look at the list again" if found.values.all?(&:empty?)
      found.each { |to, ids| give(own(@artworks, ids), Hand::Content.of_swatch(to)) if ids.any? }
      @swapped = found.values.sum(&:size)
      self
    end

    def words = "Swapped #{count(@swaps.size, "colour")} in #{count(@swapped, "place")} of #{(@artworks.size == 1) ? @artworks.first.name : count(@artworks.size, "artwork")}"
  end
end
