module Changes
  # What a place held before of another kind: it is kept beside what it holds, for whoever
  # goes back to it. It follows nothing there; where what it followed is still shared when
  # it comes back, it follows it again, and otherwise it has the value of then.
  module Remembering
    KINDS = %w[plain gradient pattern none].freeze

    private

    # @param place [Place]
    # @return [String] one of KINDS
    def kind_of(place)
      return "none" if place.kind == "none"
      paint = place.swatch&.paint || place.paint
      return paint.gradient? ? "gradient" : "pattern" if paint
      (place.kind == "reference") ? "gradient" : "plain"
    end

    # What a place would need to hold this again.
    # @return [Hash]
    def held_now(place)
      {"kind" => place.kind, "colour" => (place.swatch&.colour || place.colour)&.to_h, "reference" => place.reference, "paint" => (place.swatch&.paint || place.paint)&.to_h, "laid" => place.laid&.to_h,
       "swatch" => place.swatch_id, "inks" => place.inks.to_h { |tie| [tie.ink.to_s, tie.swatch_id] }.presence}.compact
    end

    # With what it holds now among it.
    # @return [Hash{String => Hash}] by kind
    def remembered_with(place) = (kind_of(place) == "none") ? place.remembered.to_h : place.remembered.to_h.merge(kind_of(place) => held_now(place))

    # Places that hold a gradient or pattern are about to hold something else: it is kept.
    # @param ids [Array<Integer>]
    def remember_paints(ids)
      held = Place.where(id: ids).where("places.paint IS NOT NULL OR EXISTS (SELECT FROM follows f JOIN swatches s ON s.id = f.swatch_id WHERE f.place_id = places.id AND f.ink IS NULL AND s.paint IS NOT NULL)").where.not(artwork_id: nil)
      update_each(Place, held.includes(:swatch, :inks).order(:id).to_h { |place| [place.id, {remembered: remembered_with(place)}] })
    end
  end
end
