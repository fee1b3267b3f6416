module Changes
  # Brings a picture in as a source. It is decoded once here, so that damage shows
  # before anything is kept.
  class BringInSource < Change
    def initialize(project, name:, bytes:)
      super(project)
      @file, @bytes = Magpie::Text.name(name), bytes
    end

    private

    def make
      picture = Magpie::Picture.read(@bytes, name: @file)
      sha256 = Blob.keep(@bytes, Magpie::Picture::File.format(@bytes).media_type)
      name = File.basename(@file, ".*").tr("_", " ").strip
      @source = bring_in(Source, project:, name: name.empty? ? "Picture" : name, sha256:, width: picture.width, height: picture.height, position: next_position(project.sources))
    end

    def words = "Brought in #{@source.name}"
  end
end
