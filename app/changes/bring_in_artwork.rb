module Changes
  # Brings an SVG in as an artwork: made safe, its parts and places listed.
  class BringInArtwork < Change
    include Defaults

    def initialize(project, name:, bytes:)
      super(project)
      @file, @bytes = Magpie::Text.name(name), bytes
    end

    private

    # Where nothing is given that may be followed, it keeps nobody waiting who works on swatches.
    def lock = project.default_swatch_id ? super : actor.projects.lock.find(project.id)

    def prepare = @drawing = Magpie::Walls.artwork(@bytes, name: @file)

    def make
      drawing, parts = @drawing, @drawing.parts.count { |part| part.kind == :part }
      name = File.basename(@file, ".*").tr("_-", "  ").strip
      @artwork = bring_in(Artwork, project:, name: name.empty? ? "Artwork" : name.sub(/\A./, &:upcase),
        original: Blob.keep(@bytes, "image/svg+xml"), template: Blob.keep(drawing.template, "image/svg+xml"),
        width: drawing.width, height: drawing.height, part_count: parts, dropped: drawing.dropped, position: next_position(project.artworks))
      DrawingRows.new(@artwork, drawing).write # not recorded one by one: undo hides the artwork with all that hangs on it
      give_default(@artwork, drawing)
      @artwork
    end

    def words = "Brought in #{@artwork.name}, #{count(@artwork.part_count, "part")}"
  end
end
