module Changes
  # Puts a source at another place in the list.
  class MoveSource < Change
    include OfProject
    include Ordering

    # @param before [Integer, nil] id of the source that it is to stand before; one that is
    #   not there means the end
    # @param by [Integer] places up or down, where nothing is said of before
    def initialize(project, source:, before: nil, by: 0)
      super(project)
      @source, @before, @by = source, before, by
    end

    private

    def make
      order = project.sources.to_a
      others = order.without(@source)
      to = @before ? others.index { |each| each.id == @before } || others.size : order.index(@source) + @by
      put(order, @source, to)
    end

    def words = "Moved #{@source.name} in the list of sources"
  end
end
