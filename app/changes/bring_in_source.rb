module Changes
  # Brings a picture in as a source. It is decoded once here, so that damage shows
  # before anything is kept.
  class BringInSource < Change
    include OfProject

    # @param kind [String] "picture" or "screen"
    def initialize(project, name:, bytes:, kind: "picture")
      super(project)
      @file, @bytes, @kind = Magpie::Text.name(name), bytes, kind
    end

    private

    def make
      picture = Magpie::Painters.picture(@bytes, name: @file)
      sha256 = Blob.keep(@bytes, Magpie::Picture::File.format(@bytes).media_type)
      PictureCache.keep(sha256, picture)
      name = File.basename(@file, ".*").tr("_", " ").strip
      @source = bring_in(Source, project:, name: name.empty? ? "Picture" : name, sha256:, width: picture.width, height: picture.height,
        kind: @kind, facts: picture.facts, tone: Source.tone_of(picture) || {}, position: next_position(project.sources))
    end

    def words = "Brought in #{@source.name}"
  end
end
