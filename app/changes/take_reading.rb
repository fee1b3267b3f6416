module Changes
  # Reads a source with the probe and keeps the reading as a find.
  class TakeReading < Change
    def initialize(project, source:, x:, y:, probe:)
      super(project)
      @source, @x, @y, @probe = source, x, y, probe
    end

    private

    def make
      reading = @source.picture.at(@x, @y, probe: @probe)
      raise Magpie::Error, "#{@x}, #{@y} is transparent in #{@source.name}: there is no colour to read" unless reading.average
      @find = create(Find, project:, source: @source, x: @x, y: @y, probe: @probe, colour: reading.average,
        most_common: reading.most_common, spread: reading.spread, transparent: reading.transparent,
        name: Magpie::ColorName.suggest(reading.average), created_at: Time.now)
    end

    def words = "Found #{@find.name} in #{@source.name}"
  end
end
