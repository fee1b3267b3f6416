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
      @sha256 = Blob.sha256(@bytes)
      opened = PictureCache.bring(@sha256, @bytes, @file)
      @columns = {width: opened.width, height: opened.height, facts: opened.facts, tone: opened.tone.to_h}
    end

    def make
      Blob.keep(@bytes, Magpie::Picture::File.format(@bytes).media_type, @sha256)
      name = File.basename(@file, ".*").tr("_", " ").strip
      @source = bring_in(Source, project:, name: name.empty? ? "Picture" : name, sha256: @sha256, **@columns, kind: @kind, position: next_position(project.sources))
    end

    def words = "Brought in #{@source.name}"
  end
end
