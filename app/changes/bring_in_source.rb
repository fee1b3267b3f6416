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

    def prepare
      picture = Magpie::Painters.picture(@bytes, name: @file)
      PictureCache.keep(Digest::SHA256.hexdigest(@bytes), picture)
      @columns = {width: picture.width, height: picture.height, facts: picture.facts, tone: Source.tone_of(picture) || {}}
    end

    def make
      sha256 = Blob.keep(@bytes, Magpie::Picture::File.format(@bytes).media_type)
      name = File.basename(@file, ".*").tr("_", " ").strip
      @source = bring_in(Source, project:, name: name.empty? ? "Picture" : name, sha256:, **@columns, kind: @kind, position: next_position(project.sources))
    end

    def words = "Brought in #{@source.name}"
  end
end
