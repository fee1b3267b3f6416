module Changes
  # Gives a swatch another colour. Everything that follows it follows at once, since
  # places hold the swatch and not its value: the cost does not grow with the reach.
  class ChangeSwatch < Change
    # @param before [String] the hex that the person saw; refused when it has changed
    def initialize(project, swatch:, colour:, definition:, before:)
      super(project)
      @swatch, @colour, @definition, @before = swatch, colour, definition, before
    end

    private

    def make
      @swatch.lock!
      raise Magpie::Error, "#{@swatch.name} was changed to #{@swatch.hex} meanwhile; you saw #{@before}. Look at it again" unless @swatch.hex == @before
      update(@swatch, colour: @colour, definition: @definition)
      @swatch
    end

    def words = "Changed #{@swatch.name}#{" everywhere" if @swatch.shared} from #{@before} to #{@swatch.hex}"
  end
end
