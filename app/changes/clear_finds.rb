module Changes
  # Takes finds off the list. Swatches that were kept from them stay as they are.
  class ClearFinds < Change
    include OfProject

    # @param finds [ActiveRecord::Relation]
    def initialize(project, finds:)
      super(project)
      @finds = finds
    end

    private

    def make
      @names = @finds.pluck(:name)
      raise Magpie::Error, "There is no find to clear. What is pinned stays" if @names.empty?
      update_all(Find, @finds.ids, removed_at: Time.now)
    end

    def words = "Cleared #{(@names.size == 1) ? @names.first : count(@names.size, "find")}"
  end
end
