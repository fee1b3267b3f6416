module Changes
  # Fill and line of parts change places, with all that each follows and its opacity.
  class ExchangePaints < Change
    COLUMNS = %i[kind colour hex reference opacity paint].freeze

    # @param numbers [Array<Integer>] of parts
    def initialize(project, artwork:, numbers:)
      super(project)
      @artwork, @numbers = artwork, numbers
    end

    private

    def make
      pairs = pairs_of_places
      raise Magpie::Error, "#{@artwork.name} has no such part" if pairs.empty?
      @labels = pairs.map(&:first)
      other = pairs.flat_map { |_, fill, line| [[fill, line], [line, fill]] }.to_h
      @rows.standing_on(Artwork, [@artwork.id])
      exchange(other)
    end

    # [label, place of the fill, place of the line]
    def pairs_of_places
      rows = @artwork.places_of(@numbers).joins(:part).where(role: %w[fill line]).order(:role).pluck("parts.id", "parts.label", :id)
      rows.group_by(&:first).values.filter_map { |(one, two)| [one[1], one[2], two[2]] if two }
    end

    # What they follow is untied and tied anew, since a place follows one swatch at a time.
    # @param other [Hash{Integer => Integer}] place by place
    def exchange(other)
      ties = Follow.where(place_id: other.keys).order(:id).pluck(:place_id, :swatch_id, :ink)
      remove(Follow, Follow.where(place_id: other.keys).ids)
      held = Place.among(other.keys).to_h { |place| [place.id, COLUMNS.to_h { |column| [column, place[column]] }] }
      update_each(Place, other.transform_values { |from| held.fetch(from) })
      create_all(Follow, ties.map { |place_id, swatch_id, ink| {place_id: other.fetch(place_id), swatch_id:, ink:} })
    end

    def words = "Exchanged fill and line of #{(@labels.size == 1) ? @labels.first : count(@labels.size, "part")}"
  end
end
