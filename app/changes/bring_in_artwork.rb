module Changes
  # Brings an SVG in as an artwork: made safe, its parts and places listed. A picture becomes a
  # drawing that shows it, in which patches can be filled.
  class BringInArtwork < Change
    include Defaults

    def initialize(project, name:, bytes:)
      super(project)
      @file, @bytes = Magpie::Text.name(name), bytes
    end

    private

    # Where nothing is given that may be followed, it keeps nobody waiting who works on swatches.
    def lock = project.default_swatch_id ? super : actor.projects.lock.find(project.id)

    def prepare
      @format = Magpie::Picture::File.format(@bytes)
      return @drawing = Magpie::Walls.artwork(@bytes, name: @file) unless picture?
      @sha256 = Blob.sha256(@bytes)
      @opened = PictureCache.bring(@sha256, @bytes, @file, toned: false)
    end

    def picture? = @format && @format.name != "SVG"

    def make
      return of_picture if picture?
      drawing, parts = @drawing, @drawing.parts.count { |part| part.kind == :part }
      @artwork = bring_in(Artwork, project:, name:,
        original: Blob.keep(@bytes, "image/svg+xml"), template: Blob.keep(drawing.template, "image/svg+xml"),
        width: drawing.width, height: drawing.height, part_count: parts, dropped: drawing.dropped, position: next_position(project.artworks))
      DrawingRows.new(@artwork, drawing).write # not recorded one by one: undo hides the artwork with all that hangs on it
      give_default(@artwork, drawing)
      @artwork
    end

    def name = File.basename(@file, ".*").tr("_-", "  ").strip.then { |text| text.empty? ? "Artwork" : text.sub(/\A./, &:upcase) }

    def of_picture
      original = Blob.keep(@bytes, @format.media_type, @sha256)
      template = DrawnPicture.keep(Magpie::Artwork::Layers.of(@sha256, @opened.width, @opened.height), {@sha256 => @opened.facts[:plain]})
      @artwork = bring_in(Artwork, project:, name:, original:, template:, width: @opened.width, height: @opened.height, part_count: 0, dropped: [], position: next_position(project.artworks))
    end

    def words = "Brought in #{@artwork.name}, #{picture? ? "a picture" : count(@artwork.part_count, "part")}"
  end
end
