module Changes
  # How opaque the fill or line of parts is, beside whatever opacity its colour has.
  class SetOpacity < Change
    # @param numbers [Array<Integer>] of parts
    # @param role [String] "fill" or "line"
    # @param opacity [Float] 0..1
    def initialize(project, artwork:, numbers:, role:, opacity:)
      super(project)
      @artwork, @numbers, @role, @opacity = artwork, numbers, role, opacity
    end

    private

    def make
      found = @artwork.places_of(@numbers).joins(:part).where(role: @role).order(:id).pluck(:id, "parts.label")
      raise Magpie::Error, "#{@artwork.name} has no such part" if found.empty?
      @labels = found.map(&:last)
      @rows.standing_on(Artwork, [@artwork.id])
      update_all(Place, found.map(&:first), opacity: @opacity)
    end

    def words = "Made the #{@role} of #{(@labels.size == 1) ? @labels.first : count(@labels.size, "part")} #{(@opacity * 100).round} % opaque"
  end
end
