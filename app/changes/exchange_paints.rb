module Changes
  # Fill and line of parts change places, with all that each follows and its opacity.
  class ExchangePaints < Change
    include Colourways
    include Exchanging

    # @param numbers [Array<Integer>] of parts
    def initialize(project, artwork:, numbers:)
      super(project)
      @artwork, @numbers = artwork, numbers
    end

    private

    def make
      pairs = pairs_of_places
      raise @artwork.without_parts(@numbers) if pairs.empty?
      @labels = pairs.map(&:first)
      @rows.standing_on(Artwork, [@artwork.id])
      exchange own([@artwork], pairs.flat_map { |_, fill, line| [fill, line] }).each_slice(2), PAINT
    end

    # [label, place of the fill, place of the line]
    def pairs_of_places
      rows = @artwork.places_of(@numbers).joins(:part).where(role: %w[fill line]).order(:role).pluck("parts.id", "parts.label", :id)
      rows.group_by(&:first).values.filter_map { |(one, two)| [one[1], one[2], two[2]] if two }
    end

    def words = "Exchanged fill and line of #{(@labels.size == 1) ? @labels.first : count(@labels.size, "part")}"
  end
end
