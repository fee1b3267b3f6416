module Changes
  # Reads a find again, at another place or with another tolerance. Its name stays
  # where a person gave it.
  class ReadAgain < Change
    include OfProject

    # @param aim [Aim]
    def initialize(project, find:, aim:)
      super(project)
      @find, @aim = find, aim
    end

    private

    def prepare
      raise Magpie::Error, "#{@find.name} was not read from pixels: there is nothing to read again" unless @find.pixels?
      @columns = Reading.columns(@find.readable, @aim)
    end

    def make
      @was = @find.reload.name
      update(@find, **@columns.except(*(:name if @find.named)))
      @find
    end

    def words = "Read #{@was} again in #{@find.readable.name}"
  end
end
