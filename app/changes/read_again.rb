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

    def make
      raise Magpie::Error, "#{@find.name} was not read from pixels: there is nothing to read again" unless @find.pixels?
      @was = @find.name
      columns = Reading.columns(@find.readable, @aim)
      columns.delete(:name) if @find.named
      update(@find, **columns)
      @find
    end

    def words = "Read #{@was} again in #{@find.readable.name}"
  end
end
