module Changes
  # Reads a source or an artwork and keeps the reading as a find.
  class TakeReading < Change
    include OfProject

    # @param readable [Readable]
    # @param aim [Aim]
    def initialize(project, readable:, aim:)
      super(project)
      @readable, @aim = readable, aim
    end

    private

    def prepare = @columns = Reading.columns(@readable, @aim)

    def make = @find = create(Find, project:, created_at: Time.now, **@columns)

    def words = "Found #{@find.name} in #{@readable.name}"
  end
end
