module Changes
  # Makes swatches shared and links the places that are ticked, in one step.
  class ShareSwatches < Change
    include Ties
    include Slots

    # @param ticks [Array<String>] as Candidates names them
    # @param limit [Float] ΔE00 up to which places were offered
    def initialize(project, swatches:, ticks:, limit: 0.0)
      super(project)
      @swatches, @ticks, @limit = swatches, ticks, limit
    end

    # @return [Integer] how many places were linked
    attr_reader :linked

    private

    def make
      candidates = Candidates.of(actor, @swatches, limit: @limit).ticked(@ticks)
      share(@swatches)
      candidates.each { |swatch, ids| paint_places(ids, swatch) }
      @linked = candidates.values.sum(&:size)
      self
    end

    def words = "Shared #{named(@swatches)} and linked #{count(@linked, "place")}"
  end
end
