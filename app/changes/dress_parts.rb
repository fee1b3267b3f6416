module Changes
  # Gives parts of an artwork what is in hand, or clears them. A shared swatch is
  # followed from then on; anything else is copied.
  class DressParts < Change
    include Ties

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
      dress(places.ids)
    end

    def dress(ids)
      swatch = Swatch.find_by(id: @content.swatch_id) if @content&.swatch_id
      swatch&.shared ? paint_places(ids, swatch) : fill_places(ids, swatch || @content&.colour)
    end

    def words
      what = (@labels.size == 1) ? @labels.first : count(@labels.size, "part")
      what = "the line of #{what}" if @role == "line"
      @content ? "Dressed #{what} with #{@content.name}" : "Cleared #{what}"
    end
  end
end
