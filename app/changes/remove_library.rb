module Changes
  # Takes a library out of the house. Swatches that are noted with its entries keep their
  # colours and codes.
  class RemoveLibrary < Change
    include OfLibrary

    def initialize(project, library:)
      super(project)
      @library = library
    end

    private

    def make = update(actor.libraries.lock.find(@library.id), removed_at: Time.now)

    def words = "Removed the library #{@library.name}"
  end
end
