module Changes
  # Places that hold what others held, with all that each follows and its opacity.
  module Exchanging
    COLUMNS = Place::HELD.map(&:to_sym).freeze
    # What is painted: how a line is drawn is no matter of a fill, nor is what is worn there.
    PAINT = (COLUMNS - %i[settings outfit_id]).freeze

    private

    # What they follow is untied and tied anew, since a place follows one swatch at a time.
    # @param pairs [Enumerable<[Integer, Integer]>] places, each in one of them
    def exchange(pairs, columns = COLUMNS)
      other = pairs.flat_map { |one, two| [[one, two], [two, one]] }.to_h
      ties = Follow.where(place_id: other.keys).order(:id).pluck(:place_id, :swatch_id, :ink)
      remove(Follow, Follow.where(place_id: other.keys).ids)
      held = Place.among(other.keys).to_h { |place| [place.id, columns.to_h { |column| [column, place[column]] }] }
      update_each(Place, other.transform_values { |from| held.fetch(from) })
      create_all(Follow, ties.map { |place_id, swatch_id, ink| {place_id: other.fetch(place_id), swatch_id:, ink:} })
    end
  end
end
