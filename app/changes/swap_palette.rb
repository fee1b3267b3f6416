module Changes
  # All that holds some colours in some artworks holds others from now on, at once: two may
  # change places. What follows a swatch, or has a stray colour, follows the swatch that is
  # given for it, or copies it where that is loose. Parts whose fill has a colour, or that
  # wear an outfit, wear the outfit that is given for it.
  class SwapPalette < Change
    include Ties
    include Likeness

    # @param artworks [Array<Artwork>]
    # @param swaps [Hash{(Integer, String) => (Swatch, Outfit)}] by the id of a swatch that is
    #   followed, the hex of a stray, or an outfit as "o5"
    def initialize(project, artworks:, swaps:)
      super(project)
      @artworks, @swaps = artworks, swaps
    end

    # @return [Integer] how many places were given another
    attr_reader :swapped

    private

    def make
      outfits, colours = @swaps.partition { |_, to| to.is_a?(Outfit) }
      outfits.map(&:last).uniq.sort_by(&:id).each(&:lock!)
      dressed = parts_to_dress(outfits) # before a colour changes that tells them
      found = colours.group_by(&:last).transform_values { |swaps| swaps.flat_map { |from, _| holding(@artworks, from) } }
      raise Magpie::Error, "No place holds any of these colours. Look at the list again" if found.values.all?(&:empty?) && dressed.empty?
      found.each { |to, ids| give(own(@artworks, ids), Hand::Content.of_swatch(to)) if ids.any? }
      dressed.each { |(artwork, outfit), part_ids| wear(outfit, places_of_parts(artwork, part_ids)) }
      @swapped = found.values.sum(&:size) + dressed.values.sum(&:size)
      self
    end

    # @return [Hash{[Artwork, Outfit] => Array<Integer>}] ids of parts, none of them twice in an artwork
    def parts_to_dress(outfits)
      @artworks.each_with_object({}) do |artwork, found|
        fills = artwork.open_fills
        worn = outfits.sort_by { |from, _| from.to_s.start_with?("o") ? 0 : 1 }.each_with_object({}) do |(from, outfit), parts|
          fills_of(fills, from).each { |part_id| parts[part_id] ||= outfit }
        end
        worn.group_by(&:last).each { |outfit, pairs| found[[artwork, outfit]] = pairs.map(&:first) }
      end
    end

    def fills_of(fills, from)
      return fills.where(outfit_id: from[1..]).pluck(:part_id) if from.to_s.start_with?("o")
      (from.is_a?(String) ? fills.where(hex: from) : fills.following(from)).pluck(:part_id)
    end

    def places_of_parts(artwork, part_ids) = own_by_role(artwork, artwork.places.where(part_id: part_ids))

    def words = "Swapped #{count(@swaps.size, "colour")} in #{count(@swapped, "place")} of #{(@artworks.size == 1) ? @artworks.first.name : count(@artworks.size, "artwork")}"
  end
end
