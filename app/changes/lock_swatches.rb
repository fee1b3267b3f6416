module Changes
  # Locks swatches against change and removal, or unlocks them.
  class LockSwatches < Change
    include Slots

    def initialize(project, swatches:, locked:)
      super(project)
      @swatches, @locked = swatches, locked
    end

    private

    def make = update_all(Swatch, @swatches.map(&:id), locked: @locked)

    def words = "#{@locked ? "Locked" : "Unlocked"} #{named(@swatches)}"
  end
end
