module Changes
  # Brings an SVG in as an artwork: made safe, its parts and places listed.
  class BringInArtwork < Change
    include OfProject

    def initialize(project, name:, bytes:)
      super(project)
      @file, @bytes = Magpie::Text.name(name), bytes
    end

    private

    def prepare = @drawing = Magpie::Walls.artwork(@bytes, name: @file)

    def make
      drawing = @drawing
      name = File.basename(@file, ".*").tr("_-", "  ").strip
      @artwork = bring_in(Artwork, project:, name: name.empty? ? "Artwork" : name.sub(/\A./, &:upcase),
        original: Blob.keep(@bytes, "image/svg+xml"), template: Blob.keep(drawing.template, "image/svg+xml"),
        width: drawing.width, height: drawing.height, dropped: drawing.dropped, position: next_position(project.artworks))
      add_places(drawing, add_parts(drawing))
      @parts = drawing.parts.count { |part| part.kind == :part }
      @artwork
    end

    # Not recorded one by one: undo hides the artwork with all that hangs on it.
    def add_parts(drawing)
      rows = drawing.parts.each_with_index.map { |part, position| {artwork_id: @artwork.id, key: part.key, label: part.label, kind: part.kind, position:} }
      return {} if rows.empty?
      Part.insert_all!(rows, returning: %i[id key]).to_h { |row| [row["key"], row["id"]] }
    end

    def add_places(drawing, part_ids)
      rows = drawing.places.map { |place| {artwork_id: @artwork.id, part_id: part_ids.fetch(place.part), role: place.role, **Place.holding(place.paint)} }
      Place.insert_all!(rows) unless rows.empty?
    end

    def words = "Brought in #{@artwork.name}, #{count(@parts, "part")}"
  end
end
