module Changes
  # Keeps a tint of a swatch that stays tied to it: when the swatch changes, so does
  # its tint. Only what is shared is followed, so the swatch is from then on.
  class KeepTint < Change
    include Ties

    # @param percent [Float] 1 to 99
    def initialize(project, parent:, percent:)
      super(project)
      @parent, @percent = parent, percent
    end

    private

    def make
      raise Magpie::Error, "a tint of #{@percent} %: expected 1 to 99" unless @percent.between?(1, 99)
      raise Magpie::Error, "#{@parent.name} is a gradient or pattern: a tint is made of a plain colour" if @parent.lock!.paint
      @shared = !@parent.shared
      share([@parent])
      taken = Swatch.where(group_id: @parent.group_id)
      name = Magpie::ColorName.unused("#{@parent.name} #{@percent.round} %", taken.pluck(:name))
      @swatch = create(Swatch, group_id: @parent.group_id, name:, colour: Following::Flow.tinted(@parent.colour, @percent), position: next_position(taken))
      create_all(Follow, [{swatch_id: @parent.id, follower_id: @swatch.id, tint: @percent}])
      @swatch
    end

    def words = "Kept a tint of #{@parent.name}, #{@percent.round} %#{", and shared it" if @shared}"
  end
end
