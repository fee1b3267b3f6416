module Changes
  # Gives parts of an artwork what is in hand, or clears them. A shared swatch is
  # followed from then on; anything else is copied.
  class DressParts < Change
    include Ties

    # @param numbers [Array<Integer>] of parts
    # @param role [String] "fill" or "line"
    # @param content [Hand::Content, nil] nil clears
    def initialize(project, artwork:, numbers:, role:, content:)
      super(project)
      @artwork, @numbers, @role, @content = artwork, numbers, role, content
    end

    private

    def make
      found = @artwork.places_of(@numbers).joins(:part).where(role: @role).order(:id).pluck(:id, "parts.label")
      raise Magpie::Error, "#{@artwork.name} has no such part" if found.empty?
      @labels = found.map(&:last)
      give(found.map(&:first), @content)
    end

    def words
      what = (@labels.size == 1) ? @labels.first : count(@labels.size, "part")
      what = "the line of #{what}" if @role == "line"
      @content ? "Dressed #{what} with #{@content.name}" : "Cleared #{what}"
    end
  end
end
