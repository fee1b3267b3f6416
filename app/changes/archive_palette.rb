module Changes
  # Puts a palette away, or takes it out again. Its places go on following it.
  class ArchivePalette < Change
    def initialize(project, palette:, archived:)
      super(project)
      @palette, @archived = palette, archived
    end

    private

    def make
      raise Magpie::Error, "#{@palette.name} comes with each new project. Take that from it first" if @palette.starter && @archived
      update(@palette, archived_at: @archived ? Time.now : nil)
    end

    def words = @archived ? "Archived #{@palette.name}" : "Took #{@palette.name} out of the archive"
  end
end
