module Changes
  # Fill and line of parts change places, with all that each follows and its opacity.
  class ExchangePaints < Change
    include OfParts
    include Exchanging
    include Likeness

    private

    def make
      pairs = pairs_of_places
      raise @artwork.without_parts(@numbers) if pairs.empty?
      @labels = pairs.map(&:first)
      @rows.standing_on(Artwork, [@artwork.id])
      places = own([@artwork], pairs.flat_map { |_, fill, line| [fill, line] })
      exchange places.each_slice(2), PAINT
      take_off(places)
    end

    # [label, place of the fill, place of the line]
    def pairs_of_places
      rows = @artwork.places_of(@numbers).joins(:part).where(role: %w[fill line]).order(:role).pluck("parts.id", "parts.label", :id)
      rows.group_by(&:first).values.filter_map { |(one, two)| [one[1], one[2], two[2]] if two }
    end

    def words = "Exchanged fill and line of #{parts}"
  end
end
