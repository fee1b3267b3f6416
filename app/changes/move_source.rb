module Changes
  # Puts a source at another place in the list.
  class MoveSource < Change
    # @param to [Integer] from 0; too far means the end
    def initialize(project, source:, to:)
      super(project)
      @source, @to = source, to
    end

    private

    def make
      order = project.sources.to_a
      order.insert(@to.clamp(0, order.size - 1), order.delete(@source))
      order.each.with_index(1) { |source, position| update(source, position:) unless source.position == position }
    end

    def words = "Moved #{@source.name} in the list of sources"
  end
end
