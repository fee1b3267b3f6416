module Changes
  # Gives parts of an artwork what is in hand, or clears them. A shared swatch is
  # followed from then on; anything else is copied.
  class DressParts < Change
    include OfParts
    include Ties

    # @param content [Hand::Content, nil] nil clears
    def initialize(project, content:, **given)
      super(project, **given)
      @content = content
    end

    private

    def make = give(found_places, @content)

    def words
      what = (@role == "line") ? "the line of #{parts}" : parts
      @content ? "Dressed #{what} with #{@content.name}" : "Cleared #{what}"
    end
  end
end
