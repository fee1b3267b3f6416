module Changes
  # Writes the parts and places of a drawing by two statements, however many there are:
  # through records, ten thousand places take longer than all that was read before.
  class DrawingRows
    # @param artwork [Artwork]
    # @param drawing [Magpie::Artwork]
    def initialize(artwork, drawing)
      @artwork, @drawing = artwork, drawing
    end

    def write
      write_parts
      write_places
    end

    private

    # Numbered in the order of the drawing.
    def write_parts
      rows = @drawing.parts.map.with_index { |part, number| [number, part.key, part.label, part.kind] }
      execute(<<~SQL, rows:)
        INSERT INTO parts (artwork_id, position, key, label, kind)
        SELECT :artwork, (row->>0)::integer, row->>1, row->>2, row->>3 FROM jsonb_array_elements(:rows::jsonb) WITH ORDINALITY AS rows (row, at) ORDER BY at
      SQL
    end

    # Drawings paint with the same few colours over and over: each is sent once.
    def write_places
      numbers = @drawing.parts.map.with_index { |part, number| [part.key, number] }.to_h
      paints = @drawing.places.map(&:paint).uniq.each_with_index.to_h
      rows = @drawing.places.map { |place| [numbers.fetch(place.part), place.role, paints.fetch(place.paint)] }
      execute(<<~SQL, rows:, paints: paints.keys.map { |paint| held(paint) })
        INSERT INTO places (artwork_id, part_id, role, kind, colour, hex, reference, opacity)
        SELECT :artwork, parts.id, row->>1, held.kind, held.colour, held.hex, held.reference, held.opacity
        FROM jsonb_array_elements(:rows::jsonb) WITH ORDINALITY AS rows (row, at)
        JOIN ROWS FROM (jsonb_to_recordset(:paints::jsonb) AS (kind text, colour jsonb, hex text, reference text, opacity float)) WITH ORDINALITY AS held ON held.ordinality = (row->>2)::integer + 1
        JOIN parts ON parts.artwork_id = :artwork AND parts.position = (row->>0)::integer ORDER BY at
      SQL
    end

    def held(paint) = Place.holding(paint).except(:paint).then { |columns| {**columns, colour: columns[:colour]&.to_h} }

    def execute(sql, **given)
      Record.connection.execute(Record.sanitize_sql([sql, {artwork: @artwork.id, **given.transform_values { |value| JSON.generate(value) }}]))
    end
  end
end
