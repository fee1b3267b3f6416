module Changes
  # A patch that was filled is looked for anew, otherwise than before.
  class AdjustFill < Change
    include Layering

    # @param number [Integer] of the part
    # @param aim [Hash] what is other than it was, see Magpie::Picture::Fill::Aim
    def initialize(project, number:, aim:, **given)
      super(project, **given)
      @number, @given = number, aim
    end

    private

    def prepare
      @part = @artwork.parts.find_by(position: @number) or raise Magpie::Error, "#{@artwork[:name]} has no such part"
      raise Magpie::Error, "#{@part.label} is locked. Unlock it first" if @part.locked
      @layer, aim = Magpie::Artwork::Layers.of_fill(Drawings.of(@artwork.template), @part.key)
      raise Magpie::Error, "#{@part.label} is no patch of a picture" unless @layer
      @aim = {**aim, **@given}
      @fill = Magpie::Picture::Fill.find(Pictures.of(@layer.sha256), Magpie::Picture::Fill::Aim.new(**@aim), small: Pictures.thinned(@layer.sha256))
      @mask = Blob.keep(@fill.mask, "image/png")
    end

    def make
      raise Magpie::Error, "#{@part.label} was removed meanwhile. Nothing was done" unless Magpie::Artwork::Layers.fills(drawing).any? { |each| each.key == @part.key }
      @rows.standing_on(Part, [@part.id])
      draw(Magpie::Artwork::Layers.filled(drawing, @part.key, @layer, @fill, @mask, @aim), {@mask => true})
    end

    def words = "Adjusted #{@part.label}"
  end
end
