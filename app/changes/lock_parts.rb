module Changes
  # Locks parts, in all colourways: they are neither picked on the artwork nor given
  # anything; or unlocks them. What they follow goes on changing them.
  class LockParts < Change
    include OfArtwork

    # @param numbers [Array<Integer>] of parts
    def initialize(project, numbers:, locked:, **given)
      super(project, **given)
      @numbers, @locked = numbers, locked
    end

    private

    def make
      found = @artwork.parts.numbered(@numbers).where(kind: "part").pluck(:id, :label, :locked)
      raise Magpie::Error, "#{@artwork.name} has no such part" if found.empty?
      @labels = found.map { |_, label, _| label }
      update_all(Part, found.filter_map { |id, _, locked| id unless locked == @locked }, locked: @locked)
    end

    def words = "#{@locked ? "Locked" : "Unlocked"} #{(@labels.size == 1) ? @labels.first : count(@labels.size, "part")} of #{@artwork.name}"
  end
end
