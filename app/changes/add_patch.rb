module Changes
  # Lays a test patch of what is in hand on an artwork.
  class AddPatch < Change
    include OfPatch

    MOST = 100 # on one artwork

    # @param content [Hand::Content]
    # @param box [Hash{Symbol => Float}] see OfPatch
    def initialize(project, artwork:, shape:, content:, box:, word: "")
      super(project, patch: nil)
      @artwork, @shape, @content, @box, @word = artwork, shape, content, box, Magpie::Text.name(word, longest: 60)
    end

    private

    def make
      raise Magpie::Error, "#{@shape[0, 40].inspect} is no test patch: expected #{Magpie::Text.list(Patch::SHAPES).sub(" and ", " or ")}" unless Patch::SHAPES.include?(@shape)
      raise Magpie::Error, "#{@artwork.name} has #{MOST} test patches, which is the limit" if Patch.where(artwork_id: @artwork.drawn_id).count >= MOST
      word = @word.empty? ? @content.name : @word
      @patch = create(Patch, artwork_id: @artwork.drawn_id, shape: @shape, word: (word if @shape == "word"), colour: @content.colour, swatch_id: @content.swatch_id, **within(@box))
    end

    def words = "Laid #{named} of #{@content.name} on #{@artwork.name}"
  end
end
