module Changes
  # Keeps a tint of a swatch that stays tied to it: when the swatch changes, so does
  # its tint.
  class KeepTint < Change
    # @param percent [Float] 1 to 99
    def initialize(project, parent:, percent:)
      super(project)
      @parent, @percent = parent, percent
    end

    private

    def make
      raise Magpie::Error, "a tint of #{@percent} %: expected 1 to 99" unless @percent.between?(1, 99)
      taken = Swatch.where(group_id: @parent.group_id)
      name = Magpie::ColorName.unused("#{@parent.name} #{@percent.round} %", taken.pluck(:name))
      @swatch = create(Swatch, group_id: @parent.group_id, name:, colour: Magpie::Making::Tints.tint(@parent.colour, @percent), tint_of_id: @parent.id, tint: @percent, position: next_position(taken))
    end

    def words = "Kept a tint of #{@parent.name}, #{@percent.round} %"
  end
end
