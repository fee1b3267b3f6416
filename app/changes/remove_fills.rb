module Changes
  # Patches that were filled go; what lies beneath is seen again as it was.
  class RemoveFills < Change
    include Layering
    include Ties

    # @param numbers [Array<Integer>] of parts
    def initialize(project, numbers:, **given)
      super(project, **given)
      @numbers = numbers
    end

    private

    def make
      fills = Magpie::Artwork::Layers.fills(drawing).map(&:key)
      @parts = @artwork.parts.numbered(@numbers).where(key: fills, locked: false).to_a
      raise Magpie::Error, "Nothing of what is picked is a patch of a picture that could be removed" if @parts.empty?
      places = Place.where(part_id: @parts.map(&:id)).order(:id).ids
      clear_places(places)
      remove(Place, places)
      remove(Part, @parts.map(&:id))
      draw(@parts.reduce(drawing) { |made, part| Magpie::Artwork::Layers.without(made, part.key) }, more: -@parts.size)
    end

    def words = "Removed #{(@parts.size == 1) ? @parts.first.label : count(@parts.size, "patch")} from #{@artwork[:name]}"
  end
end
