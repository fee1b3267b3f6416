module Changes
  # Gives one swatch another colour, as it was typed.
  class ChangeSwatch < Change
    include Ties

    attr_reader :why

    # @param before [String] the hex that the person saw; refused when it has changed
    # @param bring_along [Boolean] of a loose swatch: places that hold exactly its old
    #   value get the new one
    def initialize(project, swatch:, colour:, definition:, before:, bring_along: false, why: nil)
      super(project)
      @swatch, @colour, @definition, @before, @bring_along = swatch, colour, definition, before, bring_along
      @why = Magpie::Text.name(why, longest: 300).presence
      @brought = []
    end

    private

    def make
      @swatch.lock!
      refuse_locked([@swatch])
      raise Magpie::Error, "#{@swatch.name} is a gradient or pattern. Change its inks" if @swatch.paint
      raise Conflict.over(@swatch, field: "colour", saw: @before, theirs: @swatch.hex, mine: @colour.hex) unless [@before, @colour.hex].include?(@swatch.hex) || actor.alone?(project)
      @before = @swatch.hex
      @brought = Candidates.of(actor, [@swatch]).exact_ids if @bring_along && !@swatch.shared
      untie([@swatch.id])
      update(@swatch, colour: @colour, definition: @definition)
      fill_places(@brought, @colour)
      run_through([@swatch])
      @swatch
    end

    def words = "Changed #{@swatch.name}#{" everywhere" if @swatch.shared} from #{@before} to #{@swatch.hex}#{", and #{count(@brought.size, "place")} with it" if @brought.any?}"
  end
end
