module Changes
  # What a copy of a swatch takes with it. A copy is loose in nothing but its places:
  # it is shared when its model is, and has no reach yet.
  module Copying
    module_function

    # @return [Hash] columns of a row to insert
    def row(swatch, **columns)
      {name: swatch.name, note: swatch.note, code: swatch.code, kind: swatch.kind, colour: swatch.colour, hex: swatch.hex,
       definition: swatch.definition, shared: swatch.shared, paint: swatch.paint, find_id: swatch.find_id, entry_id: swatch.entry_id, **columns}
    end

    # What inks and tints of the copies follow: what was copied with them is followed in
    # its copy, anything else itself.
    # @param copies [Hash{Integer => Integer}] new id by the model's
    # @param tints [Boolean] whether tints stay tints
    # @return [Array<Hash>] columns of rows to insert
    def ties(copies, tints: true)
      ties = Follow.where(follower_id: copies.keys).order(:id)
      ties = ties.where(tint: nil) unless tints
      ties.map { |tie| {follower_id: copies.fetch(tie.follower_id), swatch_id: copies.fetch(tie.swatch_id, tie.swatch_id), ink: tie.ink, tint: tie.tint} }
    end
  end
end
