module Changes
  # Takes a picture out of a drawing that has something else to show.
  class RemoveLayer < Change
    include Layering

    # @param sha256 [String] of the picture
    def initialize(project, sha256:, **given)
      super(project, **given)
      @sha256 = sha256
    end

    private

    def make
      layers, patches = Magpie::Artwork::Layers.all(drawing), Magpie::Artwork::Layers.fills(drawing).select { |each| each.sha256 == @sha256 }
      raise Magpie::Error, "#{@artwork[:name]} shows no such picture" unless layers.any? { |each| each.sha256 == @sha256 }
      raise Magpie::Error, "#{count(patches.size, "patch")} of the picture #{(patches.size == 1) ? "is" : "are"} filled. Remove what is filled first" if patches.any?
      raise Magpie::Error, "#{@artwork[:name]} is that picture, and shows nothing else. Remove the artwork" if @artwork.part_count.zero? && layers.size == 1
      draw(Magpie::Artwork::Layers.without_layer(drawing, @sha256))
    end

    def words = "Took a picture out of #{@artwork[:name]}"
  end
end
