module Changes
  # Takes a source off the list. Its finds stay, with their colours and places.
  class RemoveSource < Change
    include OfProject

    def initialize(project, source:)
      super(project)
      @source = source
    end

    private

    def make = update(@source, removed_at: Time.now)

    def words = "Removed #{@source.name}"
  end
end
