module Changes
  # What a place held before of another kind: it is kept beside what it holds, for whoever
  # goes back to it. It follows nothing there; where what it followed is still shared when
  # it comes back, it follows it again, and otherwise it has the value of then. The database
  # does it: there may be thousands.
  module Remembering
    KINDS = %w[plain gradient pattern none].freeze
    GRADIENTS = Magpie::Palette::Compound::GRADIENTS.map { |form| "'#{form}'" }.join(", ")

    # Of a place, as SQL: the swatch that it is painted with, what it is made of, what its
    # inks follow, and which of KINDS it is.
    SWATCH = "(SELECT f.swatch_id FROM follows f WHERE f.place_id = places.id AND f.ink IS NULL)"
    COLOUR = "COALESCE((SELECT s.colour FROM follows f JOIN swatches s ON s.id = f.swatch_id WHERE f.place_id = places.id AND f.ink IS NULL), places.colour)"
    PAINT = "COALESCE((SELECT s.paint FROM follows f JOIN swatches s ON s.id = f.swatch_id WHERE f.place_id = places.id AND f.ink IS NULL), places.paint)"
    INKS = "COALESCE((SELECT jsonb_object_agg(f.ink::text, f.swatch_id) FROM follows f WHERE f.place_id = places.id AND f.ink IS NOT NULL), (SELECT jsonb_object_agg(i.ink::text, i.swatch_id) FROM follows f JOIN follows i ON i.follower_id = f.swatch_id AND i.ink IS NOT NULL WHERE f.place_id = places.id AND f.ink IS NULL))"
    KIND = <<~SQL.squish
      CASE WHEN places.kind = 'none' THEN 'none' WHEN #{PAINT}->>'form' IN (#{GRADIENTS}) THEN 'gradient' WHEN #{PAINT} IS NOT NULL THEN 'pattern' WHEN places.kind = 'reference' THEN 'gradient' ELSE 'plain' END
    SQL
    HELD = "jsonb_strip_nulls(jsonb_build_object('kind', places.kind, 'colour', #{COLOUR}, 'reference', places.reference, 'paint', #{PAINT}, 'laid', places.laid, 'swatch', #{SWATCH}, 'inks', #{INKS}))".freeze

    private

    # Which of KINDS places are, as SQL: what a file has itself is a gradient, or a pattern.
    # @param ids [Array<Integer>]
    def kind_sql(ids)
      held = Place.where(id: ids, kind: "reference").where.not(artwork_id: nil).joins(:artwork).distinct.pluck("artworks.template", :reference)
      patterns = held.reject { |template, reference| FileGradients.of(template)[reference] }.map { |_, reference| Record.connection.quote(reference) }
      patterns.empty? ? KIND : "CASE WHEN places.kind = 'reference' AND places.reference IN (#{patterns.join(", ")}) THEN 'pattern' ELSE #{KIND} END"
    end

    # Places are about to hold something of another kind.
    # @param ids [Array<Integer>]
    def remember(ids)
      held = Place.where(id: ids).where.not(artwork_id: nil).where.not(kind: "none").order(:id).ids
      update_all(Place, held, remembered: Arel.sql("COALESCE(places.remembered, '{}') || jsonb_build_object(#{kind_sql(held)}, #{HELD})"))
    end

    # Of those that are about to hold something else, what is made with care is kept.
    def remember_paints(ids)
      remember(Place.where(id: ids).where("places.paint IS NOT NULL OR #{PAINT} IS NOT NULL").ids)
    end
  end
end
