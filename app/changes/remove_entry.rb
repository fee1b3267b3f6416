module Changes
  # Takes an entry out of a library. Swatches that are noted with it keep their colours and
  # codes.
  class RemoveEntry < Change
    include OfLibrary

    def initialize(project, library:, entry:)
      super(project)
      @library, @entry = library, entry
    end

    private

    def make
      @library = standing
      entry = listed(@entry)
      update_all(Swatch, Swatch.where(entry_id: entry.id).order(:id).ids, entry_id: nil)
      remove(Entry, [entry.id])
    end

    def words = "Removed #{@entry.in_words} from #{@library.name}"
  end
end
