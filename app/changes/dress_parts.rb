module Changes
  # Gives parts of an artwork what is in hand, or clears them. A shared swatch is
  # followed from then on; anything else is copied.
  class DressParts < Change
    # @param keys [Array<String>] keys of parts
    # @param role [String] "fill" or "line"
    # @param content [Hand::Content, nil] nil clears
    def initialize(project, artwork:, keys:, role:, content:)
      super(project)
      @artwork, @keys, @role, @content = artwork, keys.uniq, role, content
    end

    private

    def make
      places = @artwork.places.joins(:part).where(parts: {key: @keys}, role: @role)
      @labels = Part.where(id: places.map(&:part_id)).pluck(:label)
      raise Magpie::Error, "#{@artwork.name} has no such part" if @labels.empty?
      update_all(Place, places.ids, **holding)
    end

    def holding
      return Place::EMPTY unless @content
      swatch = Swatch.lock.find_by(id: @content.swatch_id) if @content.swatch_id
      return Place.following(swatch) if swatch&.shared
      Place.copying(swatch || @content.colour)
    end

    def words
      what = (@labels.size == 1) ? @labels.first : count(@labels.size, "part")
      what = "the line of #{what}" if @role == "line"
      @content ? "Dressed #{what} with #{@content.name}" : "Cleared #{what}"
    end
  end
end
