module Changes
  # What a copy of a swatch takes with it. A copy is loose in nothing but its places:
  # it is shared when its model is, and has no reach yet.
  module Copying
    module_function

    # @return [Hash] columns of a row to insert
    def row(swatch, **columns)
      {name: swatch.name, note: swatch.note, code: swatch.code, kind: swatch.kind, colour: swatch.colour, hex: swatch.hex,
       definition: swatch.definition, shared: swatch.shared, paint: swatch.paint, find_id: swatch.find_id, **columns}
    end
  end
end
